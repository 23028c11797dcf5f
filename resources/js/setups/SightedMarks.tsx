import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, type Project, type Schemas } from '../api/client';
import { useDeed } from '../api/hooks';
import { Button } from '../parts/Button';
import { TextField } from '../parts/Field';
import { Coordinates, Deviation } from '../parts/Figure';
import { Failure } from '../parts/Notice';

/** The marks that a given direction or a baseline was sighted to: kept as control, they serve the next setup. */
export function SightedMarks({ project }: { project: Project }) {
    const path = { params: { path: { project: project.id } } };
    const marks = useQuery({
        queryKey: [project.id, 'sighted-marks', project.revision],
        queryFn: () => ask(api.GET('/api/v1/projects/{project}/sighted-marks', path)),
    });
    if (!marks.data || marks.data.length === 0) {
        return null;
    }
    return (
        <section className="grid gap-2 border-rule border-t pt-2" aria-label="Marks that were sighted">
            <h2 className="font-semibold">Marks that were sighted</h2>
            {marks.data.map((m, i) => (
                <SightedOne key={m.observationId} project={project} mark={m} number={i + 1} />
            ))}
        </section>
    );
}

function SightedOne({ project, mark: m, number }: { project: Project; mark: Schemas['SightedMark']; number: number }) {
    const [name, setName] = useState('');
    const keep = useDeed(project.id, () =>
        ask(
            api.POST('/api/v1/projects/{project}/sighted-marks', {
                params: { path: { project: project.id } },
                body: { observationId: m.observationId, name },
            }),
        ),
    );
    return (
        <div className="grid gap-1">
            <p className="text-sm">
                Mark {number}: <Coordinates {...m.place} />, standard deviation in plan <Deviation of={m.planDeviation} none="not known" />,
                height <Deviation of={m.heightDeviation} none="not known" />
            </p>
            {m.keptAs !== null ? (
                <p role="status">It is control, as {m.keptAs}.</p>
            ) : (
                <div className="flex items-end gap-2">
                    <div className="min-w-0 flex-1">
                        <TextField label={`Name of mark ${number}`} value={name} onValue={setName} />
                    </div>
                    <Button disabled={name.trim() === ''} busy={keep.isPending} onClick={() => keep.mutate(undefined)}>
                        Keep as control
                    </Button>
                </div>
            )}
            <Failure of={keep.error} />
        </div>
    );
}
