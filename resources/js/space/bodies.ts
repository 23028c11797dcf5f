/** One thing of a building model. */
export interface Thing {
    instance: number;
    name: string;
    class: string;
    type: string;
    storey: string;
}

/** A solid in coordinates of its own. */
export interface Solid {
    corners: Float32Array;
    triangles: Uint32Array;
}

/** A solid where it stands: a thing may have several. */
export interface Standing {
    thing: number;
    solid: number;
    /** three rows of four, metres from the origin */
    frame: Float32Array;
}

export interface Bodies {
    /** east, north and height of the origin, metres */
    origin: [number, number, number];
    storeys: string[];
    classes: string[];
    things: Thing[];
    solids: Solid[];
    standing: Standing[];
    /** false where more was in the file than a tablet turns */
    whole: boolean;
}

interface Head {
    origin: [number, number, number];
    storeys: string[];
    classes: string[];
    types: string[];
    solids: [number, number][];
    things: [number, string, number, number, number][];
    stands: number;
    whole: boolean;
}

const FRAME = 12;

/** Reads what core packed (IfcBodies). */
export function bodiesOf(packed: ArrayBuffer): Bodies {
    const length = new DataView(packed).getUint32(0, true);
    const head = JSON.parse(new TextDecoder().decode(new Uint8Array(packed, 4, length))) as Head;
    const solids: Solid[] = head.solids.map(() => ({ corners: new Float32Array(), triangles: new Uint32Array() }));
    let at = 4 + length;
    head.solids.forEach(([corners], i) => {
        (solids[i] as Solid).corners = new Float32Array(packed, at, 3 * corners);
        at += 12 * corners;
    });
    head.solids.forEach(([, triangles], i) => {
        (solids[i] as Solid).triangles = new Uint32Array(packed, at, 3 * triangles);
        at += 12 * triangles;
    });
    const standing: Standing[] = [];
    for (let i = 0; i < head.stands; i++) {
        const [thing = 0, solid = 0] = new Uint32Array(packed, at, 2);
        standing.push({ thing, solid, frame: new Float32Array(packed, at + 8, FRAME) });
        at += 8 + 4 * FRAME;
    }
    return {
        origin: head.origin,
        storeys: head.storeys,
        classes: head.classes,
        things: head.things.map(([instance, name, ofClass, type, storey]) => ({
            instance,
            name,
            class: head.classes[ofClass] ?? '',
            type: head.types[type] ?? '',
            storey: head.storeys[storey] ?? '',
        })),
        solids,
        standing,
        whole: head.whole,
    };
}

/** How long, wide and high a thing is along its own axes: of the solids that stand for it, in metres. */
export function sizeOf(bodies: Bodies, thing: number): [number, number, number] {
    const low = [Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY];
    const high = [Number.NEGATIVE_INFINITY, Number.NEGATIVE_INFINITY, Number.NEGATIVE_INFINITY];
    for (const s of bodies.standing) {
        if (s.thing !== thing) {
            continue;
        }
        const { corners } = bodies.solids[s.solid] as Solid;
        // Stretched, but not turned: a column leans no longer than it is.
        const long = [0, 1, 2].map((k) => Math.hypot(s.frame[k] as number, s.frame[4 + k] as number, s.frame[8 + k] as number));
        for (let i = 0; i < corners.length; i++) {
            const k = i % 3;
            const v = (corners[i] as number) * (long[k] as number);
            low[k] = Math.min(low[k] as number, v);
            high[k] = Math.max(high[k] as number, v);
        }
    }
    return [0, 1, 2].map((k) => Math.max(0, (high[k] as number) - (low[k] as number))) as [number, number, number];
}

/** The lowest and the highest that stands, metres. */
export function heightsOf(bodies: Bodies): [number, number] {
    let [low, high] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
    const reach = bodies.solids.map(({ corners }) => {
        const box = [0, 1, 2].map(() => [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY]);
        for (let i = 0; i < corners.length; i++) {
            const side = box[i % 3] as number[];
            side[0] = Math.min(side[0] as number, corners[i] as number);
            side[1] = Math.max(side[1] as number, corners[i] as number);
        }
        return box as [number, number][];
    });
    for (const s of bodies.standing) {
        const box = reach[s.solid] as [number, number][];
        let [from, to] = [s.frame[11] as number, s.frame[11] as number];
        for (const k of [0, 1, 2]) {
            const [a, b] = (box[k] as [number, number]).map((v) => v * (s.frame[8 + k] as number)) as [number, number];
            from += Math.min(a, b);
            to += Math.max(a, b);
        }
        low = Math.min(low, from);
        high = Math.max(high, to);
    }
    return Number.isFinite(low) ? [bodies.origin[2] + low, bodies.origin[2] + high] : [0, 0];
}
