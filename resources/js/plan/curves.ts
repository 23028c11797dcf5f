/** A rational B-spline as core keeps it (core/src/Geometry/Spline.php). */
export interface Curve {
    degree: number;
    knots: number[];
    points: [number, number, number][];
    weights: number[];
}

const PER_SPAN = 12;
const kept = new WeakMap<Curve, number[]>();

/** The curve as a flat row of x and y, for the screen; made once. */
export function chordsOf(curve: Curve): number[] {
    const known = kept.get(curve);
    if (known) {
        return known;
    }
    const { degree, knots, points } = curve;
    const flat: number[] = [];
    for (let span = degree; span < points.length; span++) {
        const [from, to] = [knots[span] ?? 0, knots[span + 1] ?? 0];
        if (to > from) {
            for (let k = flat.length === 0 ? 0 : 1; k <= PER_SPAN; k++) {
                flat.push(...at(curve, span, from + ((to - from) * k) / PER_SPAN));
            }
        }
    }
    kept.set(curve, flat);
    return flat;
}

/** De Boor’s algorithm in one knot span, with weights. */
function at({ degree, knots, points, weights }: Curve, span: number, t: number): [number, number] {
    const d = Array.from({ length: degree + 1 }, (_, j) => {
        const [x, y] = points[span - degree + j] ?? [0, 0];
        const w = weights[span - degree + j] ?? 1;
        return [x * w, y * w, w] as [number, number, number];
    });
    for (let r = 1; r <= degree; r++) {
        for (let j = degree; j >= r; j--) {
            const i = span - degree + j;
            const wide = (knots[i + degree - r + 1] ?? 0) - (knots[i] ?? 0);
            const a = wide > 0 ? (t - (knots[i] ?? 0)) / wide : 0;
            const p = d[j - 1] as [number, number, number];
            const q = d[j] as [number, number, number];
            d[j] = [(1 - a) * p[0] + a * q[0], (1 - a) * p[1] + a * q[1], (1 - a) * p[2] + a * q[2]];
        }
    }
    const [x, y, w] = d[degree] ?? [0, 0, 1];
    return [x / w, y / w];
}
