import { describe, expect, it } from 'vitest';
import type { Mark } from '../api/client';
import { lathLines } from './Lath';

const ALL = ['name', 'code', 'along', 'offset', 'parallel', 'cut_fill', 'elevation'] as const;
const mark = (more: Partial<Mark> = {}): Mark =>
    ({
        name: 'L1',
        code: 'KERB',
        found: { northing: 1, easting: 2, elevation: 4.43 },
        design: { northing: 1, easting: 2, elevation: 4.58 },
        deviation: { northing: 0, easting: 0, plan: 0, height: -0.15 },
        aimed: null,
        ...more,
    }) as Mark;

describe('what goes on the lath', () => {
    it('says cut or fill in words, and to what', () => {
        expect(lathLines(mark(), ALL, { length: 'm', station: '1+000' })).toEqual(['L1', 'KERB', 'FILL 0.150 m to 4.580 m', 'El 4.430 m']);
        const cut = mark({ deviation: { northing: 0, easting: 0, plan: 0, height: 1.2 } });
        expect(lathLines(cut, ['cut_fill'], { length: 'm', station: '1+000' })).toEqual(['CUT 1.200 m to 4.580 m']);
        const level = mark({ deviation: { northing: 0, easting: 0, plan: 0, height: 0.0002 } });
        expect(lathLines(level, ['cut_fill'], { length: 'm', station: '1+000' })).toEqual(['on grade, 4.580 m']);
    });

    it('says where along which line, and beside it', () => {
        const aimed = {
            kind: 'line',
            name: 'TRACK arc',
            source: '',
            along: 52.728,
            offset: -0.0021,
            parallel: 0.75,
            parallelName: 'rail',
        } as Mark['aimed'];
        expect(lathLines(mark({ aimed }), ['along', 'offset', 'parallel'], { length: 'm', station: '1+000' })).toEqual([
            '52.728 m along TRACK arc, rail',
            '2.1 mm left of it',
            '0.750 m right of TRACK arc',
        ]);
    });

    it('leaves out what there is nothing to say of', () => {
        expect(
            lathLines(mark({ code: '', design: null, deviation: null }), ['code', 'along', 'cut_fill'], { length: 'm', station: '1+000' }),
        ).toEqual([]);
    });
});
