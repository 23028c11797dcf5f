import { useQuery } from '@tanstack/react-query';
import { Repeat, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { api, ask, type ControlPoint, type Schemas, type SetupState } from '../api/client';
import { measure, turnTo, useDeed } from '../api/hooks';
import { Button } from '../parts/Button';
import { AngleFigure, Deviation, Direction, Length, Sided, SmallAngle } from '../parts/Figure';
import { Failure } from '../parts/Notice';
import type { StageProps } from '../stage/stages';
import { AimAt } from './AimAt';
import { worstOf } from './residual';
import { type SightBody, sightBodies, usedFor } from './sightBodies';

interface Props extends StageProps {
    state: SetupState;
    /** enough has been measured, and it fits: to measure more is not the next step */
    ready: boolean;
    onSights: (sights: SightBody[]) => Promise<unknown>;
}

const LABELS: Record<string, string> = { known_backsight: 'Backsight', height_only: 'Benchmark' };

/** Sights to control: turn, measure, see raw and reduced, use or leave out for plan and for height. */
export function Sights({ project, control, state, ready, onSights }: Props) {
    const { draft } = state;
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
    const residuals = new Map((state.solution?.residuals ?? []).map((r) => [r.name, r]));
    const worst = worstOf(state.solution?.residuals ?? []);
    return (
        <section className="grid gap-2" aria-label="Sights">
            {aim && (
                <AimAt
                    label={LABELS[draft.method] ?? 'Next sight'}
                    control={candidates}
                    near={state.solution?.oriented ? state.solution.station.mark : null}
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
                    primary={!ready && draft.method !== 'grid_lines'}
                    aside={draft.method === 'grid_lines'}
                    verb={`Measure ${aim.name}`}
                />
            )}
            {aim && (onMark || draft.method === 'orientation_only') && (
                <ByHand project={project.id} from={onMark ? { controlId: draft.stationControlId } : stationOf(state)} to={aim} />
            )}
            <Failure of={turn.error ?? shoot.error ?? again.error} />
            {draft.sights.map((s) => (
                <SightRow
                    key={s.controlId}
                    sight={s}
                    residual={residuals.get(s.name) ?? null}
                    worst={s.name === worst}
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

const stationOf = ({ current }: SetupState): Schemas['GivenPlace'] =>
    current ? { northing: current.northing, easting: current.easting } : {};

/** For an instrument that is turned by hand: what its circle is set to on the mark. */
function ByHand({ project, from, to }: { project: number; from: Schemas['GivenPlace']; to: ControlPoint }) {
    const known = from.controlId != null || from.northing != null;
    const direction = useQuery({
        queryKey: [project, 'by hand', from, to.id],
        queryFn: () =>
            ask(
                api.POST('/api/v1/projects/{project}/inverse', {
                    params: { path: { project } },
                    body: { from, to: { controlId: to.id }, next: null },
                }),
            ),
        enabled: known,
        retry: false,
    });
    return direction.data ? (
        <p className="text-quiet text-sm">
            {to.name} lies toward <Direction of={direction.data.between.direction} />. Turned by hand, the circle may be set to that on it,
            or to zero, before it is read.
        </p>
    ) : null;
}

interface RowProps {
    sight: SetupState['draft']['sights'][number];
    residual: Schemas['SightResidual'] | null;
    /** it fits the others least */
    worst: boolean;
    method: string;
    measuring: boolean;
    onRound: () => void;
    onChange: (part: Partial<SightBody>) => void;
    onDrop: () => void;
}

/** One row: what it is used for, how it agrees with the others; its reading and its uses open below. */
function SightRow({ sight: s, residual, worst, method, measuring, onRound, onChange, onDrop }: RowProps) {
    const heightOnly = method === 'height_only';
    const [opened, setOpened] = useState(false);
    return (
        <div className="grid gap-1 border-rule border-t" data-sight={s.name}>
            <div className="flex items-center gap-1">
                <button
                    type="button"
                    className="min-h-14 min-w-0 flex-1 cursor-pointer text-left"
                    aria-expanded={opened}
                    aria-label={`${s.name}: its reading and what it is used for`}
                    onClick={() => setOpened(!opened)}
                >
                    <span className="flex items-baseline gap-2">
                        <span className="min-w-0 font-semibold [overflow-wrap:anywhere]">{s.name}</span>
                        <span className="text-quiet text-sm">{usedFor(s, heightOnly)}</span>
                        {worst && <span className="text-sm">fits least</span>}
                    </span>
                    {residual && <ResidualLine of={residual} />}
                </button>
                <Button kind="bare" disabled={measuring} aria-label={`Another round to ${s.name}`} onClick={onRound} icon={<Repeat />}>
                    {s.more.length > 0 && <span className="text-sm">{s.more.length + 1} rounds</span>}
                </Button>
                <Button kind="bare" aria-label={`Drop the sight to ${s.name}`} onClick={onDrop} icon={<Trash2 />} />
            </div>
            {opened && <SightDetail sight={s} heightOnly={heightOnly} onChange={onChange} />}
        </div>
    );
}

/** A sight as measured, against its mark, seen from the instrument. */
const ResidualLine = ({ of: r }: { of: Schemas['SightResidual'] }) => (
    <span className="flex flex-wrap gap-x-3 text-sm">
        {r.across !== null && (
            <span>
                <Sided of={r.across} side="across" />
            </span>
        )}
        {r.distance !== null && (
            <span>
                <Sided of={r.distance} side="length" />
            </span>
        )}
        {r.height !== null && (
            <span>
                <Sided of={r.height} side="height" />
            </span>
        )}
    </span>
);

interface DetailProps extends Pick<RowProps, 'sight' | 'onChange'> {
    heightOnly: boolean;
}

/** The reading raw and reduced, and each of its uses on or off. */
function SightDetail({ sight: s, heightOnly, onChange }: DetailProps) {
    return (
        <div className="grid gap-1 border-rule border-l-2 pl-3">
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
            className={`min-h-12 rounded-sm border-[length:var(--stroke)] px-1 text-sm disabled:border-dotted ${on ? 'border-chalk bg-wash font-semibold' : 'border-ink/50 border-dashed text-quiet line-through'}`}
            onClick={() => onChange(!on)}
        >
            {on ? '✓ ' : ''}
            {label}
        </button>
    );
}
