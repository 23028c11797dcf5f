import { useState } from 'react';
import { api, ask } from '../api/client';
import { measure, useDeed } from '../api/hooks';
import { Button } from '../parts/Button';
import { TextField } from '../parts/Field';
import { Coordinates, Deviation } from '../parts/Figure';
import { Failure } from '../parts/Notice';
import type { StageProps } from '../stage/stages';
import { CancelMeasuring } from './AimAt';

/** New control where the pole stands; measured again, from here or from another setup, it is averaged. */
export function NewControl({ project, control }: StageProps) {
    const [name, setName] = useState('');
    const shoot = useDeed(project.id, async (as: string) => {
        const done = await measure(project.id, { purpose: 'control', sighted: as });
        return ask(
            api.POST('/api/v1/projects/{project}/measured-control', {
                params: { path: { project: project.id } },
                body: { observationId: done.observationId as number, name: as, code: '' },
            }),
        );
    });
    const again = control.some((c) => c.name === name.trim());
    return (
        <details>
            <summary className="min-h-12 cursor-pointer content-center">New control from here</summary>
            <div className="grid gap-2 border-rule border-l-2 pl-3">
                <TextField
                    label="Name of the new control point"
                    value={name}
                    onValue={setName}
                    hint={again ? 'It is there already: this shot is averaged with the earlier ones.' : 'The pole stands on it now.'}
                />
                {shoot.isPending ? (
                    <CancelMeasuring project={project.id} />
                ) : (
                    <Button className="min-h-16" disabled={name.trim() === ''} onClick={() => shoot.mutate(name.trim())}>
                        Measure it
                    </Button>
                )}
                <Failure of={shoot.error} />
                {shoot.data && (
                    <p role="status">
                        {shoot.data.name}: <Coordinates {...shoot.data} />, standard deviation in plan{' '}
                        <Deviation of={shoot.data.planDeviation} />, height <Deviation of={shoot.data.heightDeviation} none="none" />;{' '}
                        {shoot.data.description}.
                    </p>
                )}
            </div>
        </details>
    );
}
