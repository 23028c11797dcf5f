import Flatbush from 'flatbush';
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
    kind: Schemas['SpotBody']['kind'];
    withLayerId?: number;
    withShape?: number;
    /** where both would meet if they went on */
    prolonged?: boolean;
    x: number;
    y: number;
    label: string;
}

/** What is offered, each on or off. */
export const SNAPS = {
    end: 'Ends',
    middle: 'Middles',
    centre: 'Centres',
    quadrant: 'Quadrants',
    intersection: 'Crossings',
    prolonged: 'Where prolonged lines meet',
    insertion: 'Blocks, texts, points',
    on: 'Anywhere on a line',
} as const;

export type SnapKind = keyof typeof SNAPS;

export const USUAL_SNAPS: ReadonlySet<SnapKind> = new Set<SnapKind>(['end', 'middle', 'centre', 'intersection', 'insertion']);

const snapOf = (spot: Spot): SnapKind =>
    spot.prolonged ? 'prolonged' : spot.kind === 'start' ? 'end' : spot.kind === 'foot' ? 'on' : spot.kind;

export interface Touched {
    layerId: number;
    /** its number in the layer */
    shape: number;
    layer: string;
    kind: string;
    /** line of the file, or byte of a binary one */
    place: number;
    text: string | null;
}

/** What core needs to know of a spot; where it lies it finds out itself. */
export function spotBody(spot: Spot): Schemas['SpotBody'] {
    const { layerId, shape, kind, withLayerId = null, withShape = null, prolonged = false, x, y } = spot;
    return { layerId, shape, kind, withLayerId, withShape, nearNorthing: y, nearEasting: x, prolonged };
}

interface Near {
    layer: PickLayer;
    shape: number;
}

/** More shapes than this under the pointer are not crossed with each other. */
const MOST_CROSSED = 14;

/** Lines that end within so many times the reach are prolonged to the pointer. */
const PROLONGED = 6;

/** Finds what can be pointed at, at the speed of the hand. Only says which spot it is: core computes where. */
export class SnapIndex {
    private readonly tree: Flatbush | null;
    private readonly starts: number[] = [];

    constructor(private readonly layers: PickLayer[]) {
        let count = 0;
        for (const layer of layers) {
            this.starts.push(count);
            count += layer.shapes.count;
        }
        this.tree = count > 0 ? new Flatbush(count) : null;
        for (const { shapes } of layers) {
            for (let i = 0; i < shapes.count; i++) {
                this.tree?.add(...shapes.bounds(i));
            }
        }
        this.tree?.finish();
    }

    /** The spot nearest to a place, within reach; null where there is none. */
    spot(x: number, y: number, reach: number, snaps: ReadonlySet<SnapKind> = USUAL_SNAPS): Spot | null {
        return this.spots(x, y, reach, snaps)[0] ?? null;
    }

    /** All spots within reach, the likeliest first; of those at one place only one. */
    spots(x: number, y: number, reach: number, snaps: ReadonlySet<SnapKind> = USUAL_SNAPS): Spot[] {
        const near = this.near(x, y, reach);
        const offers: { spot: Spot; distance: number }[] = [];
        const offer = (spot: Spot, distance: number) => {
            if (distance < reach && snaps.has(snapOf(spot))) {
                offers.push({ spot, distance });
            }
        };
        for (const n of near) {
            for (const spot of spotsOf(n)) {
                const own = Math.hypot(spot.x - x, spot.y - y);
                // A round shape offers its centre when its rim is touched, after whatever lies nearer.
                const rim = spot.kind === 'centre' ? reach * 0.7 + 0.3 * distanceTo(n, x, y) : Number.POSITIVE_INFINITY;
                offer(spot, Math.min(own, rim));
            }
            if (snaps.has('on')) {
                const on = onShape(n, x, y);
                // Only where nothing better is offered.
                on && offer(on, reach * 0.9 + 0.1 * Math.hypot(on.x - x, on.y - y));
            }
        }
        for (const spot of crossingsOf(near.slice(0, MOST_CROSSED), x, y, reach)) {
            offer(spot, Math.hypot(spot.x - x, spot.y - y) * 0.95);
        }
        if (snaps.has('prolonged')) {
            for (const spot of prolongedOf(this.endingNear(x, y, PROLONGED * reach), x, y, reach)) {
                offer(spot, Math.hypot(spot.x - x, spot.y - y));
            }
        }
        offers.sort((a, b) => a.distance - b.distance);
        const spots: Spot[] = [];
        for (const { spot } of offers) {
            if (!spots.some((s) => Math.hypot(s.x - spot.x, s.y - spot.y) < 1e-4)) {
                spots.push(spot);
            }
        }
        return spots;
    }

