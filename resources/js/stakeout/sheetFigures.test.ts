import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { alongWords, besideLine, movesTo, toElevation } from './sheetFigures';

const guidance = (more: Partial<Schemas['Guidance']> = {}): Schemas['Guidance'] => ({
    toward: 1.2,
    right: -0.018,
    north: -0.5,
    east: 0.25,
    raise: 0.012,
    distance: 1.2,
    planIn: false,
    heightIn: false,
    azimuth: 0,
    facing: 0,
    verdict: 'out',
    ahead: null,
    aside: null,
    ...more,
});
const on = (more: Partial<Schemas['OnLine']> = {}): Schemas['OnLine'] => ({
    along: 12.48,
    toEnd: 3.02,
    offset: -0.018,
    piece: 1,
    pieces: 1,
    azimuth: 0,
    radius: null,
    reach: 'beside',
    ...more,
});
const said = (moves: { word: string; text: string }[]) => moves.map((m) => `${m.word} ${m.text}`);

describe('moves', () => {
    it('are said facing the instrument, by north, or along and across a line', () => {
        expect(said(movesTo(guidance(), 'instrument', 'm'))).toEqual([
            'toward instrument 1.200 m',
            'to your left 18.0 mm',
            'raise 12.0 mm',
        ]);
        expect(said(movesTo(guidance(), 'north', 'm'))).toEqual(['south 0.500 m', 'east 250.0 mm', 'raise 12.0 mm']);
        expect(said(movesTo(guidance({ ahead: -0.3, aside: 0.04 }), 7, 'm'))).toEqual([
            'back along the line 300.0 mm',
            'to its right 40.0 mm',
            'raise 12.0 mm',
        ]);
    });

    it('stay those of the instrument where the line for moves is not known yet', () => {
        expect(said(movesTo(guidance(), 7, 'm'))[0]).toBe('toward instrument 1.200 m');
    });

    it('say that no height is designed, and of an elevation the height alone', () => {
        expect(said(movesTo(guidance({ raise: null }), 'north', 'm'))[2]).toBe('height no design');
        expect(said(toElevation(-0.25, 'm'))).toEqual(['lower 250.0 mm']);
    });
});

describe('beside a line', () => {
    it('tells how far along, on which side, and what to cut or fill', () => {
        expect(said(besideLine(on(), -0.15, { length: 'm', station: '1+000' }))).toEqual([
            'from the start 12.480 m',
            'left of it 18.0 mm',
            'cut 150.0 mm',
        ]);
        expect(said(besideLine(on({ along: -0.5, offset: 0.2, reach: 'before_start' }), 0.15, { length: 'm', station: '1+000' }))).toEqual([
            'before the start 0.500 m',
            'right of it 200.0 mm',
            'fill 150.0 mm',
        ]);
    });

    it('lies on no side where the offset rounds to nothing', () => {
        expect(said(besideLine(on({ offset: 0.00001 }), null, { length: 'm', station: '1+000' }))[1]).toBe('on the line 0.0 mm');
    });

    it('says before the start and beyond the end, and that an arc goes on', () => {
        expect(alongWords(on(), 'm')).toBe('12.480 m from the start, 3.020 m to the end');
        expect(alongWords(on({ along: -1, toEnd: 16.5, reach: 'before_start' }), 'm')).toBe(
            '1.000 m before the start, straight on; 16.500 m to the end',
        );
        expect(alongWords(on({ along: 17, toEnd: -1.5, reach: 'beyond_end', radius: 100, piece: 2, pieces: 2 }), 'm')).toBe(
            '1.500 m beyond the end, on round its arc; 17.000 m from the start · arc, radius 100.000 m, 2 of 2',
        );
    });
});
