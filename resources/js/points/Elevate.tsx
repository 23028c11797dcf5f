import { useState } from 'react';
import { api, ask } from '../api/client';
import { useDeed } from '../api/hooks';
import { type Elevation, ElevationInput } from '../givens/ElevationInput';
import { TouchContext } from '../givens/touch';
import { Failure } from '../parts/Notice';
import { Step } from '../parts/Step';
import type { DeedProps } from '../stage/deed';

/** One elevation for all, or each its own by a rule. */
export function Elevate({ project, points, control, those, onDone, want, setWant }: DeedProps) {
    const [elevation, setElevation] = useState<Elevation>({ rule: 'figure', value: 0 });
    const set = useDeed(project.id, () =>
        ask(
            api.POST('/api/v1/projects/{project}/elevations', {
                params: { path: { project: project.id } },
                body: { ids: those.map((p) => p.id), elevation },
            }),
        ),
    );
    return (
        <TouchContext value={{ want, setWant }}>
            <form className="grid gap-3" onSubmit={(e) => e.preventDefault()}>
                <ElevationInput value={elevation} onValue={setElevation} points={points} control={control} />
                <Failure of={set.error} />
                <Step
                    busy={set.isPending}
                    why={elevation.rule === 'asMade' && 'As they were made, nothing changes.'}
                    onClick={() => set.mutate(undefined, { onSuccess: onDone })}
                >
                    Give {those.length} their elevation
                </Step>
            </form>
        </TouchContext>
    );
}
