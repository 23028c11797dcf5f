import { useState } from 'react';
import type { Mark } from '../api/client';
import { markOf, measure, turnTo, useChecks, useDayDeed } from '../api/hooks';
import { Failure } from '../parts/Notice';
import type { StageProps } from '../stage/stages';
import { AimAt } from './AimAt';
import { ChecksChart } from './ChecksChart';
import { MarkResult } from './MarkResult';

/** A shot on a known point, to prove that the setup still holds. */
export function CheckShot({ project, control, marks, live }: StageProps) {
    const [chosen, setChosen] = useState<number | null>(null);
    const [result, setResult] = useState<Mark | null>(null);
    const judged = useChecks(project.id);
    const others = control.filter((c) => c.name !== project.setup?.stationName);
    const offered = judged.data?.offered ?? null;
    const aim = others.find((c) => c.id === (chosen ?? offered)) ?? others[0];
    const turn = useDayDeed(project.id, (controlId: number) => turnTo(project.id, { controlId }));
    const shoot = useDayDeed(project.id, async (controlId: number) => {
        setResult(null);
        // The pole stands there: the next shot is on the same mark unless another is chosen.
        setChosen(controlId);
        setResult(markOf(await measure(project.id, { purpose: 'check', controlId, mark: {} })));
    });
    const checks = marks.filter((m) => m.kind === 'check' && m.setupId === project.setup?.id);
    return (
        <section className="grid gap-2 border-t-2 border-ink pt-2" aria-label="Check shot">
            <h2 className="font-semibold">Check shot</h2>
            {judged.data && <ChecksChart checks={judged.data} />}
            {aim && (
                <AimAt
                    label="Control point"
                    control={others}
                    near={live?.pole ?? null}
                    chosen={aim.id}
                    onChoose={setChosen}
                    onTurn={() => turn.mutate(aim.id)}
                    turning={turn.isPending}
                    onMeasure={() => {
                        // Whatever kept it from turning, the prism is sighted now.
                        turn.reset();
                        shoot.mutate(aim.id);
                    }}
                    measuring={shoot.isPending}
                    project={project.id}
                    primary={checks.length === 0 || (judged.data?.holds !== false && judged.data?.due != null)}
                    verb={`Check ${aim.name}`}
                />
            )}
            <Failure of={turn.error ?? shoot.error} />
            {[...checks]
                .reverse()
                .slice(0, 5)
                .map((m) => (
                    <MarkResult key={m.id} mark={m} latest={m.id === result?.id} project={project.id} />
                ))}
        </section>
    );
}
