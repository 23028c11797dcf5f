import { describe, expect, it } from 'vitest';
import { apart, BESIDE, type Labelled } from './apart';

const at = (x: number, y: number): Labelled => ({ x, y, rows: ['1+234.567', '3.250 m right'] });

const boxes = (labels: Labelled[]) =>
    apart(labels).map((b, i) => {
        const [label, width] = [labels[i] as Labelled, 13 * 7.9];
        const left = label.x + b.x - (b.align === 'left' ? 0 : width);
        return { left, right: left + width, top: label.y + b.y - 16, bottom: label.y + b.y + 16 };
    });

describe('labels that keep out of each other’s way', () => {
    it('stand below to the right where there is room', () => {
        expect(apart([at(0, 0), at(500, 0)])).toEqual([BESIDE[0], BESIDE[0]]);
    });
    it('find a free place each where points stand close', () => {
        const placed = boxes([at(0, 0), at(8, 4), at(-6, 10), at(4, -9)]);
        for (const [i, a] of placed.entries()) {
            for (const b of placed.slice(i + 1)) {
                expect(a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom).toBe(false);
            }
        }
    });
    it('fall back on the usual place where none is free', () => {
        const crowd = apart(Array.from({ length: 40 }, () => at(0, 0)));
        expect(crowd.at(-1)).toEqual(BESIDE[0]);
    });
    it('of none are none', () => {
        expect(apart([])).toEqual([]);
    });
});
