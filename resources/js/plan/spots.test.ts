import { describe, expect, it } from 'vitest';
import { packed } from './packed.testing';
import { Kind } from './shapes';
import { chordsOfShape, crossingsOf, distanceTo, onShape, prolongedOf, spotsOf, toChords } from './spots';

const QUARTER = Math.PI / 2;
const layer = {
    id: 7,
    name: 'WALLS',
    strings: ['GULLY', 'A long text of more than twenty-four letters'],
    shapes: packed(
        [Kind.line, 10, 20, 0, 18, 26, 0],
        [Kind.circle, 100, 100, 0, 5],
        [Kind.arc, 0, 0, 0, 10, 0, QUARTER],
        [Kind.arc, 0, 0, 0, 10, 0, -QUARTER],
        [Kind.ellipse, 50, 50, 0, 4, 0, 0, 2, 0, QUARTER],
        [Kind.point, 1, 2, 3],
        [Kind.text, 3, 4, 0, 0.5, 0, 1],
        [Kind.insert, 5, 6, 0, 0, 0],
        [Kind.face, 0, 0, 0, 1, 0, 0, 1, 1, 0],
        [Kind.line, 10, 26, 0, 18, 20, 0],
        [Kind.line, 30, 0, 0, 30, 10, 0],
        [Kind.circle, 106, 100, 0, 5],
        [Kind.line, 90, 103, 0, 120, 103, 0],
        [Kind.line, 5, 5, 0, 5, 5, 0],
    ),
};
const near = (shape: number) => ({ layer, shape });
const kinds = (shape: number) => spotsOf(near(shape)).map((s) => s.kind);

describe('the spots of a shape', () => {
    it.each([
        ['line', 0, ['start', 'end', 'middle']],
        ['circle', 1, ['centre', 'quadrant', 'quadrant', 'quadrant', 'quadrant']],
        ['arc', 2, ['start', 'end', 'middle', 'centre', 'quadrant', 'quadrant']],
        ['ellipse', 4, ['start', 'end', 'middle', 'centre']],
        ['point', 5, ['insertion']],
        ['text', 6, ['insertion']],
        ['insert', 7, ['insertion']],
        ['face', 8, []],
    ])('of a %s', (_, shape, expected) => {
        expect(kinds(shape)).toEqual(expected);
    });

    it('lie where the shape has them', () => {
        const [start, end, middle] = spotsOf(near(0));
        expect([start, end, middle].map((s) => [s?.x, s?.y])).toEqual([
            [10, 20],
            [18, 26],
            [14, 23],
        ]);
        expect(spotsOf(near(1)).map((s) => [s.x, s.y])).toEqual([
            [100, 100],
            [100, 105],
            [105, 100],
            [100, 95],
            [95, 100],
        ]);
    });

    it('names the quadrants of an arc that lie on it, whichever way it runs', () => {
        const named = (shape: number) => spotsOf(near(shape)).flatMap((s) => (s.kind === 'quadrant' ? [s.label.split(' ')[0]] : []));
        expect(named(2)).toEqual(['north', 'east']);
        expect(named(3)).toEqual(['east', 'south']);
    });

    it('says what each is, with its layer, and of texts what they say', () => {
        expect(spotsOf(near(0))[0]?.label).toBe('end of line, WALLS');
        expect(spotsOf(near(5))[0]?.label).toBe('point, WALLS');
        expect(spotsOf(near(6))[0]?.label).toBe('place of text “A long text of more than”, WALLS');
        expect(spotsOf(near(7))[0]?.label).toBe('place of insert “GULLY”, WALLS');
    });
});

describe('the place on a shape nearest to the pointer', () => {
    it('is the foot on a line, and an end beyond it', () => {
        expect(onShape(near(0), 14 - 3, 23 + 4)).toMatchObject({ x: 14, y: 23, kind: 'on' });
        expect(onShape(near(0), 0, 0)).toMatchObject({ x: 10, y: 20 });
        expect(onShape(near(0), 40, 40)).toMatchObject({ x: 18, y: 26 });
        expect(onShape(near(13), 9, 9)).toMatchObject({ x: 5, y: 5 });
    });

    it('is on the rim of a circle or an arc, and nowhere from the centre or beside the arc', () => {
        expect(onShape(near(1), 100, 120)).toMatchObject({ x: 100, y: 105 });
        expect(onShape(near(1), 100, 100)).toBeNull();
        expect(onShape(near(2), 3, 4)).toMatchObject({ x: 6, y: 8 });
        expect(onShape(near(2), -3, 4)).toBeNull();
        expect(onShape(near(5), 0, 0)).toBeNull();
    });
});

describe('how far a shape is', () => {
    it.each([
        ['a line beside it', 0, 14 - 3, 23 + 4, 5],
        ['a line beyond its end', 0, 18, 30, 4],
        ['a line of one place', 13, 8, 9, 5],
        ['a circle from inside', 1, 100, 102, 3],
        ['a circle from outside', 1, 100, 108, 3],
        ['an arc', 2, 6, 4, 10 - Math.hypot(6, 4)],
        ['an arc beyond its end', 2, 10, -4, 4],
        ['a point', 5, 4, 6, 5],
    ])('%s', (_, shape, x, y, far) => {
        expect(distanceTo(near(shape), x, y)).toBeCloseTo(far, 9);
    });

    it('is never near a face, and chords of an ellipse are near enough', () => {
        expect(distanceTo(near(8), 0.5, 0.5)).toBe(Number.POSITIVE_INFINITY);
        expect(distanceTo(near(4), 54, 50)).toBeLessThan(0.01);
        expect(chordsOfShape(near(4))).toHaveLength(73);
        expect(chordsOfShape(near(0))).toEqual([
            [10, 20],
            [18, 26],
        ]);
    });
});

describe('crossings under the pointer', () => {
    const cross = (a: number, b: number, x: number, y: number) => crossingsOf([near(a), near(b)], x, y, 1);

    it('of two lines, named by both', () => {
        expect(cross(0, 9, 14, 23)).toMatchObject([{ x: 14, y: 23, shape: 0, withShape: 9, kind: 'intersection' }]);
        expect(cross(0, 9, 17, 23)).toEqual([]);
    });

    it('only where both are drawn; where they would meet is another spot', () => {
        expect(cross(0, 10, 30, 35)).toEqual([]);
        const [met] = prolongedOf([near(0), near(10)], 30, 35, 1);
        expect(met).toMatchObject({ x: 30, y: 35, prolonged: true });
    });

    it('of a line and a circle, and of two circles', () => {
        expect(cross(1, 12, 104, 103)).toMatchObject([{ x: 104, y: 103 }]);
        expect(cross(12, 1, 96, 103)).toMatchObject([{ x: 96, y: 103 }]);
        const both = [...cross(1, 11, 103, 104), ...cross(1, 11, 103, 96)];
        expect(both.map((s) => [s.x, Math.round(s.y * 1e9) / 1e9])).toEqual([
            [103, 104],
            [103, 96],
        ]);
    });

    it('of nothing that runs alongside or misses', () => {
        expect(cross(0, 0, 14, 23)).toEqual([]);
        expect(cross(1, 10, 30, 5)).toEqual([]);
        expect(cross(1, 2, 0, 0)).toEqual([]);
    });

    it('measures to the nearest place of a line, not to its ends', () => {
        const line = [0, 0, 100, 0, 100, 50];
        expect(toChords(line, 50, -7)).toBe(7);
        expect(toChords(line, 103, 54)).toBe(5);
    });
});
