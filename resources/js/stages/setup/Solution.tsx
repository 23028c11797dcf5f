import type { Schemas } from '../../api/client';
import { Coordinates, Deviation, Direction, Length, SmallAngle } from '../../parts/Figure';
import { Notice } from '../../parts/Notice';

type Found = Schemas['SolutionResource'];
type Residual = Schemas['ResidualResource'];

/** What would be accepted, with everything that speaks for and against it. */
export function Solution({ solution: s, weakness, times }: { solution: Found; weakness: string | null; times: number | null }) {
    return (
        <section className="grid scroll-mb-28 gap-2 border-ink border-t-2 pt-2" aria-label="What would be accepted">
            <h2 className="font-semibold">What would be accepted</h2>
            <Coordinates {...s} />
            <p>
                {s.oriented ? (
                    <>
                        Circle zero at <Direction of={s.orientation} />
                        {s.orientationDeviation !== null && (
                            <>
                                {' '}
                                ± <SmallAngle of={s.orientationDeviation} />
                            </>
                        )}
                    </>
                ) : (
                    'No orientation yet'
                )}
            </p>
            {s.placeFound && (
                <p>
                    Standard deviation: northing <Deviation of={s.northingDeviation} />, easting <Deviation of={s.eastingDeviation} />,
                    height <Deviation of={s.heightDeviation} none="none" />
                    {s.fit !== null && (
                        <>
                            ; residuals are <span className="figure">{s.fit.toFixed(1)}</span> times what the instrument’s accuracy
                            explains, from {s.redundancy} spare {s.redundancy === 1 ? 'observation' : 'observations'}
                        </>
                    )}
                    .
                </p>
            )}
            <Quality solution={s} />
            {weakness && <Notice kind="caution">{weakness}</Notice>}
            {s.residuals.length > 0 && <Residuals residuals={s.residuals} />}
            {times !== null && times > 1 && (
                <p className="text-quiet text-sm">
                    On the plan, residuals{s.placeFound && ' and the ellipse'} are drawn{' '}
                    <span className="figure">{times.toLocaleString('en')}</span> times as large as they are.
                </p>
            )}
            {s.residuals.some((r) => r.used) && (
                <InDetail
                    residuals={s.residuals}
                    correlation={s.correlation}
                    scale={s.scalePpm !== null && s.scaleDeviation !== null ? [s.scalePpm, s.scaleDeviation] : null}
                />
            )}
            {s.cautions.map((c) => (
                <Notice key={c} kind="caution">
                    {c}
                </Notice>
            ))}
        </section>
    );
}

function Residuals({ residuals }: { residuals: Residual[] }) {
    return (
        <div className="overflow-x-auto">
            <table className="list">
                <thead>
                    <tr>
                        <th>sight</th>
                        <th className="n">direction</th>
                        <th className="n">across</th>
                        <th className="n">distance</th>
                        <th className="n">height</th>
                    </tr>
                </thead>
                <tbody>
                    {residuals.map((r) => (
                        <tr key={r.name} className={r.used ? '' : 'text-quiet'}>
                            <td>
                                {r.name}
                                {!r.used && ' (not used)'}
                            </td>
                            <td className="n">
                                <SmallAngle of={r.direction} />
                            </td>
                            <td className="n">
                                <Deviation of={r.across} />
                            </td>
                            <td className="n">
                                <Deviation of={r.distance} />
                            </td>
                            <td className="n">
                                <Deviation of={r.height} />
                            </td>
                        </tr>
                    ))}
                </tbody>
            </table>
        </div>
    );
}

/** How far the place may be wrong, in plain words, and whether the residuals are as they should be. */
function Quality({ solution: s }: { solution: Found }) {
    return (
        <>
            {s.placeFound && (
                <p>
                    In 95 of 100 cases the true place lies within <Deviation of={s.ellipseMajor} />: an ellipse of{' '}
                    <Deviation of={s.ellipseMajor} /> by <Deviation of={s.ellipseMinor} />, the longer axis toward{' '}
                    <Direction of={s.ellipseAzimuth} /> (2.4477 times the deviations expected beforehand)
                    {s.afterwards !== null && (
                        <>
                            ; from these residuals alone it would be <Deviation of={s.afterwards * s.ellipseMajor} /> by{' '}
                            <Deviation of={s.afterwards * s.ellipseMinor} /> (√(2 F) times the deviations found afterwards)
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
                    : s.passes
                      ? 'The residuals are such as the instrument’s accuracy lets expect.'
                      : 'The residuals are larger than the instrument’s accuracy lets expect: fewer than 2 of 100 good setups have such.'}
            </p>
        </>
    );
}

const KINDS: Record<string, string> = {
    direction: 'direction',
    slopeDistance: 'slope distance',
    zenithAngle: 'zenith angle',
    planDistance: 'plan distance',
    rise: 'rise',
};

const isAngle = (kind: string) => kind === 'direction' || kind === 'zenithAngle';

/** What each sight is worth, observation by observation. */
function InDetail({ residuals, correlation, scale }: { residuals: Residual[]; correlation: number; scale: [number, number] | null }) {
    const used = residuals.filter((r) => r.used);
    return (
        <details>
            <summary className="min-h-12 cursor-pointer content-center">What each sight is worth</summary>
            <p className="text-sm">
                Northing and easting are correlated by <span className="figure">{correlation.toFixed(2)}</span>.
                {scale && (
                    <>
                        {' '}
                        With a free scale the distances would come out <span className="figure">{Math.abs(scale[0]).toFixed(0)} ppm</span>{' '}
                        too {scale[0] > 0 ? 'long' : 'short'}, ± <span className="figure">{scale[1].toFixed(0)} ppm</span>.
                    </>
                )}
            </p>
            <div className="overflow-x-auto">
                <table className="list">
                    <thead>
                        <tr>
                            <th>sight</th>
                            <th className="n">residual</th>
                            <th className="n">checked by the others</th>
                            <th className="n">error that would show</th>
                            <th className="n">residual over its deviation</th>
                        </tr>
                    </thead>
                    {used.map((r) => (
                        <tbody key={r.name}>
                            <tr>
                                <td colSpan={5} className="font-semibold">
                                    {r.name}
                                    <span className="font-normal text-quiet">
                                        {r.moves === null ? ': the place can’t do without it' : ': without it the station moves by '}
                                        {r.moves !== null && <Deviation of={r.moves} />}
                                    </span>
                                </td>
                            </tr>
                            {r.observed.map((o) => (
                                <tr key={o.kind}>
                                    <td>{KINDS[o.kind]}</td>
                                    <td className="n">
                                        {isAngle(o.kind) ? <SmallAngle of={o.residual} /> : <Deviation of={o.residual} />}
                                    </td>
                                    <td className="n figure">
                                        {o.redundancy < 1e-6 ? 'not checked' : `${Math.round(100 * o.redundancy)} %`}
                                    </td>
                                    <td className="n">
                                        {isAngle(o.kind) ? (
                                            <SmallAngle of={o.detectable} none="none would" />
                                        ) : (
                                            <Deviation of={o.detectable} none="none would" />
                                        )}
                                    </td>
                                    <td className="n figure">{o.normalised === null ? 'not checked' : o.normalised.toFixed(1)}</td>
                                </tr>
                            ))}
                        </tbody>
                    ))}
                </table>
            </div>
        </details>
    );
}
