import { Trash2 } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import type { Schemas, StakeoutPoint } from '../api/client';
import { DirectionInput } from '../givens/DirectionInput';
import type { Elevation } from '../givens/ElevationInput';
import type { GivenDirection, GivenPlace } from '../givens/given';
import { PlaceInput } from '../givens/PlaceInput';
import { TouchContext } from '../givens/touch';
import { Button } from '../parts/Button';
import { Choice, LengthField } from '../parts/Field';
import { Failure, Notice } from '../parts/Notice';
import { figures, useShow } from '../plan/shown';
import type { StageProps } from '../stage/stages';
import { formatDirection, formatLength } from '../units/format';
import { useUnits } from '../units/UnitsContext';
import type { Construction } from './draft';
import { Keep } from './Keep';
import type { KindSpec } from './kinds';
import { complete, Legs, NewLeg } from './SketchLegs';
import { keyOf, Solutions } from './Solutions';
import { useConstruction } from './useConstruction';

type Leg = Schemas['GivenLeg'];
type Closing = NonNullable<Construction['closing']>;

const SPEC: KindSpec = { kind: 'sketch', words: 'Sketch', group: 'Along lines' };

const STORE = 'sketch';

interface Kept {
    start: GivenPlace | null;
    legs: Leg[];
    closing: Closing;
    closingDirection: GivenDirection | null;
    offset: number;
}

const EMPTY: Kept = { start: null, legs: [], closing: 'open', closingDirection: null, offset: 0 };

/** A sketch that was not kept survives a reload. */
function remembered(project: number): Kept {
    try {
        return { ...EMPTY, ...JSON.parse(sessionStorage.getItem(`${STORE}-${project}`) ?? '{}') };
    } catch {
        return EMPTY;
    }
}

/** A point of a sketch whose sketch is being changed. */
interface SketchedPoint {
    point: StakeoutPoint;
    recipe: { construction: Construction; letter: string; index: number; elevation: Elevation | null };
}

function keptOf(c: Construction): Kept {
    return {
        start: c.places?.[0] ?? null,
        legs: c.legs ?? [],
        closing: c.closing ?? 'open',
        closingDirection: c.closingDirection ?? null,
        offset: c.offset ?? 0,
    };
}

