import { describe, expect, it } from 'vitest';
import type { ControlPoint, StakeoutPoint } from '../api/client';
import { foundOf, rowsOf } from './FindPoint';

const point = (id: number, name: string, stakes = 0, code = '') =>
    ({ id, name, stakes, state: stakes > 0 ? 'done' : 'open', code }) as StakeoutPoint;
const rows = rowsOf(
    [point(1, 'G10'), point(2, 'G2', 1), point(3, 'G1', 0, 'GULLY'), point(4, 'Ü "1" <b>')],
    [{ id: 9, name: 'CP1', code: 'PIN' } as ControlPoint],
);
const names = (wanted: string, none?: string) => foundOf(rows, wanted, none).map((r) => r.name);

describe('finding a point by typing', () => {
    it('lists those not yet staked first, by number within the name, and control last', () => {
        expect(names('')).toEqual(['G1', 'G10', 'Ü "1" <b>', 'G2', 'CP1']);
        expect(names('', 'none')[0]).toBe('none');
    });

    it('puts a name typed whole before those that begin so, and these before those that hold it', () => {
        expect(names('g1')).toEqual(['G1', 'G10']);
        expect(names('1')).toEqual(['G1', 'G10', 'Ü "1" <b>', 'CP1']);
    });

    it('finds by code, by state and by any letters, and nothing where nothing is', () => {
        expect(names('gully')).toEqual(['G1']);
        expect(names('g not yet')).toEqual(['G1', 'G10']);
        expect(names('ü')).toEqual(['Ü "1" <b>']);
        expect(names('zz')).toEqual([]);
    });
});
