import type { PropsWithChildren } from 'react';
import type { Schemas } from '../api/client';
import { Coordinates, Deviation, Direction, Length, Sided, SidedAngle, SmallAngle } from '../parts/Figure';
import { NextStep } from '../parts/NextStep';
import { Notice } from '../parts/Notice';
import { Scroll } from '../parts/Scroll';
import type { Side } from '../units/format';
import { type WorthOfShot, worthOfShots } from './places';
import { isUsed } from './residual';

type Found = Schemas['SolutionEntry'];
type Residual = Schemas['SightResidual'];

interface Props {
    solution: Found;
    /** why it does not fit is said already */
    explained: boolean;
    weakness: string | null;
    /** sights and lines that are off by more than the project accepts */
    beyond: { names: string[]; limit: number | null };
    times: number | null;
}

/** What would be accepted: the place, and in the bar one sentence of how far it is to be trusted; what that rests on opens. */
export function Solution({ solution: s, explained, weakness, beyond, times }: Props) {
    const [worst, ...more] = [...(weakness ? [weakness] : []), ...s.cautions];
    return (
        <section
            className="grid scroll-mb-28 grid-cols-[minmax(0,1fr)] gap-2 border-ink border-t-2 pt-2"
            aria-label="What would be accepted"
        >
            <h2 className="font-semibold">What would be accepted</h2>
            {!explained && (
                <NextStep as="says">
                    <Trust solution={s} weakness={weakness} beyond={beyond} />
                </NextStep>
            )}
            <div>
                <Coordinates {...s.station.mark} />
                <p>
                    {s.oriented ? (
                        <>
                            Circle zero at <Direction of={s.station.orientation} />
                        </>
                    ) : (
                        'No orientation yet'
                    )}
                </p>
            </div>
            {worst && <Notice kind="caution">{worst}</Notice>}
            <Grounds solution={s} more={more} times={times} />
        </section>
    );
}

/** How far it can be trusted and why, in one sentence that stays in view while the sights change; what speaks against it comes first. */
function Trust({ solution: s, weakness, beyond }: Pick<Props, 'solution' | 'weakness' | 'beyond'>) {
    if (s.passes === false) {
        return <p className="font-semibold text-out">▲ The sights do not fit: how far it may be wrong cannot be said.</p>;
    }
    if (beyond.names.length > 0) {
        return (
            <p className="font-semibold text-open">
                ▲ {beyond.names.join(', ')} {beyond.names.length === 1 ? 'is' : 'are'} off by more than the <Deviation of={beyond.limit} />{' '}
                that this project accepts: sight again.
            </p>
        );
    }
    if (weakness) {
        return <p className="font-semibold text-open">▲ {weakness}</p>;
    }
    return (
        <p className="text-sm">
            <strong>{s.passes === null ? 'Nothing checks it.' : 'It fits.'}</strong>
            {s.placeFound && (
                <>
                    {' '}
                    Within <Deviation of={s.ellipse.major} /> here
                    {s.farthest !== null && s.reaches !== null && (
                        <>
                            , <Deviation of={s.reaches} /> at the farthest open point (<Length of={s.farthest} />)
                        </>
                    )}
                    , in 95 of 100 cases.
                </>
            )}
        </p>
    );
}

