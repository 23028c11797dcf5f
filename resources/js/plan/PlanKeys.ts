import type OlMap from 'ol/Map';
import type { PlanEvents } from './contract';
import type { PlacedThing } from './crowd';
import type { Picker } from './Picker';
import type { Spot, Touched } from './snap';

/** So many are stepped through; nearer to, there are fewer. */
const MOST = 300;

/** One that can be stepped to: a spot or a piece of the drawing while one is wanted, else a point or a control point. */
type Stop = { spot: Spot } | { placed: PlacedThing } | { piece: Touched; at: [number, number] };

/** The plan by the keyboard: full stop and comma step through what lies in view, from its middle outward, Enter takes the one offered. */
export class PlanKeys {
    private stops: Stop[] = [];
    private at = -1;

    constructor(
        element: HTMLElement,
        private readonly map: OlMap,
        private readonly picker: Picker,
        private readonly events: PlanEvents,
        private readonly thingsInView: () => PlacedThing[],
    ) {
        element.addEventListener('keydown', (e) => this.pressed(e));
    }

    /** What was listed lay in the view before this one. */
    forget(): void {
        this.stops = [];
        this.at = -1;
    }

    private pressed(e: KeyboardEvent): void {
        if (e.ctrlKey || e.metaKey || e.altKey) {
            return;
        }
        if (e.key === '.' || e.key === ',') {
            e.preventDefault();
            this.step(e.key === '.' ? 1 : -1);
        } else if (e.key === 'Enter' && this.take()) {
            e.preventDefault();
        }
    }

    private step(by: number): void {
        if (this.at < 0 && by > 0 && this.picker.hasSeveral) {
            this.picker.next();
            return;
        }
        if (this.stops.length === 0) {
            this.stops = this.list();
        }
        const count = this.stops.length;
        if (count === 0) {
            this.events.onStep('Nothing to step to is in view.');
            return;
        }
        this.at = (this.at + by + count + (this.at < 0 && by < 0 ? 1 : 0)) % count;
        const stop = this.stops[this.at];
        const where = `${this.at + 1} of ${count}${count === MOST ? ' nearest' : ''}`;
        if (stop && 'spot' in stop) {
            this.picker.step(stop.spot, this.map.getPixelFromCoordinate([stop.spot.x, stop.spot.y]) ?? []);
            this.events.onStep(`${stop.spot.label}, ${where}`);
        } else if (stop && 'piece' in stop) {
            this.picker.show(stop.piece);
            this.events.onStep(`${stop.piece.kind}, ${stop.piece.layer}, ${where}`);
        } else if (stop) {
            this.picker.show([stop.placed.at.easting, stop.placed.at.northing]);
            this.events.onStep(`${nameOf(stop.placed)}, ${where}`);
        }
    }

    private take(): boolean {
        const stop = this.stops[this.at];
        if (stop && 'placed' in stop) {
            const { thing, at } = stop.placed;
            this.picker.show(null);
            if (this.picker.picking) {
                this.events.onTake({ spot: null, thing, piece: null, place: at });
            } else {
                this.events.onTouch(thing, null, at, []);
            }
            return true;
        }
        if (stop && 'piece' in stop) {
            this.picker.show(null);
            this.events.onTake({ spot: null, thing: null, piece: stop.piece, place: { northing: stop.at[1], easting: stop.at[0] } });
            return true;
        }
        if (stop && 'spot' in stop && this.picker.picking === null) {
            const { x, y } = stop.spot;
            this.events.onTouch(null, this.picker.drawnAt(x, y), { northing: y, easting: x }, [stop.spot]);
            return true;
        }
        return this.picker.picking !== null && this.picker.takeOffered();
    }

    private list(): Stop[] {
        const view = this.map.getView();
        const [x = 0, y = 0] = view.getCenter() ?? [];
        const [w = 0, h = 0] = this.map.getSize() ?? [];
        const [east, north] = [(w / 2) * (view.getResolution() ?? 1), (h / 2) * (view.getResolution() ?? 1)];
        const reach = Math.hypot(east, north);
        const inView = (px: number, py: number) => Math.abs(px - x) <= east && Math.abs(py - y) <= north;
        const spots = this.picker
            .offersAround(x, y, reach)
            .filter((s) => inView(s.x, s.y))
            .map((spot): [number, Stop] => [Math.hypot(spot.x - x, spot.y - y), { spot }]);
        const pieces = this.picker
            .piecesAround(x, y, reach)
            .filter(({ at }) => inView(...at))
            .map((stop): [number, Stop] => [Math.hypot(stop.at[0] - x, stop.at[1] - y), stop]);
        const things =
            this.picker.picking === 'spot' || this.picker.picking === 'piece'
                ? []
                : this.thingsInView().map((placed): [number, Stop] => [
                      Math.hypot(placed.at.easting - x, placed.at.northing - y),
                      { placed },
                  ]);
        const nearest = (stops: [number, Stop][]) => stops.sort(([a], [b]) => a - b);
        // Where nothing was asked for, what was prepared comes before the spots of the drawings.
        const all = this.picker.picking === null ? [...nearest(things), ...nearest(spots)] : nearest([...spots, ...pieces, ...things]);
        return all.slice(0, MOST).map(([, stop]) => stop);
    }
}

const nameOf = ({ thing }: PlacedThing) =>
    'name' in thing ? `${thing.what === 'control' ? 'control point' : thing.what} ${thing.name}` : thing.what;
