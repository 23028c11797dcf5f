import { describe, expect, it } from 'vitest';
import type { StakeoutPoint } from '../api/client';
import { nameTaken } from './nameTaken';

const points = [
    { id: 1, name: 'A1.1' },
    { id: 2, name: 'A1.2' },
    { id: 3, name: 'A1.2' },
] as StakeoutPoint[];

describe('a name that is taken', () => {
    it('is said, blanks around it or not', () => {
        expect(nameTaken(points, 'A1.1')).toBe('There is a point “A1.1” already.');
        expect(nameTaken(points, ' A1.1 ')).toBe('There is a point “A1.1” already.');
        expect(nameTaken(points, 'a1.1')).toBeNull();
        expect(nameTaken([], 'A1.1')).toBeNull();
    });

    it('is no fault of the point that has it, nor of one that shares it and keeps it', () => {
        expect(nameTaken(points, 'A1.1', points[0])).toBeNull();
        expect(nameTaken(points, 'A1.2', points[1])).toBeNull();
        expect(nameTaken(points, 'A1.2', points[0])).toBe('There is a point “A1.2” already.');
    });
});
