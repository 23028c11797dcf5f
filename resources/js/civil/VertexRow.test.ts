import { describe, expect, it } from 'vitest';
import { rounded } from './VertexRow';

const at = { along: 100, elevation: 5 };

describe('how a vertex is rounded', () => {
    it('keeps the length when a parabola becomes unequal, and back', () => {
        const parts = rounded({ ...at, length: 60, out: null, radius: null }, 'unequal');
        expect(parts).toEqual({ length: 30, out: 30, radius: null });
        expect(rounded({ ...at, length: 20, out: 40, radius: null }, 'parabola')).toEqual({ length: 60, out: null, radius: null });
    });
    it('has a radius as a circle and no length', () => {
        expect(rounded({ ...at, length: 60, out: null, radius: null }, 'circle')).toEqual({ length: 0, out: null, radius: 500 });
    });
    it('begins with a length where it had none', () => {
        expect(rounded({ ...at, length: 0, out: null, radius: null }, 'parabola').length).toBe(20);
    });
});
