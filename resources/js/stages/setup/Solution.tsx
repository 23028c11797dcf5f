import type { Schemas } from '../../api/client';
import { Coordinates, Deviation, Direction, Length, SmallAngle } from '../../parts/Figure';
import { Notice } from '../../parts/Notice';

/** What would be accepted, with everything that speaks for and against it. */
export function Solution({ solution: s, method }: { solution: Schemas['SolutionResource']; method: string }) {
    const free = method === 'resection';
    return (
        <section className="grid scroll-mb-28 gap-2 border-ink border-t-2 pt-2" aria-label="What would be accepted">
            <h2 className="font-semibold">What would be accepted</h2>
            <Coordinates {...s} />
            <p>
                Circle zero at <Direction of={s.orientation} />
                {s.orientationDeviation !== null && (
                    <>
                        {' '}
                        ± <SmallAngle of={s.orientationDeviation} />
                    </>
                )}
            </p>
            {free && (
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
            {free && <Quality solution={s} />}
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
                        {s.residuals.map((r) => (
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
            {free && <InDetail residuals={s.residuals} />}
            {s.cautions.map((c) => (
                <Notice key={c} kind="caution">
                    {c}
                </Notice>
            ))}
        </section>
    );
}

/** How far the place may be wrong, in plain words, and whether the residuals are as they should be. */
function Quality({ solution: s }: { solution: Schemas['SolutionResource'] }) {
    return (
        <>
            {s.ellipseMajor !== null && s.ellipseMinor !== null && s.ellipseAzimuth !== null && (
                <p>
                    In 95 of 100 cases the true place lies within <Deviation of={s.ellipseMajor} />: an ellipse of{' '}
                    <Deviation of={s.ellipseMajor} /> by <Deviation of={s.ellipseMinor} />, the longer axis toward{' '}
                    <Direction of={s.ellipseAzimuth} /> (2.4477 times the deviations expected beforehand).
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

/** What each sight is worth. */
function InDetail({ residuals }: { residuals: Schemas['ResidualResource'][] }) {
    return (
        <details>
            <summary className="min-h-12 cursor-pointer content-center">What each sight is worth</summary>
            <table className="list">
                <thead>
                    <tr>
                        <th>sight</th>
                        <th className="n">checked by the others</th>
                        <th className="n">error that would show</th>
                        <th className="n">residual over its deviation</th>
                        <th className="n">station moves without it</th>
                    </tr>
                </thead>
                <tbody>
                    {residuals
                        .filter((r) => r.used)
                        .map((r) => (
                            <tr key={r.name}>
                                <td>{r.name}</td>
                                <td className="n figure">{r.checked === null ? 'not checked' : `${Math.round(100 * r.checked)} %`}</td>
                                <td className="n">
                                    <Deviation of={r.detectable} none="none would" />
                                </td>
                                <td className="n figure">{r.normalised === null ? 'not checked' : r.normalised.toFixed(1)}</td>
                                <td className="n">
                                    <Deviation of={r.moves} none="it can’t do without" />
                                </td>
                            </tr>
                        ))}
                </tbody>
            </table>
        </details>
    );
}
