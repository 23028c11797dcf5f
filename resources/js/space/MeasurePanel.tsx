import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { api, ask, type Schemas } from '../api/client';
import { Button } from '../parts/Button';
import { Length } from '../parts/Figure';
import { Failure } from '../parts/Notice';
import { formatAngle, formatLength } from '../units/format';
import { useUnits } from '../units/UnitsContext';
import type { Thing } from './bodies';
import type { ExampleShown } from './ExampleForm';
import type { Place, SpaceSpot } from './SpaceDots';
import { useThing } from './ThingPanel';

interface Props {
    project: number;
    design: number;
    /** what was touched last, and where */
    thing: Thing | null;
    place: Place | null;
    touchedSpot: { spot: number; time: number } | null;
    onShown: (shown: ExampleShown) => void;
}

type Pick = { pick: Schemas['SpacePick']; words: string };

/** Between faces, edges' ends, corners and axes: each touch gives what was touched; a button takes it as one end or the other. */
export function MeasurePanel({ project, design, thing, place, touchedSpot, onShown }: Props) {
    const units = useUnits();
    const [picks, setPicks] = useState<Pick[]>([]);
    const entry = useThing(project, design, thing?.instance ?? 0, place ?? [0, 0, 0], thing !== null).data;
    const spot = touchedSpot === null ? null : (entry?.spots[touchedSpot.spot] ?? null);
    const part = entry && { designId: design, guid: entry.guid, number: entry.number, topology: entry.topology };
    const add = (pick: Schemas['SpacePick'], words: string) => setPicks((now) => [...now.slice(-1), { pick, words }]);
    const spots = (entry?.spots ?? []).map((o): SpaceSpot => ({ place: [o.easting, o.northing, o.elevation], chosen: o === spot }));
    const key = JSON.stringify([entry?.number, place, touchedSpot]);
    // biome-ignore lint/correctness/useExhaustiveDependencies: the key says all of what is shown
    useEffect(() => onShown({ spots, things: [], found: [] }), [key]);
    // biome-ignore lint/correctness/useExhaustiveDependencies: a touch counts once
    useEffect(() => {
        if (spot && entry) {
            add(
                { place: { element: { designId: design, guid: entry.guid, number: entry.number, spot: spot.spot } } },
                `${spot.what}${spot.level && `, ${spot.level}`} of ${entry.name || entry.class}`,
            );
        }
    }, [touchedSpot]);
    const [first, second] = picks;
    const measured = useQuery({
        queryKey: ['space-measure', project, first?.pick, second?.pick],
        queryFn: () =>
            ask(
                api.POST('/api/v1/projects/{project}/space-measure', {
                    params: { path: { project } },
                    body: { first: first?.pick ?? {}, second: second?.pick ?? {} },
                }),
            ),
        enabled: first !== undefined && second !== undefined,
        retry: false,
    });
    const m = second ? measured.data : undefined;
    return (
        <section aria-label="Measure" className="grid content-start gap-3">
            <h3 className="text-lg font-semibold">Measure between two</h3>
            {entry && part ? (
                <div className="grid gap-2">
                    <p className="text-sm text-quiet">{entry.name || entry.class}, touched: a ring takes a spot, or</p>
                    {entry.face && (
                        <Button
                            onClick={() =>
                                add(
                                    { part: { ...part, face: entry.face?.face ?? null } },
                                    `face that looks ${entry.face?.looks} of ${entry.name}`,
                                )
                            }
                        >
                            The face that looks {entry.face.looks}
                        </Button>
                    )}
                    {entry.axis && (
                        <Button onClick={() => add({ part: { ...part, axis: entry.axis } }, `axis in ${entry.name}`)}>
                            The axis of this {entry.axis.hollow ? 'hole' : 'round'}
                        </Button>
                    )}
                    <Button onClick={() => add({ part }, `axis of ${entry.name}`)}>Its own axis</Button>
                </div>
            ) : (
                <p role="status">Touch a thing.</p>
            )}
            <ol className="list-decimal pl-6">
                {picks.map((p, i) => (
                    // biome-ignore lint/suspicious/noArrayIndexKey: the same may be taken twice
                    <li key={i} className="[overflow-wrap:anywhere]">
                        {p.words}
                    </li>
                ))}
            </ol>
            <Failure of={second ? measured.error : null} />
            {m && (
                <div role="status" className="border-l-4 border-chalk pl-3">
                    {m.distance !== null && (
                        <p className="text-2xl">
                            <Length of={m.distance} />
                        </p>
                    )}
                    {m.angle !== null && (
                        <p className={m.distance === null ? 'text-2xl' : ''}>
                            <span className="figure">{formatAngle(m.angle, units.angle)}</span>
                            {m.distance === null ? ' between them: they are not parallel' : ' between their directions'}
                        </p>
                    )}
                    {m.east !== null && m.north !== null && m.up !== null && (
                        <p>
                            <span className="figure">{formatLength(Math.hypot(m.east, m.north), units.length)}</span> in plan:{' '}
                            <span className="figure">{formatLength(Math.abs(m.north), units.length)}</span>{' '}
                            {m.north < 0 ? 'south' : 'north'},{' '}
                            <span className="figure">{formatLength(Math.abs(m.east), units.length)}</span> {m.east < 0 ? 'west' : 'east'};{' '}
                            <span className="figure">{formatLength(Math.abs(m.up), units.length)}</span> {m.up < 0 ? 'down' : 'up'}
                        </p>
                    )}
                </div>
            )}
            {picks.length > 0 && <Button onClick={() => setPicks([])}>Begin anew</Button>}
        </section>
    );
}
