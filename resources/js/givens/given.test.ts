import { describe, expect, it } from 'vitest';
import type { ControlPoint, StakeoutPoint } from '../api/client';
import type { PlanTaken } from '../plan/contract';
import { placeOf } from '../plan/taken';
import { placeNamed, placeWords } from './given';

const named = {
    points: [{ id: 3, name: 'A' }] as StakeoutPoint[],
    control: [
        { id: 9, name: 'CP1' },
        { id: 8, name: 'A' },
    ] as ControlPoint[],
};

describe('a place that is given', () => {
    it('is found by its name, points before control', () => {
        expect(placeNamed('A', named)).toEqual({ pointId: 3 });
        expect(placeNamed('CP1', named)).toEqual({ controlId: 9 });
        expect(placeNamed('B', named)).toBeNull();
    });

    it('is what was touched: a thing before a spot, and nothing is nothing', () => {
        const spot = { layerId: 1, shape: 2, kind: 'end', x: 0, y: 0, label: '' };
        expect(placeOf({ thing: { what: 'point', id: 3 }, spot } as PlanTaken)).toEqual({ pointId: 3 });
        expect(placeOf({ thing: { what: 'control', id: 9 }, spot: null } as PlanTaken)).toEqual({ controlId: 9 });
        // The pole and the instrument are places by where they stood when they were touched.
        expect(placeOf({ thing: { what: 'pole', at: { northing: 1, easting: 2, elevation: 3 } }, spot: null } as PlanTaken)).toEqual({
            northing: 1,
            easting: 2,
            elevation: 3,
        });
        expect(placeOf({ thing: null, spot } as PlanTaken)).toMatchObject({ spot: { layerId: 1, shape: 2, kind: 'end' } });
        expect(placeOf({ thing: null, spot: null } as unknown as PlanTaken)).toBeNull();
    });

    it('is said in words, also where it is gone', () => {
        expect(placeWords({ pointId: 3 }, named)).toBe('A');
        expect(placeWords({ pointId: 4 }, named)).toBe('a point that is gone');
        expect(placeWords({ controlId: 9 }, named)).toBe('CP1');
        expect(placeWords({ controlId: 1 }, named)).toBe('control that is gone');
        expect(placeWords({ spot: { layerId: 1, shape: 1, kind: 'start' } }, named)).toBe('end in the drawing');
        expect(placeWords({}, named)).toBe('');
    });
});
