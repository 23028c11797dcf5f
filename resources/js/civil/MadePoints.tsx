import { useMemo } from 'react';
import type { Schemas } from '../api/client';
import { Length } from '../parts/Figure';
import { Scroll } from '../parts/Scroll';
import { figures, useShow } from '../plan/shown';
import { Offset } from './Offset';

type Made = Schemas['AlignmentPoint'];

/** Points as they would be made, in a list and drawn on the plan, before they are kept. */
export function MadePoints({ points }: { points: readonly Made[] }) {
    const figure = useMemo(
        () => ({
            paths: [],
            places: points
                .slice(0, 400)
                .flatMap((p) =>
                    p.northing === null || p.easting === null ? [] : [{ northing: p.northing, easting: p.easting, label: p.name }],
                ),
        }),
        [points],
    );
    useShow(figures, points.length > 0 ? figure : null);
    const faults = points.filter((p) => p.fault !== null);
    const taken = points.filter((p) => p.taken);
    return (
        <>
            {faults.length > 0 && (
                <ul className="text-sm text-out">
                    {faults.slice(0, 8).map((p) => (
                        <li key={`${p.name} ${p.fault}`}>{p.fault}</li>
                    ))}
                    {faults.length > 8 && <li>And {faults.length - 8} more.</li>}
                </ul>
            )}
            {taken.length > 0 && (
                <p className="text-sm text-open">
                    {taken.length === 1 ? `A point is called ${taken[0]?.name} already` : `${taken.length} of these names stand already`}:
                    each is kept beside the one that is there.
                </p>
            )}
            <Scroll label="Points that would be made, in rows" className="max-h-64">
                <table className="list" aria-label="Points that would be made">
                    <thead>
                        <tr>
                            <th>name</th>
                            <th className="n">station</th>
                            <th className="n">beside it</th>
                            <th className="n">elevation</th>
                        </tr>
                    </thead>
                    <tbody>
                        {points
                            .filter((p) => p.fault === null)
                            .slice(0, 300)
                            .map((p) => (
                                <tr key={`${p.name} ${p.along} ${p.offset}`}>
                                    <td>{p.name}</td>
                                    <td className="n">{p.station}</td>
                                    <td className="n">{p.offset === 0 ? 'on it' : <Offset of={p.offset} />}</td>
                                    <td className="n">{p.elevation === null ? 'none' : <Length of={p.elevation} />}</td>
                                </tr>
                            ))}
                    </tbody>
                </table>
            </Scroll>
            <p className="text-sm text-quiet">
                {points.length - faults.length} points{points.length > 300 && ', the first 300 listed'}
            </p>
        </>
    );
}
