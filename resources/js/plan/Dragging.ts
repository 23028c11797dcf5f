import type Point from 'ol/geom/Point';
import type MapBrowserEvent from 'ol/MapBrowserEvent';
import type { PlanPlace } from './contract';

const PAUSE_MS = 100;

/** Something on the plan that can be moved by hand. */
export interface Movable {
    /** where it is drawn now; null where it is not there, or may not be moved */
    find: () => Point | null;
    onMoved: (place: PlanPlace) => void;
}

/** Once taken hold of, a thing is dragged until it is let go, wherever it would be drawn anew meanwhile. */
export class Dragging {
    private held: Movable | null = null;
    private place: PlanPlace | null = null;
    private saidAt = 0;

    constructor(
        private readonly movables: Movable[],
        private readonly reach: () => number,
    ) {}

    /** The finger has been put down here: on something that can be moved? */
    grip([x = 0, y = 0]: number[]): boolean {
        this.held = this.movables.find((m) => this.isNear(m.find(), x, y)) ?? null;
        return this.held !== null;
    }

    drag(e: MapBrowserEvent<PointerEvent>): void {
        if (!this.held) {
            return;
        }
        const [x = 0, y = 0] = e.coordinate;
        // The plan itself stays where it is.
        e.stopPropagation();
        this.held.find()?.setCoordinates([x, y]);
        this.place = { northing: y, easting: x };
        if (Date.now() - this.saidAt > PAUSE_MS) {
            this.saidAt = Date.now();
            this.held.onMoved(this.place);
        }
    }

    letGo(): void {
        if (this.held && this.place) {
            this.held.onMoved(this.place);
        }
        this.held = null;
        this.place = null;
    }

    private isNear(point: Point | null, x: number, y: number): boolean {
        const at = point?.getCoordinates();
        return at !== undefined && Math.hypot((at[0] ?? 0) - x, (at[1] ?? 0) - y) < 2 * this.reach();
    }
}
