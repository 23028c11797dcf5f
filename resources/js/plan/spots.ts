import type { Schemas } from '../api/client';
import { KINDS, Kind, type Shapes } from './shapes';

export interface PickLayer {
    id: number;
    name: string;
    strings: string[];
    shapes: Shapes;
}

export interface Spot {
    layerId: number;
    shape: number;
    kind: Schemas['TouchedSpot']['kind'];
    withLayerId?: number;
    withShape?: number;
    /** where both would meet if they went on */
    prolonged?: boolean;
    x: number;
    y: number;
    label: string;
}

/** A shape near the pointer. */
export interface Near {
    layer: PickLayer;
    shape: number;
}

export function spotsOf({ layer, shape }: Near): Spot[] {
    const s = layer.shapes;
    const kind = s.kind(shape);
    const word = KINDS[kind] ?? '';
    const make = (spot: Spot['kind'], name: string, [x, y]: [number, number]): Spot => ({
        layerId: layer.id,
        shape,
        kind: spot,
        x,
        y,
        label: `${name} of ${word}, ${layer.name}`,
    });
    if (kind === Kind.line || kind === Kind.arc || kind === Kind.ellipse) {
        const open = [make('start', 'end', s.at(shape, 0)), make('end', 'end', s.at(shape, 1)), make('middle', 'middle', s.at(shape, 0.5))];
        return kind === Kind.line
            ? open
            : [
                  ...open,
                  make('centre', 'centre', [s.v(shape, 0), s.v(shape, 1)]),
                  ...(kind === Kind.arc ? quadrantsOf({ layer, shape }) : []),
              ];
    }
    if (kind === Kind.spline) {
        return [make('start', 'end', s.at(shape, 0)), make('end', 'end', s.at(shape, 1))];
    }
    if (kind === Kind.face) {
        return [];
    }
    if (kind === Kind.circle) {
        return [make('centre', 'centre', [s.v(shape, 0), s.v(shape, 1)]), ...quadrantsOf({ layer, shape })];
    }
    const text = layer.strings[s.v(shape, kind === Kind.text ? 5 : 4)] ?? '';
    return [
        {
            ...make('insertion', 'place', s.at(shape, 0)),
            label: kind === Kind.point ? `point, ${layer.name}` : `place of ${word} “${text.slice(0, 24)}”, ${layer.name}`,
        },
    ];
}

/** North, east, south and west of a round shape, as far as they lie on it. */
function quadrantsOf({ layer, shape }: Near): Spot[] {
    const s = layer.shapes;
    const [cx, cy, r] = [s.v(shape, 0), s.v(shape, 1), s.v(shape, 3)];
    const places: [string, number, number][] = [
        ['north', cx, cy + r],
        ['east', cx + r, cy],
        ['south', cx, cy - r],
        ['west', cx - r, cy],
    ];
    return places
        .filter(([, x, y]) => s.kind(shape) === Kind.circle || onArc(s, shape, x, y))
        .map(([word, x, y]) => ({
            layerId: layer.id,
            shape,
            kind: 'quadrant',
            x,
            y,
            label: `${word} of ${KINDS[s.kind(shape)]}, ${layer.name}`,
        }));
}

/** The place on a line, arc or circle nearest to the pointer. */
export function onShape({ layer, shape }: Near, x: number, y: number): Spot | null {
    const s = layer.shapes;
    const kind = s.kind(shape);
    const spot = (at: [number, number]): Spot => ({
        layerId: layer.id,
        shape,
        kind: 'on',
        x: at[0],
        y: at[1],
        label: `on ${KINDS[kind]}, ${layer.name}`,
    });
    if (kind === Kind.line) {
        const [ax, ay] = s.at(shape, 0);
        const [bx, by] = s.at(shape, 1);
        const square = (bx - ax) ** 2 + (by - ay) ** 2;
        const t = square === 0 ? 0 : Math.max(0, Math.min(1, ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / square));
        return spot([ax + t * (bx - ax), ay + t * (by - ay)]);
    }
    if (kind === Kind.circle || (kind === Kind.arc && onArc(s, shape, x, y))) {
        const [cx, cy, r] = [s.v(shape, 0), s.v(shape, 1), s.v(shape, 3)];
        const d = Math.hypot(x - cx, y - cy);
        return d === 0 ? null : spot([cx + ((x - cx) / d) * r, cy + ((y - cy) / d) * r]);
    }
    return null;
}

