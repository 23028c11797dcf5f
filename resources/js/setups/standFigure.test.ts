import { describe, expect, it } from 'vitest';
import type { ControlPoint, Schemas } from '../api/client';
import { standFigure, timesOf } from './standFigure';

const precision = (name: string, northing: number, easting: number, major: number): Schemas['PointPrecision'] => ({
    name,
    position: { northing, easting, elevation: null },
    ellipse: { major, minor: major / 2, azimuth: 0 },
});
const words = (m: number) => `${1000 * m} mm`;

describe('where to stand, on the plan', () => {
    const control = [
        { name: 'A', northing: 1, easting: 2 },
        { name: 'B', northing: 3, easting: 4 },
        { name: 'C', northing: 5, easting: 6 },
    ] as ControlPoint[];
    const here = { best: ['A'], hidden: ['C'], points: [precision('P', 0, 0, 0.004)] } as unknown as Schemas['StandHere'];

    it('shows the ghost, the sights that serve best, what is hidden, and each point with its figure', () => {
        const figure = standFigure({ northing: 0, easting: 0 }, here, null, control, words);
        expect(figure.evidence?.filter((e) => e.as !== 'expected')).toEqual([
            { flat: [0, 0, 2, 1], as: 'ray' },
            { flat: [0, 0, 6, 5], as: 'unused' },
        ]);
        expect(figure.places.map((p) => p.label)).toEqual(['ghost', '4 mm']);
    });

    it('is empty without a ghost', () => {
        expect(standFigure(null, here, null, control, words)).toMatchObject({ evidence: [], places: [], cells: [] });
    });

    it('draws neighbours of one shade in a row as one, and nothing where too little is seen', () => {
        const raster = { south: 10, west: 100, step: 5, columns: 4, steps: [0.005], values: [0.001, 0.002, 0.009, -1, -1, -1, -1, 0.001] };
        expect(standFigure(null, null, raster, [], words).cells).toEqual([
            { northing: 10, easting: 100, height: 5, width: 10, level: 0 },
            { northing: 10, easting: 110, height: 5, width: 5, level: 1 },
            { northing: 15, easting: 115, height: 5, width: 5, level: 0 },
        ]);
    });

    it('enlarges ellipses so that the worst is seen beside the whole work', () => {
        expect(timesOf([])).toBe(1);
        expect(timesOf([precision('P', 0, 0, 0.004), precision('Q', 100, 0, 0.002)])).toBe(500);
        expect(timesOf([precision('P', 0, 0, 0.00001)])).toBe(500);
    });
});
