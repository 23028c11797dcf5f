import { Eye, EyeOff } from 'lucide-react';
import { api, ask, type Design, type Project } from '../../api/client';
import { useDeed } from '../../api/hooks';
import { Button } from '../../parts/Button';
import { Failure } from '../../parts/Notice';

/** Layers on, off, only this one. What is hidden cannot be picked. */
export function Layers({ project, designs }: { project: Project; designs: Design[] }) {
    const all = designs.flatMap((d) => d.layers);
    const show = useDeed(project.id, (layerIds: number[]) =>
        ask(api.PUT('/api/v1/projects/{project}/visible-layers', { params: { path: { project: project.id } }, body: { layerIds } })),
    );
    const visible = all.filter((l) => l.visible).map((l) => l.id);
    return (
        <section aria-label="Layers">
            <div className="flex items-center gap-2">
                <h2 className="mr-auto font-semibold">
                    Layers: {visible.length} of {all.length} shown
                </h2>
                <Button onClick={() => show.mutate(all.map((l) => l.id))}>All</Button>
                <Button onClick={() => show.mutate([])}>None</Button>
            </div>
            <Failure of={show.error} />
            <ul>
                {all.map((l) => (
                    <li key={l.id} className={`flex items-center gap-2 border-b border-rule ${l.visible ? '' : 'text-quiet'}`}>
                        <Button
                            kind="bare"
                            aria-label={`${l.visible ? 'Hide' : 'Show'} ${l.name}`}
                            aria-pressed={l.visible}
                            onClick={() => show.mutate(l.visible ? visible.filter((id) => id !== l.id) : [...visible, l.id])}
                            icon={l.visible ? <Eye /> : <EyeOff />}
                        />
                        <span className="size-4 shrink-0 border border-ink/40" style={{ background: l.colour }} aria-hidden="true" />
                        <span className="min-w-0 flex-1 truncate" title={l.kinds.map((k) => `${k.count} ${k.kind}`).join(', ')}>
                            {l.name}
                        </span>
                        <span className="figure text-sm text-quiet">{l.count}</span>
                        <Button kind="bare" aria-label={`Only ${l.name}`} onClick={() => show.mutate([l.id])}>
                            only
                        </Button>
                    </li>
                ))}
            </ul>
        </section>
    );
}
