import { CornerUpLeft, CornerUpRight, Trash2 } from 'lucide-react';
import { useState } from 'react';
import type { Schemas } from '../api/client';
import { useGridLines } from '../api/hooks';
import { DirectionInput } from '../givens/DirectionInput';
import { LineInput } from '../givens/LineInput';
import { Button } from '../parts/Button';
import { AngleField, Choice, LengthField, NumberField } from '../parts/Field';
import { Direction, Length } from '../parts/Figure';
import type { StageProps } from '../stage/stages';
import type { Made } from './Solutions';

type Leg = Schemas['GivenLeg'];

const TURNS: [number, string][] = [
    [-90, '90° left'],
    [-45, '45° left'],
    [0, 'Straight on'],
    [45, '45° right'],
    [90, '90° right'],
];

export const complete = (leg: Leg) =>
    (leg.radius ?? 0) > 0 ? (leg.angle ?? 0) > 0 : leg.distance?.metres != null || leg.distance?.from != null || leg.until != null;

/** The legs drawn so far, each with its length and direction. */
export function Legs({ legs, made, onLegs }: { legs: Leg[]; made: Made | null; onLegs: (legs: Leg[]) => void }) {
    const drawn = made?.solutions[0]?.drawn ?? [];
    const change = (i: number, part: Partial<Leg>) => onLegs(legs.map((l, k) => (k === i ? { ...l, ...part } : l)));
    return (
        <ol className="border-t border-rule">
            {legs.map((l, i) => {
                const path = drawn[i];
                return (
                    // biome-ignore lint/suspicious/noArrayIndexKey: legs have no name but their number
                    <li key={i} className="grid grid-cols-[2rem_1fr_auto] items-center gap-2 border-b border-rule py-1">
                        <span className="figure text-sm text-quiet">{i + 1}</span>
                        <div>
                            {(l.radius ?? 0) > 0 ? (
                                <span>
                                    arc, radius <Length of={l.radius} />, {l.toTheRight === false ? 'left' : 'right'}
                                </span>
                            ) : l.until != null ? (
                                <span>
                                    until a line: <Length of={path?.length} />
                                </span>
                            ) : (
                                <LengthField
                                    label={`Leg ${i + 1}`}
                                    value={l.distance?.metres ?? path?.length ?? 0}
                                    onValue={(metres) => metres !== null && change(i, { distance: { metres } })}
                                />
                            )}
                            <span className="text-sm text-quiet">
                                toward <Direction of={path?.azimuth} />
                            </span>
                        </div>
                        <Button
                            kind="bare"
                            aria-label={`Delete leg ${i + 1}`}
                            onClick={() => onLegs(legs.filter((_, k) => k !== i))}
                            icon={<Trash2 />}
                        />
                    </li>
                );
            })}
        </ol>
    );
}

interface NewLegProps {
    leg: Leg | null;
    first: boolean;
    onLeg: (leg: Leg) => void;
    onAdd: () => void;
    project: StageProps['project'];
    points: StageProps['points'];
    control: StageProps['control'];
}

/** The leg being drawn: turned by one touch or key, or typed; Enter adds it. */
export function NewLeg({ leg, first, onLeg, onAdd, project, ...named }: NewLegProps) {
    const [way, setWay] = useState<'length' | 'until' | 'arc'>('length');
    const [typed, setTyped] = useState(first);
    const gridLines = useGridLines(project.id).data ?? [];
    const now: Leg = leg ?? { turn: 0 };
    const give = (part: Partial<Leg>) => onLeg({ ...now, ...part });
    const turn = (degrees: number) => {
        setTyped(false);
        give({ direction: null, turn: (degrees * Math.PI) / 180 });
    };
    return (
        <fieldset
            className="grid gap-2 border-2 border-chalk p-3"
            onKeyDown={(e) => {
                const sideways = e.key === 'ArrowLeft' ? -1 : e.key === 'ArrowRight' ? 1 : 0;
                if (e.altKey && sideways !== 0) {
                    e.preventDefault();
                    turn(sideways * (e.shiftKey ? 45 : 90));
                }
            }}
        >
            <legend className="px-1 text-sm text-quiet">Next leg</legend>
            {!first && (
                <div className="flex flex-wrap gap-1">
                    {TURNS.map(([degrees, words]) => (
                        <Button
                            key={degrees}
                            className="px-3"
                            pressed={!typed && !now.direction && Math.abs((now.turn ?? 0) - (degrees * Math.PI) / 180) < 1e-9}
                            onClick={() => turn(degrees)}
                            icon={degrees < 0 ? <CornerUpLeft /> : degrees > 0 ? <CornerUpRight /> : undefined}
                        >
                            {words}
                        </Button>
                    ))}
                    <Button className="px-3" pressed={typed} onClick={() => setTyped(true)}>
                        Another direction
                    </Button>
                </div>
            )}
            {(typed || first) && (
                <DirectionInput label="Direction" value={now.direction ?? null} onValue={(direction) => give({ direction })} {...named} />
            )}
            <Choice
                label="It is"
                value={way}
                options={[
                    ['length', 'straight, of a length'],
                    ['until', 'straight, until it meets a line'],
                    ['arc', 'an arc'],
                ]}
                onValue={(next) => {
                    setWay(next);
                    give({ distance: null, until: null, radius: 0, angle: 0 });
                }}
            />
            {way === 'length' && (
                <LengthField
                    label="Length"
                    value={now.distance?.metres ?? null}
                    onValue={(metres) => give({ distance: metres === null ? null : { metres } })}
                    optional
                    hint="Alt and an arrow turn by 90°, with Shift by 45°"
                />
            )}
            {way === 'until' && (
                <LineInput label="Until" value={now.until ?? null} onValue={(until) => give({ until })} gridLines={gridLines} {...named} />
            )}
            {way === 'arc' && (
                <div className="grid grid-cols-2 gap-2">
                    <LengthField label="Radius" value={now.radius ?? 0} onValue={(radius) => give({ radius: radius ?? 0 })} />
                    <AngleField label="Angle" value={now.angle ?? 0} onValue={(angle) => give({ angle: angle ?? 0 })} />
                    <Choice
                        label="Bends"
                        value={now.toTheRight === false ? 'left' : 'right'}
                        options={[
                            ['right', 'to the right'],
                            ['left', 'to the left'],
                        ]}
                        onValue={(v) => give({ toTheRight: v === 'right' })}
                    />
                    <NumberField
                        label="Points on it"
                        unit="pieces"
                        value={now.points ?? 0}
                        onValue={(n) => give({ points: Math.round(n) })}
                    />
                </div>
            )}
            <LengthField
                label="Rises by"
                value={now.rise ?? 0}
                onValue={(rise) => give({ rise: rise ?? 0 })}
                hint="where the start has an elevation"
            />
            <Button className="min-h-14 justify-self-end" disabled={!complete(now)} onClick={onAdd}>
                Add this leg
            </Button>
        </fieldset>
    );
}