export function chordsOfShape({ layer, shape }: Near): [number, number][] {
    const s = layer.shapes;
    switch (s.kind(shape)) {
        case Kind.line:
            return [s.at(shape, 0), s.at(shape, 1)];
        case Kind.arc:
        case Kind.circle:
        case Kind.ellipse:
            return Array.from({ length: 73 }, (_, i) => s.at(shape, i / 72));
        case Kind.spline: {
            const flat = s.chords(shape);
            return Array.from({ length: flat.length / 2 }, (_, i) => [flat[2 * i] ?? 0, flat[2 * i + 1] ?? 0]);
        }
        default:
            return [s.at(shape, 0)];
    }
}

/** Distance from a place to the drawn shape. */
export function distanceTo({ layer, shape }: Near, x: number, y: number): number {
    const s = layer.shapes;
    switch (s.kind(shape)) {
        case Kind.line:
            return toSegment(s.v(shape, 0), s.v(shape, 1), s.v(shape, 3), s.v(shape, 4), x, y);
        case Kind.spline:
            return toChords(s.chords(shape), x, y);
        case Kind.ellipse: {
            const chords: number[] = [];
            for (let k = 0; k <= 72; k++) {
                chords.push(...s.at(shape, k / 72));
            }
            return toChords(chords, x, y);
        }
        case Kind.face:
            return Number.POSITIVE_INFINITY;
        case Kind.circle:
            return Math.abs(Math.hypot(s.v(shape, 0) - x, s.v(shape, 1) - y) - s.v(shape, 3));
        case Kind.arc: {
            if (onArc(s, shape, x, y)) {
                return Math.abs(Math.hypot(s.v(shape, 0) - x, s.v(shape, 1) - y) - s.v(shape, 3));
            }
            return Math.min(...[0, 1].map((part) => Math.hypot(s.at(shape, part)[0] - x, s.at(shape, part)[1] - y)));
        }
        default:
            return Math.hypot(s.at(shape, 0)[0] - x, s.at(shape, 0)[1] - y);
    }
}

function toSegment(ax: number, ay: number, bx: number, by: number, x: number, y: number): number {
    const square = (bx - ax) ** 2 + (by - ay) ** 2;
    const t = square === 0 ? 0 : Math.max(0, Math.min(1, ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / square));
    return Math.hypot(ax + t * (bx - ax) - x, ay + t * (by - ay) - y);
}

/** How far a place is from a line of chords, easting and northing in turn. */
export function toChords(flat: readonly number[], x: number, y: number): number {
    let least = Number.POSITIVE_INFINITY;
    for (let i = 2; i < flat.length; i += 2) {
        least = Math.min(least, toSegment(flat[i - 2] ?? 0, flat[i - 1] ?? 0, flat[i] ?? 0, flat[i + 1] ?? 0, x, y));
    }
    return least;
}

function onArc(s: Shapes, shape: number, x: number, y: number): boolean {
    const turn = 2 * Math.PI;
    const sweep = s.v(shape, 5);
    const off = (Math.atan2(y - s.v(shape, 1), x - s.v(shape, 0)) - s.v(shape, 4)) * (sweep < 0 ? -1 : 1);
    return ((off % turn) + turn) % turn <= Math.abs(sweep) + 1e-9;
}

/** Ends that make an angle of less than this run on into each other, radians. */
const STRAIGHT_ON = 0.01;

/** The end of a piece where another begins at an angle: it names both, so that core can see that they meet. */
export function cornerOf(a: Spot, b: Spot, near: Near[]): Spot | null {
    const [from, to] = [a, b].map((s) => near.find((n) => n.layer.id === s.layerId && n.shape === s.shape));
    if (!from || !to || from === to || !isEnd(a) || !isEnd(b)) {
        return null;
    }
    const off = Math.abs(Math.abs(leaving(from, a) - leaving(to, b)) - Math.PI);
    return off < STRAIGHT_ON
        ? null
        : {
              ...a,
              withLayerId: b.layerId,
              withShape: b.shape,
              label: `corner, ${from.layer.name}${from.layer === to.layer ? '' : ` and ${to.layer.name}`}`,
          };
}

const isEnd = (s: Spot) => s.kind === 'start' || s.kind === 'end';

/** Toward where a piece runs from one of its ends. */
function leaving({ layer, shape }: Near, spot: Spot): number {
    const [x, y] = layer.shapes.at(shape, spot.kind === 'start' ? 0.001 : 0.999);
    return Math.atan2(y - spot.y, x - spot.x);
}

