import Flatbush from 'flatbush';
import type { Extent } from 'ol/extent';
import Feature from 'ol/Feature';
import MultiPoint from 'ol/geom/MultiPoint';
import Point from 'ol/geom/Point';
import type { PlanPlace } from './contract';
import type { PlanThing } from './marks';

export interface PlacedThing {
    thing: PlanThing;
    at: PlanPlace;
}

/** With more things than this, each with a style and a label of its own, the plan would crawl. */
const CROWD = 1500;

/** So many may stand in view one by one, with their labels. */
const SINGLE = 400;

/** Things on the plan: one by one while they are few, in view by view when they are many; what is touched is found either way. */
export class Crowd {
    private readonly tree: Flatbush | null;

    constructor(private readonly things: PlacedThing[]) {
        this.tree = things.length > 0 ? new Flatbush(things.length) : null;
        for (const { at } of things) {
            this.tree?.add(at.easting, at.northing, at.easting, at.northing);
        }
        this.tree?.finish();
    }

    get isCrowd(): boolean {
        return this.things.length > CROWD;
    }

    /** What is drawn of it in this view. */
    features(view: Extent): Feature[] {
        const one = ({ thing, at }: PlacedThing) => new Feature({ geometry: new Point([at.easting, at.northing]), thing });
        if (!this.isCrowd) {
            return this.things.map(one);
        }
        const inView = this.tree?.search(view[0] ?? 0, view[1] ?? 0, view[2] ?? 0, view[3] ?? 0) ?? [];
        if (inView.length <= SINGLE) {
            return inView.flatMap((i) => (this.things[i] ? [one(this.things[i])] : []));
        }
        // Control and the target stay by themselves; the others become one shape for each kind, without names.
        const alone: Feature[] = [];
        const masses = new Map<string, { thing: PlanThing; places: number[] }>();
        for (const i of inView) {
            const placed = this.things[i];
            if (!placed) {
                continue;
            }
            const { thing, at } = placed;
            if (thing.what !== 'point' || thing.state === 'target') {
                alone.push(one(placed));
                continue;
            }
            const key = `${thing.state} ${thing.origin} ${thing.chosen}`;
            const mass = masses.get(key) ?? { thing: { ...thing, name: '' }, places: [] };
            masses.set(key, mass);
            mass.places.push(at.easting, at.northing);
        }
        return [
            ...alone,
            ...[...masses.values()].map(({ thing, places }) => new Feature({ geometry: new MultiPoint(places, 'XY'), thing, mass: true })),
        ];
    }

    /** All that lies in a view. */
    within(view: Extent): PlacedThing[] {
        const [west = 0, south = 0, east = 0, north = 0] = view;
        return (this.tree?.search(west, south, east, north) ?? []).flatMap((i) => this.things[i] ?? []);
    }

    /** The thing nearest to a place, within reach. */
    near(place: PlanPlace, reach: number): PlanThing | null {
        const { easting: x, northing: y } = place;
        const i = this.tree?.neighbors(x, y, 1, reach)[0];
        return i === undefined ? null : (this.things[i]?.thing ?? null);
    }
}
