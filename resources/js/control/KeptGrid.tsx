import { Trash2 } from 'lucide-react';
import { api, ask, type Schemas } from '../api/client';
import { useDeed, useGridSpacings } from '../api/hooks';
import { Button } from '../parts/Button';
import { Length } from '../parts/Figure';
import { Failure } from '../parts/Notice';
import type { StageProps } from '../stage/stages';

type Line = Schemas['GridLineResource'];

/** The grid that is kept, with the spacing of its lines. */
export function KeptGrid({ project, lines, onCorrect }: { project: StageProps['project']; lines: Line[]; onCorrect: () => void }) {
    const remove = useDeed(project.id, (ids: number[]) =>
        ask(api.POST('/api/v1/projects/{project}/grid-lines-deletion', { params: { path: { project: project.id } }, body: { ids } })),
    );
    const families = [...new Set(lines.map((l) => l.family))];
    return (
        <section className="border-t border-rule pt-3">
            <h3 className="font-semibold">{lines.length} grid lines are kept</h3>
            {families.map((f) => (
                <p key={f}>
                    {lines
                        .filter((l) => l.family === f)
                        .map((l) => l.name)
                        .join(', ')}
                </p>
            ))}
            <Spacing project={project.id} />
            <div className="mt-2 flex gap-2">
                <Button onClick={onCorrect}>Correct names</Button>
                <Button busy={remove.isPending} onClick={() => remove.mutate(lines.map((l) => l.id))} icon={<Trash2 />}>
                    Delete the grid
                </Button>
            </div>
            <Failure of={remove.error} />
        </section>
    );
}

/** How far each line is from the one before it in its family: the quickest check against the drawing. */
function Spacing({ project }: { project: number }) {
    const spacings = useGridSpacings(project);
    return (
        <dl className="mt-1 grid grid-cols-[auto_1fr] gap-x-4 text-sm text-quiet">
            {(spacings.data ?? []).map((s) => (
                <div key={s.to} className="contents">
                    <dt>
                        {s.from} to {s.to}
                    </dt>
                    <dd>
                        <Length of={s.apart} />
                    </dd>
                </div>
            ))}
        </dl>
    );
}
