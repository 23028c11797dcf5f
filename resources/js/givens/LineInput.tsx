import { useId, useRef, useState } from 'react';
import type { Schemas } from '../api/client';
import { Button } from '../parts/Button';
import { CheckBox } from '../parts/CheckBox';
import { Choice, LengthField } from '../parts/Field';
import type { PieceKind, PlanPlace } from '../plan/contract';
import { pieces, useShow } from '../plan/shown';
import { DirectionInput } from './DirectionInput';
import type { GivenLine, GivenPlace, GivenPolyline, Named } from './given';
import { PlaceInput } from './PlaceInput';
import { useTouch } from './touch';

const NONE: Schemas['ShapeRef'][] = [];

type GridLine = Schemas['GridLineResource'];

type Way = 'shape' | 'grid' | 'places' | 'direction';

interface LineProps extends Named {
    label: string;
    value: GivenLine | null;
    onValue: (value: GivenLine | null) => void;
    gridLines: GridLine[];
}

/** A straight line: of a drawing, of the grid, through two places, or from a place in a direction; each with an offset. */
export function LineInput({ label, value, onValue, gridLines, ...named }: LineProps) {
    const [way, setWay] = useState<Way>(
        value?.gridLineId != null ? 'grid' : value?.to ? 'places' : value?.direction ? 'direction' : value?.from ? 'places' : 'shape',
    );
    const [part, setPart] = useState<GivenLine>(value ?? {});
    const give = (change: GivenLine, of: Way = way) => {
        const next = { ...part, ...change };
        setPart(next);
        const whole =
            of === 'shape'
                ? next.shape != null
                : of === 'grid'
                  ? next.gridLineId != null
                  : of === 'places'
                    ? next.from && next.to
                    : next.from && next.direction;
        onValue(whole ? next : null);
    };
    const straight = gridLines.filter((g) => !g.ring);
    const ways: [Way, string][] = [
        ['shape', 'a line of the drawing'],
        ['places', 'through two places'],
        ['direction', 'from a place in a direction'],
    ];
    if (straight.length > 0) {
        ways.splice(1, 0, ['grid', 'a grid line']);
    }
    const toward = straight.filter((g) => g.id !== part.gridLineId);
    return (
        <fieldset className="grid gap-2 border-l-2 border-rule pl-3">
            <Choice
                label={label}
                value={way}
                options={ways}
                onValue={(next) => {
                    setWay(next);
                    setPart({ offset: part.offset });
                    onValue(null);
                }}
            />
            {way === 'shape' && (
                <PieceInput label={`${label}: touch it`} taken={part.shape ? [part.shape] : NONE} onTake={(shape) => give({ shape })} />
            )}
            {way === 'grid' && (
                <Choice
                    label="Grid line"
                    value={String(part.gridLineId ?? '')}
                    options={[['', 'choose'], ...straight.map((g) => [String(g.id), g.name] as const)]}
                    onValue={(id) => give({ gridLineId: id === '' ? null : Number(id) })}
                />
            )}
            {(way === 'places' || way === 'direction') && (
                <PlaceInput label="From" value={part.from ?? null} onValue={(from) => give({ from })} {...named} />
            )}
            {way === 'places' && <PlaceInput label="To" value={part.to ?? null} onValue={(to) => give({ to })} {...named} />}
            {way === 'direction' && (
                <DirectionInput label="Direction" value={part.direction ?? null} onValue={(direction) => give({ direction })} {...named} />
            )}
            <LengthField
                label={way === 'grid' && part.towardId != null ? 'Offset' : 'Offset to the right'}
                value={part.offset ?? 0}
                onValue={(offset) => give({ offset: offset ?? 0 })}
            />
            {way === 'grid' && part.gridLineId != null && (
                <Choice
                    label="Offset is toward"
                    value={String(part.towardId ?? '')}
                    options={[['', 'the right, along the line'], ...toward.map((g) => [String(g.id), `grid line ${g.name}`] as const)]}
                    onValue={(id) => give({ towardId: id === '' ? null : Number(id) })}
                />
            )}
        </fieldset>
    );
}