/** What the sentence of trust rests on. */
function Grounds({ solution: s, more, times }: { solution: Found; more: string[]; times: number | null }) {
    const shots = worthOfShots(s);
    return (
        <details>
            <summary className="min-h-12 cursor-pointer content-center">How that is known</summary>
            <div className="grid grid-cols-[minmax(0,1fr)] gap-2 border-rule border-l-2 pl-3">
                {s.oriented && s.orientationDeviation !== null && s.passes !== false && (
                    <p>
                        Circle zero at <Direction of={s.station.orientation} /> ± <SmallAngle of={s.orientationDeviation} />
                    </p>
                )}
                {s.placeFound && (
                    <p>
                        {s.passes !== false && (
                            <>
                                Standard deviation: northing <Deviation of={s.northingDeviation} />, easting{' '}
                                <Deviation of={s.eastingDeviation} />, height <Deviation of={s.heightDeviation} none="none" />
                                {s.unitWeightDeviation !== null && '; residuals are '}
                            </>
                        )}
                        {s.unitWeightDeviation !== null && (
                            <>
                                {s.passes === false && 'Residuals are '}
                                <span className="figure">{s.unitWeightDeviation.toFixed(1)}</span> times what the instrument’s accuracy
                                explains, from {s.redundancy} spare {s.redundancy === 1 ? 'observation' : 'observations'}
                            </>
                        )}
                        .
                    </p>
                )}
                <Quality solution={s} />
                {times !== null && times > 1 && (s.placeFound || s.residuals.length > 0) && (
                    <p className="text-quiet text-sm">
                        On the plan, residuals{s.placeFound && ' and the ellipse'} are drawn{' '}
                        <span className="figure">{times.toLocaleString('en')}</span> times as large as they are.
                    </p>
                )}
                {(shots.length > 0 || s.residuals.some(isUsed)) && (
                    <InDetail residuals={s.residuals} shots={shots} correlation={s.correlation} scale={s.scale} />
                )}
                {more.map((c) => (
                    <p key={c} className="text-open">
                        {c}
                    </p>
                ))}
            </div>
        </details>
    );
}

function Residuals({ residuals }: { residuals: Residual[] }) {
    return (
        <Scroll label="Residuals">
            <p className="text-quiet text-sm">Each sight as measured, against its control point, seen from the instrument:</p>
            <table className="list sided">
                <thead>
                    <tr>
                        <th>sight</th>
                        <th className="n">across</th>
                        <th className="n">distance</th>
                        <th className="n">height</th>
                    </tr>
                </thead>
                <tbody>
                    {residuals.map((r) => (
                        <tr key={r.name} className={isUsed(r) ? '' : 'text-quiet'}>
                            <td>
                                {r.name}
                                {!isUsed(r) && ' (not used)'}
                            </td>
                            <td className="n">
                                <Deviation of={r.across === null ? null : Math.abs(r.across)} />{' '}
                                {r.direction !== null && (
                                    <span className="side">
                                        <SidedAngle of={r.direction} side="across" />
                                    </span>
                                )}
                            </td>
                            <td className="n">
                                <Sided of={r.distance} side="length" />
                            </td>
                            <td className="n">
                                <Sided of={r.height} side="height" />
                            </td>
                        </tr>
                    ))}
                </tbody>
            </table>
        </Scroll>
    );
}

/** How far the place may be wrong, in plain words, and whether the residuals are as they should be; where they are not, nothing can be said of it. */
function Quality({ solution: s }: { solution: Found }) {
    if (s.passes === false) {
        return (
            <Notice kind="caution">
                The residuals are larger than the instrument’s accuracy lets expect: fewer than 2 of 100 good setups have such. How far this
                setup may be wrong cannot be said until the sights fit.
            </Notice>
        );
    }
    return (
        <>
            {s.placeFound && (
                <p>
                    In 95 of 100 cases the true place lies within <Deviation of={s.ellipse.major} />: an ellipse of{' '}
                    <Deviation of={s.ellipse.major} /> by <Deviation of={s.ellipse.minor} />, the longer axis toward{' '}
                    <Direction of={s.ellipse.azimuth} /> (2.4477 times the deviations expected beforehand)
                    {s.afterwards !== null && (
                        <>
                            ; from these residuals alone it would be <Deviation of={s.afterwards * s.ellipse.major} /> by{' '}
                            <Deviation of={s.afterwards * s.ellipse.minor} /> (√(2 F) times the deviations found afterwards)
                        </>
                    )}
                    .
                </p>
            )}
            {s.farthest !== null && s.reaches !== null && (
                <p>
                    The farthest point still to be staked lies <Length of={s.farthest} /> off: for the setup’s sake alone it may come out{' '}
                    <Deviation of={s.reaches} /> wrong in plan.
                </p>
            )}
            <p>
                {s.passes === null
                    ? 'Nothing is spare: the residuals prove nothing.'
                    : 'The residuals are such as the instrument’s accuracy lets expect.'}
            </p>
        </>
    );
}

