import { useState } from 'react';
import { api, ask } from '../api/client';
import { useDeed } from '../api/hooks';
import { useSurfaces } from '../civil/hooks';
import { Choice, LengthField } from '../parts/Field';
import { Failure, Notice } from '../parts/Notice';
import { Step } from '../parts/Step';
import type { DeedProps } from '../stage/deed';

/** Each point its elevation from a surface, so far above or below it; those outside keep theirs. */
export function FromSurface({ project, those, onDone }: DeedProps) {
    const surfaces = useSurfaces(project.id).data ?? [];
    const [chosen, setChosen] = useState<number | null>(null);
    const surface = surfaces.find((s) => s.id === chosen) ?? surfaces.find((s) => s.active) ?? surfaces[0];
    const [verticalOffset, setVerticalOffset] = useState<number | null>(0);
    const [side, setSide] = useState<'above' | 'below'>('above');
    const set = useDeed(project.id, () =>
        ask(
            api.POST('/api/v1/projects/{project}/surface-elevations', {
                params: { path: { project: project.id } },
                body: {
                    ids: those.map((p) => p.id),
                    surfaceId: surface?.id ?? 0,
                    verticalOffset: (side === 'below' ? -1 : 1) * Math.abs(verticalOffset ?? 0),
                },
            }),
        ),
    );
    if (!surface) {
        return <Notice>There is no surface yet: drop a civil model under Designs, or make one of points.</Notice>;
    }
    return (
        <form className="grid gap-3" onSubmit={(e) => e.preventDefault()}>
            <Choice
                label="Surface"
                value={String(surface.id)}
                onValue={(id) => setChosen(Number(id))}
                options={surfaces.map((s) => [String(s.id), s.name] as const)}
            />
            <div className="grid grid-cols-2 items-end gap-2">
                <LengthField label="At" value={verticalOffset} onValue={setVerticalOffset} />
                <Choice
                    label="of it"
                    value={side}
                    onValue={setSide}
                    options={[
                        ['above', 'above'],
                        ['below', 'below'],
                    ]}
                />
            </div>
            <Failure of={set.error} />
            <Step
                busy={set.isPending}
                why={verticalOffset === null ? 'Type how far above it.' : null}
                onClick={() => set.mutate(undefined, { onSuccess: onDone })}
            >
                Give {those.length} their elevation
            </Step>
        </form>
    );
}
