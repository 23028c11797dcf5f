import { describe, expect, it } from 'vitest';
import { type Curve, chordsOf } from './curves';
import { Kind, Shapes } from './shapes';
import { SnapIndex } from './snap';

const parabola: Curve = {
    degree: 2,
    knots: [0, 0, 0, 1, 1, 1],
    points: [
        [0, 0, 0],
        [5, 10, 0],
        [10, 0, 0],
    ],
    weights: [1, 1, 1],
};

/** A quarter of a circle is a rational curve: weights 1, cos 45°, 1. */
const quarter: Curve = {
    degree: 2,
    knots: [0, 0, 0, 1, 1, 1],
    points: [
        [10, 0, 0],
        [10, 10, 0],
        [0, 10, 0],
    ],
    weights: [1, Math.SQRT1_2, 1],
};

describe('a spline on the screen', () => {
    it('runs from its first to its last point, through the middle of its parabola', () => {
        const flat = chordsOf(parabola);
        expect(flat.slice(0, 2)).toEqual([0, 0]);
        expect(flat.slice(-2)).toEqual([10, 0]);
        expect([flat[12], flat[13]]).toEqual([5, 5]);
    });

    it('lies on the circle that its weights make it', () => {
        const flat = chordsOf(quarter);
        for (let i = 0; i < flat.length; i += 2) {
            expect(Math.hypot(flat[i] ?? 0, flat[i + 1] ?? 0)).toBeCloseTo(10, 12);
        }
    });

    it('is touched where it runs and offers its ends', () => {
        const buffer = new ArrayBuffer(80);
        new Uint32Array(buffer)[0] = Kind.spline | (0x123456 << 8);
        new Uint32Array(buffer)[1] = 77;
        new Float64Array(buffer).set([0, 0, 0, 10, 0, 0, 0, 11.5], 1);
        const shapes = new Shapes(buffer, [parabola]);
        expect([shapes.kind(0), shapes.rgb(0), shapes.place(0)]).toEqual([Kind.spline, 0x123456, 77]);
        expect(shapes.bounds(0)).toEqual([0, 0, 10, 5]);
        const index = new SnapIndex([{ id: 3, name: 'CURVES', strings: [], shapes }]);
        expect(index.touched(5, 5.05, 0.2)?.place).toBe(77);
        expect(index.touched(5, 1, 0.2)).toBeNull();
        expect(index.spot(10.1, 0, 0.5)?.kind).toBe('end');
    });
});
