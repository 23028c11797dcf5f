import { describe, expect, it } from 'vitest';
import type { StakeoutPoint } from '../api/client';
import { EVERYTHING, filterOf, sharedNames } from './filter';

const point = (name: string, more: Partial<StakeoutPoint> = {}) =>
    ({ name, code: '', origin: 'typed', stakes: 0, state: 'open', ...more }) as StakeoutPoint;
const points = [point('A7'), point('A12', { code: 'AB' }), point('B1', { stakes: 1, state: 'done' }), point('A7', { origin: 'file' })];
const left = (filter: Partial<typeof EVERYTHING>) => points.filter(filterOf({ ...EVERYTHING, ...filter }, points)).map((p) => p.name);

describe('which points are listed', () => {
    it.each([
        ['all of them', {}, ['A7', 'A12', 'B1', 'A7']],
        ['of a code', { code: 'AB' }, ['A12']],
        ['without a code', { code: '' }, ['A7', 'B1', 'A7']],
        ['from a file', { origin: 'file' }, ['A7']],
        ['not yet staked', { state: 'open' as const }, ['A7', 'A12', 'A7']],
        ['staked', { state: 'done' as const }, ['B1']],
        ['that share a name', { state: 'shared' as const }, ['A7', 'A7']],
        ['from a name on, as people count', { first: 'A8' }, ['A12', 'B1']],
        ['up to a name', { last: 'A10' }, ['A7', 'A7']],
        ['both', { first: 'A8', last: 'A99' }, ['A12']],
    ])('%s', (_, filter, names) => {
        expect(left(filter)).toEqual(names);
    });

    it('counts how many bear a name', () => {
        expect([...sharedNames(points)]).toEqual([
            ['A7', 2],
            ['A12', 1],
            ['B1', 1],
        ]);
    });
});
