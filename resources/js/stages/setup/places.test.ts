import { describe, expect, it } from 'vitest';
import type { Schemas, SetupState } from '../../api/client';
import { suspectOf, worthOfShots } from './places';

const shot = (line: string, offset: number, normalised: number | null): Schemas['ShotResidualResource'] => ({
    line,
    offset,
    redundancy: normalised === null ? null : 0.5,
    normalised,
    detectable: 0.01,
    moves: 0.001,
});

const draft = (count: number) =>
    Array.from({ length: count }, (_, i) => ({ observationId: 100 + i }) as SetupState['draft']['shots'][number]);

describe('shots along lines', () => {
    it('names the one that fits worst, and only where it fits too badly', () => {
        expect(suspectOf(draft(3), [shot('A', 0.008, 6.1), shot('A', -0.013, 10), shot('A', 0.006, 5.8)])).toBe(101);
        expect(suspectOf(draft(2), [shot('A', 0.001, 1.2), shot('A', -0.001, 0.4)])).toBeNull();
        expect(suspectOf([], [])).toBeNull();
    });

    it('numbers them line by line and leaves out what is not in use', () => {
        const shots = [shot('A', 0, 1), shot('1', 0, 1), shot('A', 0, null), shot('A', 0, 1)];
        expect(worthOfShots({ shots } as Schemas['SolutionResource']).map((s) => s.name)).toEqual([
            'Line A, shot 1',
            'Line 1, shot 1',
            'Line A, shot 3',
        ]);
    });
});