/** A plan drawn from nothing: a start, then leg by leg; closed by a crossing, or with its misclosure told. */
export function Sketch(props: StageProps & { of?: SketchedPoint; onClose?: () => void }) {
    const { project, points, control, want, setWant, of: sketched, onClose = () => undefined } = props;
    const units = useUnits();
    const named = { points, control };
    const [sketch, setSketch] = useState<Kept>(() => (sketched ? keptOf(sketched.recipe.construction) : remembered(project.id)));
    const [leg, setLeg] = useState<Leg | null>(null);
    const [elevation, setElevation] = useState<Elevation>(sketched?.recipe.elevation ?? { rule: 'asMade', value: 0 });
    const [off, setOff] = useState<ReadonlySet<string>>(new Set());
    const [said, setSaid] = useState('');
    const set = (part: Partial<Kept>) => setSketch((now) => ({ ...now, ...part }));
    useEffect(() => {
        if (!sketched) {
            sessionStorage.setItem(`${STORE}-${project.id}`, JSON.stringify(sketch));
        }
    }, [sketch, project.id, sketched]);
    const legs = closedLegs(leg && complete(leg) ? [...sketch.legs, leg] : sketch.legs, sketch.closing);
    const construction: Construction | null = sketch.start && {
        kind: 'sketch',
        places: [sketch.start],
        legs,
        closing: sketch.closing,
        closingDirection: sketch.closingDirection,
        offset: sketch.offset,
    };
    const { made, error } = useConstruction(project.id, construction, elevation);
    const [own, setOwn] = useState(sketched ? keyOf(sketched.recipe.letter, sketched.recipe.index) : '');
    const listed = new Set(
        (made?.solutions[0]?.places ?? []).flatMap((p, i) => (p.standsAs === null && !off.has(keyOf('A', i)) ? [keyOf('A', i)] : [])),
    );
    const kept = sketched ? new Set([own]) : listed;
    const figure = useMemo(() => {
        if (!made) {
            return null;
        }
        const [only] = made.solutions;
        return {
            paths: (only?.drawn ?? []).map((d) => d.flat),
            places: [
                ...(only?.places ?? []).map((p) => ({ easting: p.easting, northing: p.northing, label: p.word })),
                ...(only?.drawn ?? []).slice(legs.length - 1, legs.length).map((d) => alongside(d, units)),
            ],
        };
    }, [made, legs.length, units]);
    useShow(figures, figure);
    useEffect(() => () => setWant(null), [setWant]);
    const add = () => {
        if (leg && complete(leg)) {
            set({ legs: [...sketch.legs, leg] });
            setLeg({ turn: leg.turn ?? 0, distance: null });
        }
    };
    return (
        <TouchContext value={{ want, setWant }}>
            <form
                className="grid gap-4 p-4"
                aria-label="Sketch"
                onSubmit={(e) => {
                    e.preventDefault();
                    add();
                }}
            >
                {sketched && (
                    <div className="flex items-center justify-between gap-2">
                        <h2 className="text-lg font-semibold">{sketched.point.name}: sketch</h2>
                        <Button onClick={onClose}>Cancel</Button>
                    </div>
                )}
                <PlaceInput label="Start" value={sketch.start} onValue={(start) => set({ start })} {...named} />
                {sketch.legs.length > 0 && <Legs legs={sketch.legs} made={made} onLegs={(next) => set({ legs: next })} />}
                {sketch.start && (
                    <NewLeg leg={leg} first={sketch.legs.length === 0} onLeg={setLeg} onAdd={add} project={project} {...named} />
                )}
                {sketch.legs.length > 0 && (
                    <>
                        <Choice
                            label="It ends"
                            value={sketch.closing}
                            options={[
                                ['open', 'where it ends'],
                                ['byIntersection', 'closed: the last leg meets a line to the start'],
                                ['reported', 'at its start: say what is missing'],
                                ['spread', 'at its start: spread what is missing over the legs'],
                            ]}
                            onValue={(closing) => set({ closing })}
                        />
                        {sketch.closing === 'byIntersection' && (
                            <DirectionInput
                                label="Closing line runs toward"
                                value={sketch.closingDirection}
                                onValue={(closingDirection) => set({ closingDirection })}
                                {...named}
                            />
                        )}
                        <LengthField
                            label="Offset of a parallel"
                            value={sketch.offset}
                            onValue={(offset) => set({ offset: offset ?? 0 })}
                            hint="right of the sketch; negative left; 0: the sketch itself"
                        />
                    </>
                )}
                <Failure of={error} />
                {said && <Notice>{said}</Notice>}
                {!sketch.start && <Notice>Touch or type where the sketch starts.</Notice>}
                {made && construction && sketch.legs.length > 0 && (
                    <>
                        <Solutions
                            made={made}
                            kept={kept}
                            onKept={(keys) =>
                                sketched
                                    ? setOwn(keys[0] ?? '')
                                    : setOff((now) => {
                                          const next = new Set(now);
                                          for (const k of keys) {
                                              next.has(k) ? next.delete(k) : next.add(k);
                                          }
                                          return next;
                                      })
                            }
                        />
                        <Keep
                            {...props}
                            spec={SPEC}
                            made={made}
                            construction={{ ...construction, legs: closedLegs(sketch.legs, sketch.closing) }}
                            elevation={elevation}
                            onElevation={setElevation}
                            kept={kept}
                            onKept={setSaid}
                            onClose={onClose}
                            point={sketched?.point}
                        />
                        {!sketched && (
                            <Button
                                className="justify-self-start"
                                onClick={() => {
                                    setSketch(EMPTY);
                                    setLeg(null);
                                }}
                                icon={<Trash2 />}
                            >
                                Begin anew
                            </Button>
                        )}
                    </>
                )}
            </form>
        </TouchContext>
    );
}

/** Closed by a crossing, the last leg is as long as the crossing makes it. */
const closedLegs = (legs: Leg[], closing: Closing) =>
    closing === 'byIntersection' ? legs.map((l, i) => (i === legs.length - 1 ? { ...l, distance: null, until: null } : l)) : legs;

/** Length and direction, at the middle of a leg. */
function alongside({ flat, length, azimuth }: Schemas['PathResource'], units: ReturnType<typeof useUnits>) {
    const n = flat.length;
    const [x1 = 0, y1 = 0, x2 = 0, y2 = 0] = [flat[0], flat[1], flat[n - 2], flat[n - 1]];
    return {
        easting: (x1 + x2) / 2,
        northing: (y1 + y2) / 2,
        label: `${formatLength(length, units.length)}, ${formatDirection(azimuth, units)}`,
        bare: true,
    };
}
