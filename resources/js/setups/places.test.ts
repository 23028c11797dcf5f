import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { worthOfShots } from './places';

const shot = (line: string, offset: number, normalised: number | null): Schemas['ShotResidual'] => ({
    line,
    offset,
    reliability: normalised === null ? null : { redundancy: 0.5, normalised, detectable: 0.01 },
    moves: 0.001,
});

describe('shots along lines', () => {
    it('numbers them line by line and leaves out what is not in use', () => {
        const shots = [shot('A', 0, 1), shot('1', 0, 1), shot('A', 0, null), shot('A', 0, 1)];
        expect(worthOfShots({ shots } as Schemas['SolutionEntry']).map((s) => s.name)).toEqual([
            'Line A, shot 1',
            'Line 1, shot 1',
            'Line A, shot 3',
        ]);
    });
});
