import { useQueryClient } from '@tanstack/react-query';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import type { Draft, SetupState } from '../../api/client';
import { measure, turnTo, useDeed } from '../../api/hooks';
import type { StageProps } from '../../frame/stages';
import { Button } from '../../parts/Button';
import { AngleFigure, Length } from '../../parts/Figure';
import { Failure } from '../../parts/Notice';
import { AimAt } from './AimAt';

type SightBody = NonNullable<Draft['sights']>[number];

interface Props extends StageProps {
    draft: SetupState['draft'];
    onSights: (sights: SightBody[]) => Promise<unknown>;
}

const bodiesOf = (draft: SetupState['draft']): SightBody[] =>
    draft.sights.map(({ controlId, observationId, used }) => ({ controlId, observationId, used }));

/** Sights to control: turn, measure, see raw and reduced, use or leave out. */
export function Sights({ project, control, draft, onSights }: Props) {
    const candidates = control.filter((c) => draft.method === 'resection' || c.id !== draft.stationControlId);
    const client = useQueryClient();
    const [chosen, setChosen] = useState<number | null>(null);
    const unsighted = candidates.find((c) => !draft.sights.some((s) => s.controlId === c.id));
    const aim = candidates.find((c) => c.id === chosen) ?? unsighted ?? candidates[0];
    const turn = useDeed(project.id, (controlId: number) => turnTo(project.id, { controlId }));
    const bodies = bodiesOf(draft);
    const shoot = useDeed(project.id, async (controlId: number) => {
        const done = await measure(project.id, { purpose: 'setup', controlId });
        // A known backsight is one sight: the newer takes the older one's place.
        const now = client.getQueryData<SetupState>([project.id, 'setup'])?.draft ?? draft;
        const others = now.method === 'resection' ? bodiesOf(now).filter((s) => s.controlId !== controlId) : [];
        await onSights([...others, { controlId, observationId: done.observationId as number, used: true }]);
        setChosen(null);
    });
    return (
        <section className="grid gap-2" aria-label="Sights">
            {aim && (
                <AimAt
                    label={draft.method === 'resection' ? 'Next sight' : 'Backsight'}
                    control={candidates}
                    chosen={aim.id}
                    onChoose={setChosen}
                    onTurn={() => turn.mutate(aim.id)}
                    turning={turn.isPending}
                    onMeasure={() => shoot.mutate(aim.id)}
                    measuring={shoot.isPending}
                    project={project.id}
                    primary={draft.sights.length < 2}
                    verb={`Measure ${aim.name}`}
                />
            )}
            <Failure of={turn.error ?? shoot.error} />
            {draft.sights.map((s) => (
                <div key={s.controlId} className="flex items-start gap-2 border-t border-rule pt-1">
                    <div className="min-w-0 flex-1">
                        <span className="font-semibold">{s.name}</span>
                        <div className="text-sm">
                            raw: Hz <AngleFigure of={s.circle} />, V <AngleFigure of={s.zenith} />, SD <Length of={s.slope} />
                        </div>
                        <div className="text-sm">
                            reduced: plan distance <Length of={s.distance} />, target height <Length of={s.targetHeight} />
                        </div>
                    </div>
                    <label className="flex min-h-12 cursor-pointer items-center gap-2">
                        <input
                            type="checkbox"
                            className="size-6"
                            checked={s.used}
                            onChange={() => void onSights(bodies.map((b) => (b.controlId === s.controlId ? { ...b, used: !s.used } : b)))}
                        />
                        used
                    </label>
                    <Button
                        kind="bare"
                        aria-label={`Drop the sight to ${s.name}`}
                        onClick={() => void onSights(bodies.filter((b) => b.controlId !== s.controlId))}
                        icon={<Trash2 />}
                    />
                </div>
            ))}
        </section>
    );
}
