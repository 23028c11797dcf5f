import { useState } from 'react';
import { api, ask, type Mark, newKey } from '../api/client';
import { measure, turnTo, useChecks, useDeed } from '../api/hooks';
import { Failure } from '../parts/Notice';
import type { StageProps } from '../stage/stages';
import { AimAt } from './AimAt';
import { ChecksChart } from './ChecksChart';
import { MarkResult } from './MarkResult';

/** A shot on a known point, to prove that the setup still holds. */
export function CheckShot({ project, control, marks }: StageProps) {
    const [chosen, setChosen] = useState<number | null>(null);
    const [result, setResult] = useState<Mark | null>(null);
    const aim = control.find((c) => c.id === chosen) ?? control[0];
    const turn = useDeed(project.id, (controlId: number) => turnTo(project.id, { controlId }));
    const shoot = useDeed(project.id, async (controlId: number) => {
        setResult(null);
        const done = await measure(project.id, { purpose: 'check', controlId });
        setResult(
            await ask(
                api.POST('/api/v1/projects/{project}/marks', {
                    params: { path: { project: project.id } },
                    body: { key: newKey(), kind: 'check', observationId: done.observationId as number, controlId },
                }),
            ),
        );
    });
    const judged = useChecks(project.id);
    const checks = marks.filter((m) => m.kind === 'check' && m.setupId === project.setup?.id);
    return (
        <section className="grid gap-2 border-t-2 border-ink pt-2" aria-label="Check shot">
            <h2 className="font-semibold">Check shot</h2>
            {judged.data && <ChecksChart checks={judged.data} />}
            {aim && (
                <AimAt
                    label="Control point"
                    control={control}
                    chosen={aim.id}
                    onChoose={setChosen}
                    onTurn={() => turn.mutate(aim.id)}
                    turning={turn.isPending}
                    onMeasure={() => shoot.mutate(aim.id)}
                    measuring={shoot.isPending}
                    project={project.id}
                    primary={checks.length === 0}
                    verb={`Check ${aim.name}`}
                />
            )}
            <Failure of={turn.error ?? shoot.error} />
            {[...checks]
                .reverse()
                .slice(0, 5)
                .map((m) => (
                    <MarkResult key={m.id} mark={m} latest={m.id === result?.id} />
                ))}
        </section>
    );
}
