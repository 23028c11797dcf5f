import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { standing } from './ChecksChart';
import { worstOf } from './residual';
import { usedFor } from './sightBodies';

const residual = (name: string, normalised: number | null, used = true) =>
    ({ name, normalised, usedForPlan: used, usedForHeight: false, observed: [] }) as unknown as Schemas['SightResidual'];

describe('which sight fits least', () => {
    it('is the one that is off most beside its own deviation, to either side', () => {
        expect(worstOf([residual('CP1', 0.4), residual('CP2', -2.1), residual('CP3', 1.9)])).toBe('CP2');
    });

    it('is none where nothing is spare, and never one that is left out', () => {
        expect(worstOf([])).toBeNull();
        expect(worstOf([residual('CP1', null), residual('CP2', 0)])).toBeNull();
        expect(worstOf([residual('CP1', 0.4), residual('CP2', 9.9, false)])).toBe('CP1');
    });
});

describe('what a sight is used for', () => {
    const all = { plan: true, height: true, direction: true, useDistance: true, slope: 40 };

    it.each([
        [all, 'plan, height'],
        [{ ...all, height: false }, 'plan'],
        [{ ...all, plan: false }, 'height'],
        [{ ...all, useDistance: false }, 'direction, height'],
        [{ ...all, slope: null }, 'direction, height'],
        [{ ...all, direction: false, height: false }, 'distance'],
        [{ ...all, plan: false, height: false }, 'left out'],
        [{ ...all, direction: false, useDistance: false, height: false }, 'left out'],
    ])('%j is %s', (sight, words) => expect(usedFor(sight, false)).toBe(words));

    it('is height alone where only the height is looked for', () => {
        expect(usedFor(all, true)).toBe('height');
        expect(usedFor({ ...all, height: false }, true)).toBe('left out');
    });
});

describe('how a setup stands is one sentence', () => {
    const verdict = 'The verdict.';
    it.each([
        [{ holds: false, verdict, due: 'Check.' }, 'The verdict.'],
        [{ holds: null, verdict, due: 'Check.' }, 'The verdict. Check.'],
        [{ holds: true, verdict, due: 'Check.' }, 'Check.'],
        [{ holds: true, verdict, due: null }, 'The verdict.'],
    ])('%j: %s', (checks, words) => expect(standing(checks)).toBe(words));
});
