import { describe, expect, it } from 'vitest';
import { behindLabel, facePairs, groupsOf, heldBehind, type Offered, throughFace } from './example';

const face = (x: number, y: number, z: number) => ({ index: 0, x, y, z, rank: 0, of: 1 });
const corner = (x: number, y: number, level: string): Offered => ({
    what: 'corner',
    level,
    easting: x,
    northing: y,
    elevation: 0,
    looks: [x > 0 ? 'east' : 'west', y > 0 ? 'north' : 'south', level === 'top' ? 'up' : 'down'],
    spot: { kind: 'corner', topology: 't', faces: [face(x, 0, 0), face(0, y, 0), face(0, 0, level === 'top' ? 1 : -1)] },
});
const hole: Offered = { ...corner(1, 1, 'top'), what: 'centre of a hole', spot: { kind: 'axisEnd', topology: 't' }, looks: [] };

describe('points by example', () => {
    const offered = [corner(1, 1, 'underside'), corner(1, 1, 'top'), corner(-1, 1, 'top'), hole];

    it('puts spots of one kind and level together, what is staked most first', () => {
        expect(groupsOf(offered)).toMatchObject([
            { words: 'centre of a hole, top', numbers: [3] },
            { words: 'corner, top', numbers: [1, 2] },
            { words: 'corner, underside', numbers: [0] },
        ]);
    });

    it('asks once for the two sides of a plate, and says which they are', () => {
        expect(facePairs(offered).map((p) => p.words)).toEqual(['east and west', 'north', 'down and up']);
        expect(facePairs([hole])).toEqual([]);
    });

    it('calls distances by the sides they are from', () => {
        expect(['north', 'east and west', 'up', 'down and up'].map(behindLabel)).toEqual([
            'Edge distance from the north side',
            'Edge distance from the east and west sides',
            'Below the top',
            'From top and underside',
        ]);
    });

    it('keeps the distance behind both sides, and leaves holes where they are', () => {
        const [sides] = facePairs(offered);
        const behind = new Map([[sides?.key ?? '', 0.05]]);
        for (const o of [offered[1], offered[2]] as Offered[]) {
            expect(heldBehind(o.spot, behind).faces?.map((f) => f.inward)).toEqual([0.05, 0, 0]);
        }
        expect(heldBehind(hole.spot, behind)).toBe(hole.spot);
    });

    it('takes an axis through a face that was touched, and nothing else', () => {
        expect(throughFace(hole.spot, face(0, 0, 1))).toMatchObject({ kind: 'axisThroughFace', faces: [{ z: 1 }] });
        expect(throughFace(hole.spot, null)).toBe(hole.spot);
        const [at] = offered as [Offered];
        expect(throughFace(at.spot, face(0, 0, 1))).toBe(at.spot);
    });
});
