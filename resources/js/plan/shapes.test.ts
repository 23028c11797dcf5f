import { describe, expect, it } from 'vitest';
import { packed } from './packed.testing';
import { Kind, Shapes, strokes } from './shapes';

describe('packed shapes', () => {
    const shapes = packed(
        [Kind.line, 10, 2, 0, 3, 9, 0],
        [Kind.arc, 0, 0, 0, 10, 0, Math.PI / 2],
        [Kind.circle, 5, 6, 0, 2],
        [Kind.ellipse, 0, 0, 0, 3, 4, -4, 3, 0, 2 * Math.PI],
        [Kind.point, 1, 2, Number.NaN],
        [Kind.spline, 0, 0, 0, 10, 0, 0, 99, 10],
    );

    it('are counted by their eighty bytes, and half a one is none', () => {
        expect([shapes.count, new Shapes(new ArrayBuffer(0)).count, new Shapes(new ArrayBuffer(160)).count]).toEqual([6, 0, 2]);
    });

    it('tell kind, colour and place in the file', () => {
        const buffer = new ArrayBuffer(80);
        new DataView(buffer).setUint32(0, (0xa04020 << 8) | Kind.circle, true);
        new DataView(buffer).setUint32(4, 4711, true);
        const one = new Shapes(buffer);
        expect([one.kind(0), one.rgb(0), one.place(0)]).toEqual([Kind.circle, 0xa04020, 4711]);
    });

    it.each([
        ['line', 0, [3, 2, 10, 9]],
        ['arc, as a whole circle', 1, [-10, -10, 10, 10]],
        ['circle', 2, [3, 4, 7, 8]],
        ['ellipse', 3, [-5, -5, 5, 5]],
        ['point', 4, [1, 2, 1, 2]],
        ['spline whose curve is not here yet', 5, [0, 0, 10, 0]],
    ])('have bounds: %s', (_, i, box) => {
        expect(shapes.bounds(i)).toEqual(box);
    });

    it('are walked along by parts', () => {
        expect(shapes.at(0, 0.5)).toEqual([6.5, 5.5]);
        const [x, y] = shapes.at(1, 1);
        expect([x, y]).toEqual([expect.closeTo(0, 9), expect.closeTo(10, 9)]);
        expect(shapes.at(2, 0)).toEqual([7, 6]);
        expect(shapes.at(2, 0.25)).toEqual([expect.closeTo(5, 9), expect.closeTo(8, 9)]);
    });

    it('are drawn in chords of five degrees, one path for each colour; a point is no line', () => {
        const [only] = [...strokes(shapes).values()];
        expect(strokes(shapes).size).toBe(1);
        // line 2, arc 18 + 1, circle and ellipse 72 + 1, spline 2
        expect(only?.ends).toEqual([4, 4 + 38, 4 + 38 + 146, 4 + 38 + 2 * 146, 4 + 38 + 2 * 146 + 4]);
        expect(only?.flat.length).toBe(only?.ends.at(-1));
    });
});
