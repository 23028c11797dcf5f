import type { Schemas } from '../../api/client';
import { Coordinates, Deviation, Direction, SmallAngle } from '../../parts/Figure';
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
            {s.cautions.map((c) => (
                <Notice key={c} kind="caution">
                    {c}
                </Notice>
            ))}
        </section>
    );
}