    /** The shape itself that lies under a place, as chords for the screen. */
    chords(touched: Touched): [number, number][] {
        const layer = this.layers.find((l) => l.id === touched.layerId);
        return layer ? chordsOfShape({ layer, shape: touched.shape }) : [];
    }

    /** The shape under a place. */
    touched(x: number, y: number, reach: number): Touched | null {
        let best: Near | null = null;
        let least = reach;
        for (const n of this.near(x, y, reach)) {
            const d = distanceTo(n, x, y);
            if (d < least) {
                least = d;
                best = n;
            }
        }
        if (best === null) {
            return null;
        }
        const { layer, shape } = best;
        const kind = layer.shapes.kind(shape);
        const string =
            kind === Kind.text
                ? layer.strings[layer.shapes.v(shape, 5)]
                : kind === Kind.insert
                  ? layer.strings[layer.shapes.v(shape, 4)]
                  : undefined;
        return {
            layerId: layer.id,
            shape,
            layer: layer.name,
            kind: KINDS[kind] ?? '',
            place: layer.shapes.place(shape),
            text: string ?? null,
        };
    }

    /** Straight lines that end not far off. */
    private endingNear(x: number, y: number, reach: number): Near[] {
        return this.near(x, y, reach)
            .filter(({ layer, shape }) => layer.shapes.kind(shape) === Kind.line)
            .filter(({ layer, shape }) =>
                [0, 1].some((part) => Math.hypot(layer.shapes.at(shape, part)[0] - x, layer.shapes.at(shape, part)[1] - y) < reach),
            )
            .slice(0, MOST_CROSSED);
    }

    private near(x: number, y: number, reach: number): Near[] {
        const found = this.tree?.search(x - reach, y - reach, x + reach, y + reach) ?? [];
        const near: Near[] = [];
        for (const index of found) {
            let l = this.layers.length - 1;
            while (l > 0 && (this.starts[l] ?? 0) > index) {
                l--;
            }
            const layer = this.layers[l];
            const n = layer ? { layer, shape: index - (this.starts[l] ?? 0) } : null;
            // A box around an arc says little; what is really within reach counts, and centres within reach.
            if (
                n &&
                (distanceTo(n, x, y) <= reach || Math.hypot(n.layer.shapes.v(n.shape, 0) - x, n.layer.shapes.v(n.shape, 1) - y) <= reach)
            ) {
                near.push(n);
            }
        }
        return near;
    }
}

function spotsOf({ layer, shape }: Near): Spot[] {
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
function onShape({ layer, shape }: Near, x: number, y: number): Spot | null {
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

function chordsOfShape({ layer, shape }: Near): [number, number][] {
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
function distanceTo({ layer, shape }: Near, x: number, y: number): number {
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

function toChords(flat: number[], x: number, y: number): number {
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

/** Crossings of what lies under the pointer, to know that there is one; core finds the exact place. */
function crossingsOf(near: Near[], x: number, y: number, reach: number): Spot[] {
    const spots: Spot[] = [];
    for (const [i, a] of near.entries()) {
        for (const b of near.slice(i + 1)) {
            for (const [cx, cy] of cross(a, b)) {
                if (Math.hypot(cx - x, cy - y) <= reach) {
                    spots.push({
                        layerId: a.layer.id,
                        shape: a.shape,
                        kind: 'intersection',
                        withLayerId: b.layer.id,
                        withShape: b.shape,
                        x: cx,
                        y: cy,
                        label: `intersection, ${a.layer.name}${a.layer === b.layer ? '' : ` and ${b.layer.name}`}`,
                    });
                }
            }
        }
    }
    return spots;
}

/** Where lines that end nearby would meet if they went on. */
function prolongedOf(near: Near[], x: number, y: number, reach: number): Spot[] {
    const spots: Spot[] = [];
    for (const [i, a] of near.entries()) {
        for (const b of near.slice(i + 1)) {
            for (const [cx, cy] of crossLines(a, b)) {
                if (Math.hypot(cx - x, cy - y) <= reach) {
                    spots.push({
                        layerId: a.layer.id,
                        shape: a.shape,
                        kind: 'intersection',
                        withLayerId: b.layer.id,
                        withShape: b.shape,
                        prolonged: true,
                        x: cx,
                        y: cy,
                        label: `where both would meet, ${a.layer.name}${a.layer === b.layer ? '' : ` and ${b.layer.name}`}`,
                    });
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
