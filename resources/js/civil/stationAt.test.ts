import { describe, expect, it } from 'vitest';
import { stationAt } from './stationAt';

const road = {
    from: 1000,
    equations: [
        { at: 60, back: 1060, ahead: 2000 },
        { at: 100, back: 2040, ahead: 2010 },
    ],
};

describe('how a place is counted', () => {
    it.each([
        [0, 1000, 1],
        [59.9, 1059.9, 1],
        [60, 2000, 2],
        [90, 2030, 2],
        [100, 2010, 3],
        [120, 2030, 3],
        [-5, 995, 1],
    ])('%f m along', (along, station, region) => {
        const found = stationAt(road, along);
        expect(found.station).toBeCloseTo(station, 9);
        expect(found.region).toBe(region);
    });
    it('goes on from the start where nothing jumps', () => {
        expect(stationAt({ from: 500, equations: [] }, 20)).toEqual({ station: 520, region: 1 });
    });
});
