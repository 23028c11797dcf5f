import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import type { SetupState } from '../api/client';
import { measure, turnTo, useDeed } from '../api/hooks';
import { Button } from '../parts/Button';
import { AngleFigure, Deviation, Length, SmallAngle } from '../parts/Figure';
import { Failure } from '../parts/Notice';
import type { StageProps } from '../stage/stages';
import { AimAt } from './AimAt';
import { type SightBody, sightBodies } from './sightBodies';

interface Props extends StageProps {
    draft: SetupState['draft'];
    onSights: (sights: SightBody[]) => Promise<unknown>;
}

const LABELS: Record<string, string> = { known_backsight: 'Backsight', height_only: 'Benchmark' };

/** Sights to control: turn, measure, see raw and reduced, use or leave out for plan and for height. */
export function Sights({ project, control, draft, onSights }: Props) {
    const onMark = draft.method === 'known_backsight';
    const candidates = control.filter(
        (c) => (!onMark || c.id !== draft.stationControlId) && (draft.method !== 'height_only' || c.elevation !== null),
    );
    const [chosen, setChosen] = useState<number | null>(null);
    const unsighted = candidates.find((c) => c.origin !== 'station' && !draft.sights.some((s) => s.controlId === c.id));
    const aim = candidates.find((c) => c.id === chosen) ?? unsighted ?? candidates[0];
    const turn = useDeed(project.id, (controlId: number) => turnTo(project.id, { controlId }));
    const shoot = useDeed(project.id, async (controlId: number) => {
        await measure(project.id, { purpose: 'setup', controlId, keepIn: 'sight' });
        setChosen(null);
    });
    const again = useDeed(project.id, (controlId: number) => measure(project.id, { purpose: 'setup', controlId, keepIn: 'round' }));
    const change = (controlId: number, part: Partial<SightBody>) =>
        void onSights(sightBodies(draft).map((b) => (b.controlId === controlId ? { ...b, ...part } : b)));
    const enough = draft.method === 'resection' ? 2 : 1;
    return (
        <section className="grid gap-2" aria-label="Sights">
            {aim && (
                <AimAt
                    label={LABELS[draft.method] ?? 'Next sight'}
                    control={candidates}
                    chosen={aim.id}
                    onChoose={setChosen}
                    onTurn={() => turn.mutate(aim.id)}
                    turning={turn.isPending}
                    onMeasure={() => shoot.mutate(aim.id)}
                    measuring={shoot.isPending}
                    project={project.id}
                    primary={draft.sights.length < enough}
                    verb={`Measure ${aim.name}`}
                />
            )}
            <Failure of={turn.error ?? shoot.error ?? again.error} />
            {draft.sights.map((s) => (
                <SightRow
                    key={s.controlId}
                    sight={s}
                    method={draft.method}
                    measuring={again.isPending}
                    onRound={() => again.mutate(s.controlId)}
                    onChange={(part) => change(s.controlId, part)}
                    onDrop={() => void onSights(sightBodies(draft).filter((b) => b.controlId !== s.controlId))}
                />
            ))}
        </section>
    );
}

interface RowProps {
    sight: SetupState['draft']['sights'][number];
    method: string;
    measuring: boolean;
    onRound: () => void;
    onChange: (part: Partial<SightBody>) => void;
    onDrop: () => void;
}

function SightRow({ sight: s, method, measuring, onRound, onChange, onDrop }: RowProps) {
    const heightOnly = method === 'height_only';
    return (
        <div className="grid gap-1 border-rule border-t pt-1" data-sight={s.name}>
            <div className="flex items-center gap-2">
                <span className="min-w-0 flex-1 font-semibold [overflow-wrap:anywhere]">{s.name}</span>
                <Button kind="bare" disabled={measuring} aria-label={`Another round to ${s.name}`} onClick={onRound}>
                    {s.more.length === 0 ? 'another round' : `${s.more.length + 1} rounds`}
                </Button>
                <Button kind="bare" aria-label={`Drop the sight to ${s.name}`} onClick={onDrop} icon={<Trash2 />} />
            </div>
            <div className="text-sm">
                raw: Hz <AngleFigure of={s.circle} />, V <AngleFigure of={s.zenith} />, SD <Length of={s.slope} none="no distance" />
            </div>
            <div className="text-sm">
                reduced: horizontal distance <Length of={s.distance} none="none" />, rise <Length of={s.rise} none="none" />, target{' '}
                <Length of={s.targetHeight} />
                {s.more.length > 0 && (
                    <>
                        ; mean of {s.more.length + 1} rounds within <SmallAngle of={s.spread} />
                    </>
                )}
            </div>
            <details className="text-quiet text-sm">
                <summary className="min-h-8 cursor-pointer content-center">what is in the distance</summary>
                On the instrument <span className="figure">{s.ppmApplied.toFixed(1)} ppm</span> and{' '}
                <span className="figure">{(1000 * s.prismConstantApplied).toFixed(1)} mm</span> were set; that is taken out, and{' '}
                <span className="figure">{s.ppm.toFixed(1)} ppm</span>, prism constant{' '}
                <span className="figure">{(1000 * s.prismConstant).toFixed(1)} mm</span> and scale <span className="figure">{s.scale}</span>{' '}
                are put in. Curvature and refraction (k = <span className="figure">{s.refraction}</span>) put <Deviation of={s.lift} /> into
                the height.
            </details>
            <fieldset className="grid grid-cols-4 gap-1" aria-label={`Used of ${s.name}`}>
                {!heightOnly && <Switch label="plan" on={s.plan} onChange={(plan) => onChange({ plan })} />}
                <Switch label="height" on={s.height} onChange={(height) => onChange({ height })} />
                {!heightOnly && (
                    <>
                        <Switch label="direction" on={s.direction} off={!s.plan} onChange={(direction) => onChange({ direction })} />
                        <Switch
                            label="distance"
                            on={s.useDistance}
                            off={s.slope === null}
                            onChange={(distance) => onChange({ distance })}
                        />
                    </>
                )}
            </fieldset>
        </div>
    );
}

/** Used or left out, at one touch; the word says it beside the mark. */
function Switch({ label, on, off = false, onChange }: { label: string; on: boolean; off?: boolean; onChange: (on: boolean) => void }) {
    return (
        <button
            type="button"
            role="switch"
            aria-checked={on}
            disabled={off}
            className={`min-h-12 rounded-sm border-[length:var(--stroke)] px-1 text-sm disabled:opacity-45 ${on ? 'border-chalk bg-wash font-semibold' : 'border-ink/50 border-dashed text-quiet line-through'}`}
            onClick={() => onChange(!on)}
        >
            {on ? '✓ ' : ''}
            {label}
        </button>
    );
}
