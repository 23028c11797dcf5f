/** One thing of a building model. */
export interface Thing {
    instance: number;
    name: string;
    class: string;
    type: string;
    storey: string;
    /** how long, wide and high it is along its own axes, metres */
    size: [number, number, number];
}

/** A solid in coordinates of its own. */
export interface Solid {
    corners: Float32Array;
    triangles: Uint32Array;
    /** it has an inside, which nobody sees until it is cut */
    closed: boolean;
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
    /** the lowest and the highest of all that stands, metres */
    heights: [number, number];
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
    heights: [number, number];
    storeys: string[];
    classes: string[];
    types: string[];
    solids: [number, number, number][];
    things: [number, string, number, number, number, [number, number, number]][];
    stands: number;
    whole: boolean;
}

const FRAME = 12;

/** Reads what core packed (IfcBodies). */
export function bodiesOf(packed: ArrayBuffer): Bodies {
    const length = new DataView(packed).getUint32(0, true);
    const head = JSON.parse(new TextDecoder().decode(new Uint8Array(packed, 4, length))) as Head;
    const solids: Solid[] = head.solids.map(([, , closed]) => ({
        corners: new Float32Array(),
        triangles: new Uint32Array(),
        closed: closed === 1,
    }));
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
        heights: head.heights,
        storeys: head.storeys,
        classes: head.classes,
        things: head.things.map(([instance, name, ofClass, type, storey, size]) => ({
            instance,
            name,
            class: head.classes[ofClass] ?? '',
            type: head.types[type] ?? '',
            storey: head.storeys[storey] ?? '',
            size,
        })),
        solids,
        standing,
        whole: head.whole,
    };
}