/** A line or arc of the drawing: the button waits for the touch. */
export function PieceInput({
    label,
    taken,
    several = false,
    only,
    onTake,
}: {
    label: string;
    /** drawn on the plan as long as they are taken */
    taken: readonly Schemas['ShapeRef'][];
    /** waits for more after the first */
    several?: boolean;
    /** looks past all of another kind */
    only?: PieceKind;
    onTake: (piece: Schemas['ShapeRef'], words: string, place: PlanPlace) => void;
}) {
    const { want, setWant } = useTouch();
    const own = useId();
    const active = want?.id === own;
    const latest = useRef(onTake);
    latest.current = onTake;
    useShow(pieces, taken.length > 0 ? taken : null);
    return (
        <Button
            pressed={active}
            onClick={() =>
                setWant(
                    active
                        ? null
                        : {
                              id: own,
                              picking: 'piece',
                              only,
                              onTake: ({ piece, place }) => {
                                  if (piece) {
                                      latest.current(
                                          { layerId: piece.layerId, shape: piece.shape },
                                          `${piece.kind} on ${piece.layer}`,
                                          place,
                                      );
                                      several || setWant(null);
                                  }
                              },
                          },
                )
            }
        >
            {active ? 'Touch it on the plan…' : taken.length > 0 ? `${label} again` : label}
        </Button>
    );
}

interface ChainProps extends Named {
    value: GivenPolyline | null;
    onValue: (value: GivenPolyline | null) => void;
    /** whether it begins at the end that was touched */
    begins?: boolean;
}

/** Lines and arcs of a drawing touched one after another, or places joined by straight pieces. */
export function ChainInput({ value, onValue, begins, ...named }: ChainProps) {
    const chain: GivenPolyline = value ?? {};
    const [byPlaces, setByPlaces] = useState((chain.places?.length ?? 0) > 0);
    const [latestPlace, setLatestPlace] = useState<GivenPlace | null>(null);
    const shapes = chain.shapes ?? NONE;
    const places = chain.places ?? [];
    return (
        <fieldset className="grid gap-2 border-l-2 border-rule pl-3">
            <Choice
                label="Line"
                value={byPlaces ? 'places' : 'shapes'}
                options={[
                    ['shapes', 'lines and arcs of the drawing'],
                    ['places', 'from place to place'],
                ]}
                onValue={(way) => {
                    setByPlaces(way === 'places');
                    onValue({ ...chain, shapes: [], places: [] });
                }}
            />
            {byPlaces ? (
                <PlaceInput
                    label={places.length === 0 ? 'First place' : `Place ${places.length + 1}`}
                    value={latestPlace}
                    onValue={(p) => {
                        setLatestPlace(null);
                        p && onValue({ ...chain, places: [...places, p] });
                    }}
                    {...named}
                />
            ) : (
                <PieceInput
                    label={chain.connected ? 'Touch the line' : 'Touch the pieces'}
                    taken={shapes}
                    several={!chain.connected}
                    onTake={(piece, _, place) => {
                        const first = chain.connected || shapes.length === 0;
                        const near = begins && first ? { nearNorthing: place.northing, nearEasting: place.easting, reversed: false } : {};
                        onValue({ ...chain, ...near, shapes: chain.connected ? [piece] : [...shapes, piece] });
                    }}
                />
            )}
            {(shapes.length > 0 || places.length > 0) && (
                <div className="flex flex-wrap items-center justify-between gap-2 text-sm">
                    <span>{byPlaces ? `${places.length} places` : `${shapes.length} touched`}</span>
                    <span className="flex gap-2">
                        <Button
                            onClick={() =>
                                onValue(byPlaces ? { ...chain, places: places.slice(0, -1) } : { ...chain, shapes: shapes.slice(0, -1) })
                            }
                        >
                            Without the last
                        </Button>
                        <Button onClick={() => onValue({ ...chain, reversed: !chain.reversed })} pressed={chain.reversed}>
                            From the other end
                        </Button>
                    </span>
                </div>
            )}
            {!byPlaces && (
                <CheckBox
                    label="With all that runs on from it"
                    checked={chain.connected ?? false}
                    onChecked={(connected) => onValue({ ...chain, connected, shapes: connected ? shapes.slice(0, 1) : shapes })}
                />
            )}
            {byPlaces && (
                <CheckBox
                    label="Closed: back to the first"
                    checked={chain.closed ?? false}
                    onChecked={(closed) => onValue({ ...chain, closed })}
                />
            )}
        </fieldset>
    );
}
