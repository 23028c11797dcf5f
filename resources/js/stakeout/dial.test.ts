import { describe, expect, it } from 'vitest';
import { radiusOf, ringsOf } from './dial';

describe('the approach dial', () => {
    it('keeps the target at the centre and everything beyond forty metres on the rim', () => {
        expect(radiusOf(0)).toBe(0);
        expect(radiusOf(40)).toBe(1);
        expect(radiusOf(4000)).toBe(1);
    });

    it('gives each tenfold approach the same way to go', () => {
        const steps = [10, 1, 0.1, 0.01].map(radiusOf);
        expect((steps[0] ?? 0) - (steps[1] ?? 0)).toBeCloseTo((steps[2] ?? 0) - (steps[3] ?? 0), 12);
    });

    it('has rings in the unit of the project', () => {
        expect(ringsOf('m').map((r) => r.word)).toContain('100 mm');
        expect(ringsOf('ftin16').map((r) => r.word)).toContain('4"');
    });
});
