import { describe, expect, it } from 'vitest';
import { ellipse, roundTimes } from './ellipse';

describe('an error ellipse on the plan', () => {
    const at = { northing: 100, easting: 200 };

    it('runs along its azimuth from the place, clockwise from north', () => {
        const [e, n] = ellipse(at, { major: 0.002, minor: 0.001, azimuth: Math.PI / 2 }, 1000);
        expect([e, n]).toEqual([expect.closeTo(202, 9), expect.closeTo(100, 9)]);
        const [e0, n0] = ellipse(at, { major: 0.002, minor: 0.001, azimuth: 0 }, 1000);
        expect([e0, n0]).toEqual([expect.closeTo(200, 9), expect.closeTo(102, 9)]);
    });

    it('closes, and is nowhere farther than its longer axis or nearer than its shorter one', () => {
        const flat = ellipse(at, { major: 3, minor: 2, azimuth: 0.7 }, 1, 24);
        expect(flat).toHaveLength(50);
        expect(flat.slice(-2)).toEqual([expect.closeTo(flat[0] ?? 0, 9), expect.closeTo(flat[1] ?? 0, 9)]);
        for (let i = 0; i < flat.length; i += 2) {
            const off = Math.hypot((flat[i] ?? 0) - 200, (flat[i + 1] ?? 0) - 100);
            expect(off).toBeGreaterThan(2 - 1e-9);
            expect(off).toBeLessThan(3 + 1e-9);
        }
    });

    it.each([
        [1, 1],
        [1.99, 1],
        [4.9, 2],
        [9.99, 5],
        [1234, 1000],
        [0.07, 0.05],
    ])('is enlarged %d times as %d', (x, times) => {
        expect(roundTimes(x)).toBeCloseTo(times, 9);
    });
});
