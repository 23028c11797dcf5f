import { describe, expect, it } from 'vitest';
import { offerFor } from './offer';
import type { Spot } from './snap';

const spot = (label: string, x: number, y = 0) => ({ label, x, y, kind: 'end', layerId: 1, shape: 1 }) as Spot;
const [a, b] = [spot('a', 0), spot('b', 3)];

describe('the spot that is offered while walking', () => {
    it('is the nearest, and changes as one walks', () => {
        expect(offerFor(null, false, 1.4, 0, [a, b])).toBe(a);
        expect(offerFor(a, false, 1.6, 0, [a, b])).toBe(b);
        expect(offerFor(a, false, 1.6, 0, [])).toBeNull();
    });

    it('stays once it is locked, however far one walks', () => {
        expect(offerFor(a, true, 30, 0, [b])).toBe(a);
    });

    it('stays while the pole is within a metre of it, though a crossing lies nearer', () => {
        const crossing = spot('crossing', 0.5);
        expect(offerFor(a, false, 0.6, 0, [a, crossing])).toBe(a);
        expect(offerFor(a, false, 1.1, 0, [a, crossing])).toBe(crossing);
    });
});
