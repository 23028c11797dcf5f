import type { Aim, Project } from '../api/client';
import { useAlignments, useSurfaces } from '../civil/hooks';
import { Button } from '../parts/Button';
import { Failure } from '../parts/Notice';
import { useTakeAim } from './useTaking';

/** The alignments and surfaces that can be staked, by name; the surface that is worked with stands first. */
export function CivilTargets({ project, onTaken }: { project: Project; onTaken: (aim: Aim) => void }) {
    const alignments = useAlignments(project.id).data ?? [];
    const surfaces = useSurfaces(project.id).data ?? [];
    const take = useTakeAim(project.id, onTaken);
    const { surfaceId, verticalOffset } = project.civil;
    const designs = surfaces.filter((s) => s.kind === 'design').sort((a, b) => Number(b.active) - Number(a.active));
    if (alignments.length === 0 && designs.length === 0) {
        return null;
    }
    return (
        <section aria-label="Alignments and surfaces" className="grid gap-2">
            {alignments.length > 0 && (
                <div className="grid gap-1">
                    <h2 className="text-sm text-quiet">Along an alignment</h2>
                    <div className="flex flex-wrap gap-2">
                        {alignments.map((a) => (
                            <Button key={a.id} busy={take.isPending} onClick={() => take.mutate({ civil: { alignmentId: a.id } })}>
                                {a.name}
                            </Button>
                        ))}
                    </div>
                </div>
            )}
            {designs.length > 0 && (
                <div className="grid gap-1">
                    <h2 className="text-sm text-quiet">To the grade of a surface</h2>
                    <div className="flex flex-wrap gap-2">
                        {designs.map((s) => (
                            <Button
                                key={s.id}
                                busy={take.isPending}
                                onClick={() =>
                                    take.mutate({ civil: { surfaceId: s.id, verticalOffset: s.id === surfaceId ? verticalOffset : 0 } })
                                }
                            >
                                {s.name}
                                {s.active && ' (worked with)'}
                            </Button>
                        ))}
                    </div>
                </div>
            )}
            <Failure of={take.error} />
        </section>
    );
}
