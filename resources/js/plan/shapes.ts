/**
 * The packed shapes of a layer, as core packs them (docs/drawing-records.md): 80 bytes each, two unsigned integers and nine doubles,
 * little-endian. x is easting, y is northing.
 */
import { type Curve, chordsOf } from './curves';

export const KINDS = ['', 'line', 'arc', 'circle', 'point', 'text', 'insert', 'ellipse', 'spline', 'face'] as const;
export const Kind = { line: 1, arc: 2, circle: 3, point: 4, text: 5, insert: 6, ellipse: 7, spline: 8, face: 9 } as const;

const DOUBLES = 10;

export class Shapes {
    readonly count: number;
    private readonly head: Uint32Array;
    private readonly values: Float64Array;

    /** @param curves of the layer, which splines name by their index */
    constructor(
        buffer: ArrayBuffer,
        private readonly curves: Curve[] = [],
    ) {
        this.count = Math.floor(buffer.byteLength / (DOUBLES * 8));
        this.head = new Uint32Array(buffer);
        this.values = new Float64Array(buffer);
    }

    kind(i: number): number {
        return (this.head[i * DOUBLES * 2] ?? 0) & 0xff;
    }

    /** 24-bit colour it is drawn in. */
    rgb(i: number): number {
        return (this.head[i * DOUBLES * 2] ?? 0) >>> 8;
    }

    /** Where in the drawing file the entity begins. */
    place(i: number): number {
        return this.head[i * DOUBLES * 2 + 1] ?? 0;
    }

    v(i: number, k: number): number {
        return this.values[i * DOUBLES + 1 + k] ?? Number.NaN;
    }

    /** Least x, least y, greatest x, greatest y; a whole circle for an arc, which is enough to look around the pointer. */
    bounds(i: number): [number, number, number, number] {
        const [a, b] = [this.v(i, 0), this.v(i, 1)];
        switch (this.kind(i)) {
            case Kind.line:
                return [Math.min(a, this.v(i, 3)), Math.min(b, this.v(i, 4)), Math.max(a, this.v(i, 3)), Math.max(b, this.v(i, 4))];
            case Kind.arc:
            case Kind.circle:
                return [a - this.v(i, 3), b - this.v(i, 3), a + this.v(i, 3), b + this.v(i, 3)];
            case Kind.ellipse: {
                const w = Math.hypot(this.v(i, 3), this.v(i, 5));
                const h = Math.hypot(this.v(i, 4), this.v(i, 6));
                return [a - w, b - h, a + w, b + h];
            }
            case Kind.spline: {
                const points = this.chords(i);
                const box: [number, number, number, number] = [a, b, a, b];
                for (let k = 0; k < points.length; k += 2) {
                    box[0] = Math.min(box[0], points[k] ?? a);
                    box[1] = Math.min(box[1], points[k + 1] ?? b);
                    box[2] = Math.max(box[2], points[k] ?? a);
                    box[3] = Math.max(box[3], points[k + 1] ?? b);
                }
                return box;
            }
            default:
                return [a, b, a, b];
        }
    }

    /** A spline as chords, for the screen and for the pointer; its ends where its curve is not here yet. */
    chords(i: number): number[] {
        const curve = this.curves[this.v(i, 6)];
        return curve ? chordsOf(curve) : [this.v(i, 0), this.v(i, 1), this.v(i, 3), this.v(i, 4)];
    }

    /** The place at a part (0 to 1) of a line, arc, circle or ellipse. */
    at(i: number, part: number): [number, number] {
        const [cx, cy] = [this.v(i, 0), this.v(i, 1)];
        switch (this.kind(i)) {
            case Kind.line:
            case Kind.spline:
                return [cx + part * (this.v(i, 3) - cx), cy + part * (this.v(i, 4) - cy)];
            case Kind.arc:
            case Kind.circle: {
                const t = this.kind(i) === Kind.arc ? this.v(i, 4) + part * this.v(i, 5) : part * 2 * Math.PI;
                return [cx + this.v(i, 3) * Math.cos(t), cy + this.v(i, 3) * Math.sin(t)];
            }
            case Kind.ellipse: {
                const t = this.v(i, 7) + part * this.v(i, 8);
                return [
                    cx + this.v(i, 3) * Math.cos(t) + this.v(i, 5) * Math.sin(t),
                    cy + this.v(i, 4) * Math.cos(t) + this.v(i, 6) * Math.sin(t),
                ];
            }
            default:
                return [cx, cy];
        }
    }
}

const CHORD = Math.PI / 36;

interface Strokes {
    flat: number[];
    ends: number[];
}

/** Everything that is drawn as a line, in one flat array for each colour: chords of 5 degrees for the screen only. */
export function strokes(shapes: Shapes): Map<number, Strokes> {
    const byColour = new Map<number, Strokes>();
    for (let i = 0; i < shapes.count; i++) {
        const kind = shapes.kind(i);
        if (kind === Kind.point || kind === Kind.text || kind === Kind.insert || kind === Kind.face) {
            continue;
        }
        const rgb = shapes.rgb(i);
        let own = byColour.get(rgb);
        if (!own) {
            own = { flat: [], ends: [] };
            byColour.set(rgb, own);
        }
        const { flat, ends } = own;
        if (kind === Kind.line) {
            flat.push(shapes.v(i, 0), shapes.v(i, 1), shapes.v(i, 3), shapes.v(i, 4));
        } else if (kind === Kind.spline) {
            for (const c of shapes.chords(i)) {
                flat.push(c);
            }
        } else {
            const sweep = kind === Kind.arc ? shapes.v(i, 5) : kind === Kind.ellipse ? shapes.v(i, 8) : 2 * Math.PI;
            const steps = Math.max(2, Math.ceil(Math.abs(sweep) / CHORD));
            for (let s = 0; s <= steps; s++) {
                const [x, y] = shapes.at(i, s / steps);
                flat.push(x, y);
            }
        }
        ends.push(flat.length);
    }
    return byColour;
}
