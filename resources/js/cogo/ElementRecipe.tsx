import { useState } from 'react';
import { api, ask, type Schemas, type StakeoutPoint } from '../api/client';
import { useDeed } from '../api/hooks';
import { type Elevation, ElevationInput } from '../givens/ElevationInput';
import { Button } from '../parts/Button';
import { LengthField } from '../parts/Field';
import { Failure, Notice } from '../parts/Notice';
import { Step } from '../parts/Step';
import type { StageProps } from '../stage/stages';

interface Props extends StageProps {
    point: StakeoutPoint;
    recipe: Schemas['RecipeResource'];
    onClose: () => void;
}

/** A spot of a thing of a model, changed for this one alone: how far behind its faces, and at which height. It stays so through revisions. */
export function ElementRecipe({ project, points, control, point, recipe, onClose }: Props) {
    const given = recipe.construction?.places?.[0]?.element ?? null;
    const [faces, setFaces] = useState(given?.spot.faces ?? []);
    const [elevation, setElevation] = useState<Elevation>(recipe.elevation ?? { rule: 'asMade', value: 0 });
    const change = useDeed(project.id, async () => {
        const element = given && { ...given, spot: { ...given.spot, faces } };
        await ask(
            api.PUT('/api/v1/projects/{project}/points/{point}/recipe', {
                params: { path: { project: project.id, point: point.id } },
                body: { construction: { kind: 'place', places: [{ element }] }, letter: 'A', index: 0, elevation },
            }),
        );
        onClose();
    });
    return (
        <form className="grid gap-3 p-4" onSubmit={(e) => e.preventDefault()}>
            <div className="flex items-center justify-between gap-2">
                <h2 className="text-lg font-semibold">How {point.name} was made</h2>
                <Button onClick={onClose}>Back to the points</Button>
            </div>
            <p className="[overflow-wrap:anywhere]">{recipe.description}.</p>
            {given?.spot.kind === 'corner' && recipe.looks.length === faces.length ? (
                <>
                    <p className="text-sm text-quiet">Of this one alone; it stays so when the model is revised.</p>
                    {faces.map((f, i) => (
                        <LengthField
                            key={f.index}
                            label={`Behind the face that looks ${recipe.looks[i]}`}
                            value={f.inward ?? 0}
                            onValue={(v) => setFaces(faces.map((other, k) => (k === i ? { ...other, inward: v ?? 0 } : other)))}
                        />
                    ))}
                </>
            ) : (
                <Notice>It is held by the thing itself: nothing of its place can be changed but the height.</Notice>
            )}
            <ElevationInput value={elevation} onValue={setElevation} points={points} control={control} />
            <Failure of={change.error} />
            <Step busy={change.isPending} onClick={() => change.mutate(undefined)}>
                Compute {point.name} anew
            </Step>
        </form>
    );
}
