import { describe, expect, it } from 'vitest';
import { cutFillBands, elevationBands } from './bands';
import { meshOf, type SurfaceMesh } from './surfaceMesh';
import { fallsOf, heightsOf, paintBands, paintEdges, slopesOf } from './surfacePicture';

/** A square of ten metres that rises one metre to the east, on a sheet of a pixel to a metre with a pixel about it. */
const square: SurfaceMesh = {
    e: Float64Array.of(0, 10, 10, 0),
    n: Float64Array.of(0, 0, 10, 10),
    z: Float64Array.of(5, 6, 6, 5),
    corners: Uint32Array.of(0, 1, 2, 0, 2, 3),
};
const sheet = { west: -1, north: 11, resolution: 1, width: 12, height: 12 };
const at = (x: number, y: number) => y * sheet.width + x;

describe('the picture of a surface', () => {
    it('has the height of the middle of each pixel, and none outside', () => {
        const heights = heightsOf(square, sheet);
        expect(heights[at(1, 1)]).toBeCloseTo(5.05, 5);
        expect(heights[at(10, 6)]).toBeCloseTo(5.95, 5);
        expect(heights[at(0, 5)]).toBeNaN();
        expect(heights.filter((h) => !Number.isNaN(h)).length).toBe(100);
    });
    it('knows slope and the way down', () => {
        const heights = heightsOf(square, sheet);
        expect(slopesOf(heights, sheet)[at(5, 5)]).toBeCloseTo(0.1, 5);
        const [fall] = fallsOf(heights, sheet, 8);
        expect([fall?.dx, fall?.dy]).toEqual([expect.closeTo(-1, 5), expect.closeTo(0, 5)]);
    });
    it('paints bands, fill with stripes, and edges over them', () => {
        const image = new Uint8ClampedArray(4 * 144);
        const values = new Float32Array(144).fill(Number.NaN);
        values[0] = 0.3;
        values[10] = -0.3;
        values[3] = -0.3;
        values[4] = 0.001;
        const { bands, ranges } = cutFillBands(0.5, 0.005);
        paintBands(image, values, 12, bands);
        const colour = (k: number) => [...image.slice(4 * k, 4 * k + 4)];
        expect(colour(1)).toEqual([0, 0, 0, 0]);
        expect(colour(0)[3]).toBe(190);
        expect(colour(0)[0]).toBeGreaterThan(colour(0)[2] ?? 0);
        expect(colour(3)[2]).toBeGreaterThan(colour(3)[0] ?? 0);
        expect(colour(4)[3]).toBe(190);
        expect(colour(10)[3]).not.toBe(colour(3)[3] === 190 ? 0 : 190);
        expect(ranges.find((r) => r.from <= 0.3 && r.to > 0.3)?.word).toBe('cut');
        paintEdges(image, square, sheet, [1, 2, 3], 99);
        expect(colour(at(6, 11))).toEqual([1, 2, 3, 99]);
    });
    it('has bands of round heights', () => {
        const { ranges } = elevationBands(3.72, 4.6);
        expect(ranges[0]?.from).toBeCloseTo(3.6, 9);
        expect(ranges.every((r, i) => i === 0 || Math.abs(r.from - (ranges[i - 1]?.to ?? 0)) < 1e-9)).toBe(true);
    });
    it('reads tiles one after another', () => {
        const tile = (e: number) => {
            const bytes = new DataView(new ArrayBuffer(4 + 8 + 3 * 28 + 6));
            bytes.setUint32(0, bytes.byteLength - 4, true);
            bytes.setUint32(4, 3, true);
            bytes.setUint32(8, 1, true);
            [
                [0, e, 1],
                [1, e, 2],
                [0, e + 1, 3],
            ].forEach(([n = 0, x = 0, z = 0], i) => {
                bytes.setFloat64(24 + 24 * i, n, true);
                bytes.setFloat64(32 + 24 * i, x, true);
                bytes.setFloat64(40 + 24 * i, z, true);
                bytes.setUint16(96 + 2 * i, i, true);
            });
            return new Uint8Array(bytes.buffer);
        };
        const mesh = meshOf(Uint8Array.of(...tile(7), ...tile(9)).buffer);
        expect([...mesh.corners]).toEqual([0, 1, 2, 3, 4, 5]);
        expect([mesh.e[3], mesh.n[1], mesh.z[5]]).toEqual([9, 1, 3]);
    });
});
