import { describe, expect, it } from 'vitest';
import { Crowd, type PlacedThing } from './crowd';

const point = (id: number, easting: number, northing: number): PlacedThing => ({
    thing: { what: 'point', id, name: `P${id}`, state: 'open', origin: 'file', chosen: false, colour: null, label: null },
    at: { easting, northing },
});
const many = (count: number) => Array.from({ length: count }, (_, i) => point(i, i % 100, Math.floor(i / 100)));

describe('things on the plan', () => {
    it('stand one by one while they are few, wherever the view is', () => {
        expect(new Crowd(many(50)).features([1e6, 1e6, 1e6 + 1, 1e6 + 1])).toHaveLength(50);
        expect(new Crowd([]).features([0, 0, 1, 1])).toHaveLength(0);
    });

    it('become one shape where thousands are in view, and single again near by', () => {
        const crowd = new Crowd([...many(20_000), { thing: { what: 'control', id: 1, name: 'CP1' }, at: { easting: 5, northing: 5 } }]);
        const all = crowd.features([0, 0, 100, 200]);
        expect(all.map((f) => f.get('thing').what).sort()).toEqual(['control', 'point']);
        const near = crowd.features([10, 10, 20, 20]);
        expect(near).toHaveLength(121);
        expect(near[0]?.get('thing').name).toMatch(/^P\d+$/);
    });

    it('are found by touch either way', () => {
        const crowd = new Crowd(many(20_000));
        expect(crowd.near({ easting: 42.2, northing: 7.1 }, 0.5)).toMatchObject({ id: 742 });
        expect(crowd.near({ easting: 42.5, northing: -9 }, 0.5)).toBeNull();
    });
});
