import { describe, expect, it } from 'vitest';
import { packed } from './packed.testing';
import { Kind, type Shapes, strokes } from './shapes';
import { SnapIndex } from './snap';

const layer = (shapes: Shapes, id = 1, name = 'WALLS') => ({ id, name, strings: ['GULLY'], shapes });

describe('snapping', () => {
    const E0 = 3_456_789;
    const walls = layer(
        packed(
            [Kind.line, E0, 10, 0, E0 + 24, 10, 0],
            [Kind.line, E0 + 10, 0, 0, E0 + 10, 30, 0],
            [Kind.circle, E0 + 50, 50, 0, 4],
            [Kind.arc, E0 + 100, 0, 0, 10, 0, Math.PI / 2],
            [Kind.insert, E0 + 70, 0, 0, 0, 0],
        ),
    );
    const index = new SnapIndex([walls]);

    it.each([
        ['start', E0 + 0.3, 10.2],
        ['end', E0 + 23.8, 10.1],
        ['intersection', E0 + 10.2, 10.2],
        ['centre', E0 + 50.2, 49.8],
        ['centre', E0 + 54.1, 50],
        ['middle', E0 + 100 + 7.1, 7],
        ['insertion', E0 + 70.1, 0.1],
    ])('offers the %s under the pointer', (kind, x, y) => {
        expect(index.spot(x, y, 1)?.kind).toBe(kind);
    });

    it('says end where a line ends on another and where an outline turns, and crossing where both run on', () => {
        const corner = new SnapIndex([
            layer(
                packed(
                    [Kind.line, 0, 0, 0, 10, 0, 0],
                    [Kind.line, 10, 0, 0, 10, 10, 0],
                    [Kind.line, 4, 0, 0, 4, 8, 0],
                    [Kind.line, 2, 5, 0, 6, 5, 0],
                ),
            ),
        ]);
        expect(corner.spots(10.1, 0.1, 1)).toMatchObject([{ kind: 'end', shape: 0, withShape: 1, label: 'corner, WALLS' }]);
        expect(corner.spots(4, 0.1, 0.5).map((s) => s.kind)).toEqual(['start']);
        expect(corner.spots(4.1, 5.1, 0.5).map((s) => s.kind)).toEqual(['intersection']);
    });

    it('says corner only where the outline turns: an end that runs straight on, or into an arc without a kink, is an end', () => {
        const outline = new SnapIndex([
            layer(
                packed(
                    [Kind.line, 0, 0, 0, 10, 0, 0],
                    [Kind.line, 10, 0, 0, 20, 0, 0],
                    // Turns left from east: its centre lies to the north.
                    [Kind.arc, 20, 5, 0, 5, -Math.PI / 2, Math.PI / 2],
                    [Kind.line, 25, 5, 0, 30, 5, 0],
                ),
            ),
        ]);
        const label = (x: number, y: number) => outline.spots(x, y, 0.5)[0]?.label;
        expect(label(10, 0.1)).toBe('end of line, WALLS');
        expect(label(20, -0.1)).toBe('end of line, WALLS');
        expect(label(25.1, 5)).toBe('corner, WALLS');
    });

    it('names both lines of an intersection so that core can compute it', () => {
        expect(index.spot(E0 + 10, 10, 1)).toMatchObject({ shape: 0, withShape: 1, layerId: 1, withLayerId: 1 });
    });

    it('offers nothing where nothing is, and nothing of an arc beyond its ends', () => {
        expect(index.spot(E0 + 30, 30, 1)).toBeNull();
        expect(index.spot(E0 + 90, 0, 1)).toBeNull();
        expect(new SnapIndex([]).spot(0, 0, 10)).toBeNull();
    });

    it('picks nothing from a layer that is hidden, for it is not given one', () => {
        expect(new SnapIndex([layer(packed([Kind.point, 0, 0, 0]), 2, 'OTHER')]).spot(E0 + 10, 10, 1)).toBeNull();
    });

    it('tells what was touched', () => {
        expect(index.touched(E0 + 5, 10.2, 1)).toEqual({ layerId: 1, shape: 0, layer: 'WALLS', kind: 'line', place: 100, text: null });
        expect(index.touched(E0 + 70, 0, 1)?.text).toBe('GULLY');
    });

    it('draws arcs as chords of at most five degrees and loses no end', () => {
        const { flat, ends } = strokes(packed([Kind.arc, 0, 0, 0, 10, 0, Math.PI / 2])).get(0) ?? { flat: [], ends: [] };
        expect(ends).toEqual([flat.length]);
        expect(flat.length / 2).toBe(19);
        expect(flat[flat.length - 1]).toBeCloseTo(10, 12);
    });
});
