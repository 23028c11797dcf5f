import Flatbush from 'flatbush';
import type { Schemas } from '../api/client';
import type { PieceKind } from './contract';
import { KINDS, Kind } from './shapes';
import {
    chordsOfShape,
    cornerOf,
    crossingsOf,
    distanceTo,
    type Near,
    onShape,
    type PickLayer,
    prolongedOf,
    type Spot,
    spotsOf,
} from './spots';

export type { PickLayer, Spot } from './spots';

/** A circle of a block that is stretched is an ellipse, and meant as well. */
const isOf = (n: Near, only: PieceKind | null): boolean => {
    const kind = n.layer.shapes.kind(n.shape);
    return only === null || kind === Kind[only] || (only === 'circle' && kind === Kind.ellipse);
};

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
export function spotBody(spot: Spot): Schemas['TouchedSpot'] {
    const { layerId, shape, kind, withLayerId = null, withShape = null, prolonged = false, x, y } = spot;
    return { layerId, shape, kind, withLayerId, withShape, nearNorthing: y, nearEasting: x, prolonged };
}

/** More shapes than this under the pointer are not crossed with each other. */
const MOST_CROSSED = 14;

/** Of the reach: two spots whose distances differ by less are equally near. */
const EQUALLY = 0.02;

/** Of spots equally near the one that comes first. */
const RANK: SnapKind[] = ['insertion', 'centre', 'end', 'intersection', 'quadrant', 'middle', 'prolonged', 'on'];

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
            offer(spot, Math.hypot(spot.x - x, spot.y - y));
        }
        if (snaps.has('prolonged')) {
            for (const spot of prolongedOf(this.endingNear(x, y, PROLONGED * reach), x, y, reach)) {
                offer(spot, Math.hypot(spot.x - x, spot.y - y));
            }
        }
        // The nearest to the finger; of what lies equally near, what says most.
        const steps = (o: (typeof offers)[number]) => Math.round(o.distance / (reach * EQUALLY));
        offers.sort(
            (a, b) => steps(a) - steps(b) || RANK.indexOf(snapOf(a.spot)) - RANK.indexOf(snapOf(b.spot)) || a.distance - b.distance,
        );
        const spots: Spot[] = [];
        for (const { spot } of offers) {
            const same = spots.findIndex((s) => Math.hypot(s.x - spot.x, s.y - spot.y) < 1e-4);
            const there = spots[same];
            const corner = there && !there.withShape ? cornerOf(there, spot, near) : null;
            if (same < 0) {
                spots.push(spot);
            } else if (corner) {
                spots[same] = corner;
            } else if (spots[same]?.kind === 'intersection' && (spot.kind === 'start' || spot.kind === 'end')) {
                // Where a line ends on another, or an outline turns, the end says more than that two lines meet there.
                spots[same] = spot;
            }
        }
        return spots;
    }

    /** The shape itself that lies under a place, as chords for the screen. */
    chords(touched: Schemas['ShapeRef']): [number, number][] {
        const layer = this.layers.find((l) => l.id === touched.layerId);
        return layer ? chordsOfShape({ layer, shape: touched.shape }) : [];
    }

    /** All shapes in reach of a place, each with a place on it. */
    pieces(x: number, y: number, reach: number, only: PieceKind | null = null): { piece: Touched; at: [number, number] }[] {
        return this.near(x, y, reach)
            .filter((n) => isOf(n, only))
            .map((n) => ({ piece: this.told(n), at: n.layer.shapes.at(n.shape, 0.5) }));
    }

    /** The shape under a place. */
    touched(x: number, y: number, reach: number, only: PieceKind | null = null): Touched | null {
        let best: Near | null = null;
        let least = reach;
        for (const n of this.near(x, y, reach)) {
            if (!isOf(n, only)) {
                continue;
            }
            const d = distanceTo(n, x, y);
            if (d < least) {
                least = d;
                best = n;
            }
        }
        return best && this.told(best);
    }

    private told({ layer, shape }: Near): Touched {
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
