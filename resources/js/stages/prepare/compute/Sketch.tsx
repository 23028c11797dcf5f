import { useQuery } from '@tanstack/react-query';
import { CornerUpLeft, CornerUpRight, Trash2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import { api, ask, type Schemas, type StakeoutPoint } from '../../../api/client';
import { useGridLines } from '../../../api/hooks';
import type { StageProps } from '../../../frame/stages';
import { Button } from '../../../parts/Button';
import { AngleField, Choice, LengthField, NumberField } from '../../../parts/Field';
import { Direction, Length } from '../../../parts/Figure';
import { Failure, Notice } from '../../../parts/Notice';
import { formatDirection, formatLength } from '../../../units/format';
import { useUnits } from '../../../units/UnitsContext';
import { Keep } from './Compute';
import { DirectionInput } from './DirectionInput';
import type { Construction, GivenDirection, GivenPlace } from './draft';
import { type Elevation, ElevationInput } from './ElevationInput';
import type { KindSpec } from './kinds';
import { LineInput } from './LineInput';
import { PlaceInput } from './PlaceInput';
import { keyOf, type Made, Solutions } from './Solutions';
import { TouchContext } from './touch';

type Leg = Schemas['SketchLegBody'];
type Closing = NonNullable<Construction['closing']>;

const SPEC: KindSpec = { kind: 'sketch', words: 'Sketch', group: 'Along lines' };

const TURNS: [number, string][] = [
    [-90, '90° left'],
    [-45, '45° left'],
    [0, 'Straight on'],
    [45, '45° right'],
    [90, '90° right'],
];

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
    const { project, points, control, want, setWant, setFigure, of: sketched, onClose = () => undefined } = props;
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
    const preview = useQuery({
        queryKey: [project.id, 'construction', construction, elevation],
        queryFn: () =>
            ask(
                api.POST('/api/v1/projects/{project}/constructions-preview', {
                    params: { path: { project: project.id } },
                    body: { construction: construction as Construction, elevation },
                }),
            ),
        enabled: construction !== null,
        retry: false,
        placeholderData: (before) => before,
    });
    const made = construction && !preview.error ? (preview.data ?? null) : null;
    const [own, setOwn] = useState(sketched ? keyOf(sketched.recipe.letter, sketched.recipe.index) : '');
    const listed = new Set(
        (made?.solutions[0]?.places ?? []).flatMap((p, i) => (p.standsAs === null && !off.has(keyOf('A', i)) ? [keyOf('A', i)] : [])),
    );
    const kept = sketched ? new Set([own]) : listed;
    useEffect(() => {
        if (!made) {
            setFigure(null);
            return;
        }
        const [only] = made.solutions;
        setFigure({
            paths: (only?.drawn ?? []).map((d) => d.flat),
            places: [
                ...(only?.places ?? []).map((p) => ({ easting: p.easting, northing: p.northing, label: p.word })),
                ...(only?.drawn ?? []).slice(legs.length - 1, legs.length).map((d) => alongside(d.flat, units)),
            ],
        });
    }, [made, legs.length, setFigure, units]);
    useEffect(
        () => () => {
            setFigure(null);
            setWant(null);
        },
        [setFigure, setWant],
    );
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
                        <Button onClick={onClose}>Leave it</Button>
                    </div>
                )}
                <PlaceInput label="Start" value={sketch.start} onValue={(start) => set({ start })} {...named} />
                {sketch.legs.length > 0 && <Legs sketch={sketch} made={made} onLegs={(next) => set({ legs: next })} />}
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
                            label="Points of a parallel, so far to the right"
                            value={sketch.offset}
                            onValue={(offset) => set({ offset: offset ?? 0 })}
                            hint="0: of the sketch itself; negative: to the left"
                        />
                    </>
                )}
                <Failure of={construction ? preview.error : null} />
                {said && <Notice>{said}</Notice>}
                {!sketch.start && <Notice>Touch or type where the sketch starts.</Notice>}
                {made && construction && sketch.legs.length > 0 && (
                    <>
                        <ElevationInput value={elevation} onValue={setElevation} {...named} />
                        <Solutions
                            made={made}
                            kept={kept}
                            choosable
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

const complete = (leg: Leg) =>
    (leg.radius ?? 0) > 0 ? (leg.angle ?? 0) > 0 : leg.distance?.metres != null || leg.distance?.from != null || leg.until != null;

/** Closed by a crossing, the last leg is as long as the crossing makes it. */
const closedLegs = (legs: Leg[], closing: Closing) =>
    closing === 'byIntersection' ? legs.map((l, i) => (i === legs.length - 1 ? { ...l, distance: null, until: null } : l)) : legs;

/** Length and direction, at the middle of a leg. */
function alongside(flat: number[], units: ReturnType<typeof useUnits>) {
    const n = flat.length;
    const [x1 = 0, y1 = 0, x2 = 0, y2 = 0] = [flat[0], flat[1], flat[n - 2], flat[n - 1]];
    const direction = (Math.atan2(x2 - x1, y2 - y1) + 2 * Math.PI) % (2 * Math.PI);
    return {
        easting: (x1 + x2) / 2,
        northing: (y1 + y2) / 2,
        label: `${formatLength(Math.hypot(x2 - x1, y2 - y1), units.length)}, ${formatDirection(direction, units)}`,
        bare: true,
    };
}

function Legs({ sketch, made, onLegs }: { sketch: Kept; made: Made | null; onLegs: (legs: Leg[]) => void }) {
    const drawn = made?.solutions[0]?.drawn ?? [];
    const change = (i: number, part: Partial<Leg>) => onLegs(sketch.legs.map((l, k) => (k === i ? { ...l, ...part } : l)));
    return (
        <ol className="border-t border-rule">
            {sketch.legs.map((l, i) => {
                const flat = drawn[i]?.flat ?? [];
                const n = flat.length;
                const [dx, dy] = [(flat[n - 2] ?? 0) - (flat[0] ?? 0), (flat[n - 1] ?? 0) - (flat[1] ?? 0)];
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
                                    until a line: <Length of={Math.hypot(dx, dy)} />
                                </span>
                            ) : (
                                <LengthField
                                    label={`Leg ${i + 1}`}
                                    value={l.distance?.metres ?? Math.hypot(dx, dy)}
                                    onValue={(metres) => metres !== null && change(i, { distance: { metres } })}
                                />
                            )}
                            <span className="text-sm text-quiet">
                                toward <Direction of={(Math.atan2(dx, dy) + 2 * Math.PI) % (2 * Math.PI)} />
                            </span>
                        </div>
                        <Button
                            kind="bare"
                            aria-label={`Delete leg ${i + 1}`}
                            onClick={() => onLegs(sketch.legs.filter((_, k) => k !== i))}
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
function NewLeg({ leg, first, onLeg, onAdd, project, ...named }: NewLegProps) {
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