const KINDS: Record<string, { word: string; side: Side }> = {
    direction: { word: 'direction', side: 'across' },
    slopeDistance: { word: 'slope distance', side: 'length' },
    zenithAngle: { word: 'zenith angle', side: 'height' },
    horizontalDistance: { word: 'horizontal distance', side: 'length' },
    rise: { word: 'rise', side: 'height' },
};

const isAngle = (kind: string) => kind === 'direction' || kind === 'zenithAngle';

interface Worth {
    residuals: Residual[];
    shots: WorthOfShot[];
    correlation: number;
    scale: Schemas['FreeScale'] | null;
}

/** What each sight is worth, observation by observation. */
function InDetail({ residuals, shots, correlation, scale }: Worth) {
    const used = residuals.filter(isUsed);
    return (
        <details>
            <summary className="min-h-12 cursor-pointer content-center">What each sight is worth</summary>
            {residuals.length > 0 && <Residuals residuals={residuals} />}
            <p className="text-sm">
                Northing and easting are correlated by <span className="figure">{correlation.toFixed(2)}</span>.
                {scale && (
                    <>
                        {' '}
                        With a free scale the distances would come out <span className="figure">{Math.abs(scale.ppm).toFixed(0)} ppm</span>{' '}
                        too {scale.ppm > 0 ? 'long' : 'short'}, ± <span className="figure">{scale.deviation.toFixed(0)} ppm</span>.
                    </>
                )}
            </p>
            <Scroll label="What each sight is worth">
                <table className="list sided">
                    <thead>
                        <tr>
                            <th>sight</th>
                            <th className="n">residual</th>
                            <th className="n">checked by others</th>
                            <th className="n">error that would show</th>
                            <th className="n">times its deviation</th>
                        </tr>
                    </thead>
                    {used.map((r) => (
                        <tbody key={r.name}>
                            <Without name={r.name} moves={r.moves} />
                            {r.observed.map((o) => (
                                <Observed key={o.kind} of={o} />
                            ))}
                        </tbody>
                    ))}
                    {shots.map((s) => (
                        <tbody key={s.name}>
                            <Without name={s.name} moves={s.moves} />
                            <Checked word="offset" {...s.reliability}>
                                <Sided of={s.offset} side="across" />
                            </Checked>
                        </tbody>
                    ))}
                </table>
            </Scroll>
        </details>
    );
}

function Without({ name, moves }: { name: string; moves: number | null }) {
    return (
        <tr>
            <td colSpan={5} className="font-semibold">
                {name}
                <span className="font-normal text-quiet">
                    {moves === null ? ': the place can’t do without it' : ': without it the station moves by '}
                    {moves !== null && <Deviation of={moves} />}
                </span>
            </td>
        </tr>
    );
}

function Observed({ of: o }: { of: Residual['observed'][number] }) {
    const { word, side } = KINDS[o.kind] ?? { word: o.kind, side: 'length' };
    const angle = isAngle(o.kind);
    // A zenith angle grows downward.
    const residual = o.kind === 'zenithAngle' ? -o.residual : o.residual;
    return (
        <Checked word={word} angle={angle} {...o}>
            {angle ? <SidedAngle of={residual} side={side} /> : <Sided of={residual} side={side} />}
        </Checked>
    );
}

interface Reliability {
    redundancy: number | null;
    normalised: number | null;
    detectable: number | null;
}

function Checked({
    word,
    angle,
    redundancy,
    detectable,
    normalised,
    children,
}: PropsWithChildren<Reliability & { word: string; angle?: boolean }>) {
    return (
        <tr>
            <td>{word}</td>
            <td className="n">{children}</td>
            <td className="n figure">{(redundancy ?? 0) < 1e-6 ? 'not checked' : `${Math.round(100 * (redundancy ?? 0))} %`}</td>
            <td className="n">
                {angle ? <SmallAngle of={detectable} none="none would" /> : <Deviation of={detectable} none="none would" />}
            </td>
            <td className="n figure">{normalised === null ? 'not checked' : normalised.toFixed(1)}</td>
        </tr>
    );
}