/** Two pieces that cross, or would. */
function crossingSpot(a: Near, b: Near, x: number, y: number, prolonged: boolean): Spot {
    const layers = `${a.layer.name}${a.layer === b.layer ? '' : ` and ${b.layer.name}`}`;
    return {
        layerId: a.layer.id,
        shape: a.shape,
        kind: 'intersection',
        withLayerId: b.layer.id,
        withShape: b.shape,
        ...(prolonged ? { prolonged } : {}),
        x,
        y,
        label: prolonged ? `where both would meet, ${layers}` : `intersection, ${layers}`,
    };
}

/** Crossings of what lies under the pointer, to know that there is one; core finds the exact place. */
export function crossingsOf(near: Near[], x: number, y: number, reach: number): Spot[] {
    const spots: Spot[] = [];
    for (const [i, a] of near.entries()) {
        for (const b of near.slice(i + 1)) {
            for (const [cx, cy] of cross(a, b)) {
                if (Math.hypot(cx - x, cy - y) <= reach) {
                    spots.push(crossingSpot(a, b, cx, cy, false));
                }
            }
        }
    }
    return spots;
}

/** Where lines that end nearby would meet if they went on. */
export function prolongedOf(near: Near[], x: number, y: number, reach: number): Spot[] {
    const spots: Spot[] = [];
    for (const [i, a] of near.entries()) {
        for (const b of near.slice(i + 1)) {
            for (const [cx, cy] of crossLines(a, b)) {
                if (Math.hypot(cx - x, cy - y) <= reach) {
                    spots.push(crossingSpot(a, b, cx, cy, true));
                }
            }
        }
    }
    return spots;
}

function cross(a: Near, b: Near): [number, number][] {
    const [ka, kb] = [a.layer.shapes.kind(a.shape), b.layer.shapes.kind(b.shape)];
    const isRound = (k: number) => k === Kind.arc || k === Kind.circle;
    let found: [number, number][] = [];
    if (ka === Kind.line && kb === Kind.line) {
        found = crossLines(a, b);
    } else if (ka === Kind.line && isRound(kb)) {
        found = crossLineAndRound(a, b);
    } else if (isRound(ka) && kb === Kind.line) {
        found = crossLineAndRound(b, a);
    } else if (isRound(ka) && isRound(kb)) {
        found = crossRounds(a, b);
    }
    return found.filter(([x, y]) => distanceTo(a, x, y) < 1e-6 && distanceTo(b, x, y) < 1e-6);
}

function crossLines(a: Near, b: Near): [number, number][] {
    const [ax, ay] = a.layer.shapes.at(a.shape, 0);
    const [bx, by] = a.layer.shapes.at(a.shape, 1);
    const [cx, cy] = b.layer.shapes.at(b.shape, 0);
    const [dx, dy] = b.layer.shapes.at(b.shape, 1);
    const d = (bx - ax) * (dy - cy) - (by - ay) * (dx - cx);
    const t = ((cx - ax) * (dy - cy) - (cy - ay) * (dx - cx)) / d;
    return Number.isFinite(t) ? [[ax + t * (bx - ax), ay + t * (by - ay)]] : [];
}

function crossLineAndRound(line: Near, round: Near): [number, number][] {
    const [ax, ay] = line.layer.shapes.at(line.shape, 0);
    const [bx, by] = line.layer.shapes.at(line.shape, 1);
    const s = round.layer.shapes;
    const [cx, cy, r] = [s.v(round.shape, 0), s.v(round.shape, 1), s.v(round.shape, 3)];
    const length = Math.hypot(bx - ax, by - ay);
    const [ux, uy] = [(bx - ax) / length, (by - ay) / length];
    const along = (cx - ax) * ux + (cy - ay) * uy;
    const half = Math.sqrt(r ** 2 - ((cx - ax) * uy - (cy - ay) * ux) ** 2);
    return Number.isFinite(half) ? [along - half, along + half].map((t) => [ax + t * ux, ay + t * uy]) : [];
}

function crossRounds(a: Near, b: Near): [number, number][] {
    const [s, t] = [a.layer.shapes, b.layer.shapes];
    const [ax, ay, ar] = [s.v(a.shape, 0), s.v(a.shape, 1), s.v(a.shape, 3)];
    const [dx, dy] = [t.v(b.shape, 0) - ax, t.v(b.shape, 1) - ay];
    const d = Math.hypot(dx, dy);
    const along = (d ** 2 + ar ** 2 - t.v(b.shape, 3) ** 2) / (2 * d);
    const half = Math.sqrt(ar ** 2 - along ** 2);
    if (!Number.isFinite(half) || d === 0) {
        return [];
    }
    return [-half, half].map((h) => [ax + (along * dx - h * dy) / d, ay + (along * dy + h * dx) / d]);
}
