import { useQuery } from '@tanstack/react-query';
import { api, ask, type StakeoutPoint } from '../api/client';
import { Button } from '../parts/Button';
import { Failure, Notice } from '../parts/Notice';
import type { StageProps } from '../stage/stages';
import { Computation } from './Compute';
import { ElementRecipe } from './ElementRecipe';
import { type KindSpec, specOf } from './kinds';
import { Sketch } from './Sketch';

/** A touched spot is a construction too, of nothing but its place. */
const PLACE: KindSpec = { kind: 'place', words: 'Touched in the drawing', group: 'Find a place', places: ['Place'] };

/** How a point was made, open to be changed. */
export function RecipeSheet({ point, onClose, ...props }: StageProps & { point: StakeoutPoint; onClose: () => void }) {
    const recipe = useQuery({
        queryKey: [props.project.id, 'recipe', point.id],
        queryFn: () =>
            ask(
                api.GET('/api/v1/projects/{project}/points/{point}/recipe', {
                    params: { path: { project: props.project.id, point: point.id } },
                }),
            ),
        retry: false,
        gcTime: 0,
    });
    const made = recipe.data;
    const spec = made?.construction ? (specOf(made.construction.kind) ?? PLACE) : null;
    if (!made?.construction || !spec) {
        return (
            <div className="grid gap-3 p-4">
                <Failure of={recipe.error} />
                {made && <Notice>{made.description || 'This point was typed in.'} There is nothing to compute it from.</Notice>}
                <Button onClick={onClose}>Back to the points</Button>
            </div>
        );
    }
    const kept = { construction: made.construction, letter: made.letter, index: made.index, elevation: made.elevation };
    if (made.construction.places?.[0]?.element) {
        return <ElementRecipe {...props} point={point} recipe={made} onClose={onClose} />;
    }
    if (made.construction.kind === 'sketch') {
        return <Sketch {...props} of={{ point, recipe: kept }} onClose={onClose} />;
    }
    return <Computation {...props} spec={spec} point={point} recipe={kept} onClose={onClose} />;
}
