import Feature from 'ol/Feature';
import LineString from 'ol/geom/LineString';
import Point from 'ol/geom/Point';
import type MapBrowserEvent from 'ol/MapBrowserEvent';
import type VectorSource from 'ol/source/Vector';
import type { Picking, PieceKind, PlanEvents } from './contract';
import type { PlanThing } from './marks';
import { SnapIndex, type SnapKind, type Spot, type Touched, USUAL_SNAPS } from './snap';

/** Things of the plan that are places by themselves. */
const PLACES: ReadonlySet<PlanThing['what']> = new Set(['point', 'control', 'pole', 'instrument']);

/** A touch so near the last one means the same place. */
const SAME_TOUCH_PX = 4;

interface Reached {
    spots: Spot[];
    index: number;
    pixel: number[];
}

const NOTHING: Reached = { spots: [], index: 0, pixel: [] };

/** Finds what a touch means, and shows it beforehand: a spot of a drawing, a line or arc, a point, or any place. */
export class Picker {
    /** what the next touch is for */
    private wanted: Picking = null;
    snaps: ReadonlySet<SnapKind> = USUAL_SNAPS;
    /** of pieces, those of this kind alone */
    only: PieceKind | null = null;
    /** spots can be touched though nothing was asked for: each is a thing to be staked */
    staking = false;
    snap = new SnapIndex([]);
    /** spots within reach of the pointer, and which of them is offered */
    private reached: Reached = NOTHING;
    /** what was touched last, and goes on being meant by whoever asked for it */
    private taken: Reached | null = null;

    constructor(
        private readonly offered: VectorSource,
        private readonly events: PlanEvents,
        private readonly reach: () => number,
        private readonly thingAt: (e: MapBrowserEvent) => PlanThing | null,
    ) {}

    get picking(): Picking {
        return this.wanted;
    }

    /** What was offered for another touch is offered no longer. */
    set picking(wanted: Picking) {
        if (wanted !== this.wanted) {
            this.forget();
            this.begin();
            this.wanted = wanted;
        }
    }

    pointed(e: MapBrowserEvent): void {
        if (this.picking === 'spot' || this.picking === 'place') {
            this.offerNear(e);
        } else if (this.picking === 'piece') {
            this.offerPiece(e);
        }
    }

    /** A finger has no hovering: it touches the spot it means, or again the same place for the next spot there. */
    take(e: MapBrowserEvent): void {
        const [x = 0, y = 0] = e.coordinate;
        const place = { northing: y, easting: x };
        if (this.picking === 'piece') {
            this.events.onTake({ spot: null, thing: null, piece: this.offerPiece(e), place });
            return;
        }
        const thing = this.picking === 'spot' ? null : this.thingAt(e);
        if (this.picking === 'points' || (thing && PLACES.has(thing.what))) {
            this.events.onTake({ spot: null, thing, piece: null, place });
            return;
        }
        if (!this.isSameTouch(e.pixel)) {
            this.offerNear(e);
        }
        this.taken = this.reached;
        this.events.onTake({ spot: this.reached.spots[this.reached.index] ?? null, thing: null, piece: null, place });
    }

    /** Offers the next of several spots under the pointer; where they were touched, it is taken in the place of the one before: what is lit is what is made. */
    next(): void {
        const { spots, index, pixel } = this.reached;
        if (spots.length > 1) {
            this.reached.index = (index + 1) % spots.length;
            const spot = spots[this.reached.index] ?? null;
            this.offer(spot, pixel);
            if (spot && this.taken === this.reached) {
                this.events.onTake({ spot, thing: null, piece: null, place: { northing: spot.y, easting: spot.x } });
            }
        }
    }

    /** The pointer has left the plan: what was touched is lit again, and nothing that it passed over on its way. */
    left(): void {
        if (this.picking === 'spot' || this.picking === 'place') {
            this.reached = this.taken ?? NOTHING;
            this.offer(this.reached.spots[this.reached.index] ?? null, this.reached.pixel);
        }
    }

    /** Somebody else asks now: what was touched before stays with who asked then. */
    begin(): void {
        this.taken = null;
    }

    /** All that could be touched in a view, the nearest to its middle first: for those who step instead of pointing. */
    offersAround(x: number, y: number, reach: number): Spot[] {
        return this.picking === 'spot' || this.picking === 'place' || (this.staking && this.picking === null)
            ? this.snap.spots(x, y, reach, this.snaps)
            : [];
    }

    piecesAround(x: number, y: number, reach: number): { piece: Touched; at: [number, number] }[] {
        return this.picking === 'piece' ? this.snap.pieces(x, y, reach, this.only) : [];
    }

    /** Offers a spot that was stepped to. */
    step(spot: Spot, pixel: number[]): void {
        this.reached = { spots: [spot], index: 0, pixel };
        this.offer(spot, pixel);
    }

    /** Takes what was stepped to. */
    takeOffered(): boolean {
        const spot = this.reached.spots[this.reached.index];
        if (spot) {
            this.events.onTake({ spot, thing: null, piece: null, place: { northing: spot.y, easting: spot.x } });
        }
        return spot !== undefined;
    }

    /** Rings a place, or lights up a piece, that was stepped to; null takes the ring away. */
    show(at: [number, number] | Touched | null): void {
        this.offered.clear(true);
        const chords = at === null ? [] : Array.isArray(at) ? [at] : this.snap.chords(at);
        if (chords.length > 0) {
            this.offered.addFeature(new Feature(chords.length > 1 ? new LineString(chords) : new Point(chords[0] ?? [])));
        }
    }

    get hasSeveral(): boolean {
        return this.reached.spots.length > 1;
    }

    /** What was offered lay under the pointer before the plan moved. */
    forget(): void {
        if (this.picking) {
            this.reached = NOTHING;
            this.offer(null, []);
        }
    }

    /** The line or arc that lies under a place of the plan. */
    drawnAt(x: number, y: number): Touched | null {
        return this.snap.touched(x, y, this.reach());
    }

    /** The spots within reach of a place of the plan, the likeliest first. */
    spotsAt(x: number, y: number): Spot[] {
        return this.snap.spots(x, y, this.reach(), this.snaps);
    }

    private isSameTouch(pixel: number[]): boolean {
        const [x = 0, y = 0] = this.reached.pixel;
        return this.reached.spots.length > 0 && Math.hypot(x - (pixel[0] ?? 0), y - (pixel[1] ?? 0)) < SAME_TOUCH_PX;
    }

    private offerNear(e: MapBrowserEvent): void {
        const [x = 0, y = 0] = e.coordinate;
        const spots = this.snap.spots(x, y, this.reach(), this.snaps);
        this.reached = { spots, index: 0, pixel: e.pixel };
        this.offer(spots[0] ?? null, e.pixel);
    }

    private offerPiece(e: MapBrowserEvent): Touched | null {
        const [x = 0, y = 0] = e.coordinate;
        const piece = this.snap.touched(x, y, this.reach(), this.only);
        this.offered.clear(true);
        if (piece) {
            const chords = this.snap.chords(piece);
            this.offered.addFeature(new Feature(chords.length > 1 ? new LineString(chords) : new Point(chords[0] ?? [x, y])));
        }
        this.events.onSpot(null, e.pixel);
        return piece;
    }

    private offer(spot: Spot | null, pixel: number[]): void {
        this.offered.clear(true);
        if (spot) {
            this.offered.addFeature(new Feature(new Point([spot.x, spot.y])));
        }
        this.events.onSpot(spot, pixel, this.reached.spots.length);
    }
}
