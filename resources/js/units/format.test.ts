import { describe, expect, it } from 'vitest';
import table from '../../../core/tests/tables/figures.json';
import type { Units } from '../api/client';
import {
    formatAngle,
    formatDeviation,
    formatDirection,
    formatJudged,
    formatLength,
    formatSmallAngle,
    inWords,
    type Side,
    sidedAngle,
    sidedLength,
} from './format';

/** The PDF, written by core, is held to the same table. */
const length = (style: string) => style as Units['length'];
const angle = (style: string) => style as Units['angle'];

describe('figures', () => {
    it.each(table.lengths)('writes the length $text', ({ metres, style, text }) => expect(formatLength(metres, length(style))).toBe(text));
    it.each(table.deviations)('writes the deviation $text', ({ metres, style, text }) =>
        expect(formatDeviation(metres, length(style))).toBe(text),
    );
    it.each(table.judged)('writes $text beside its tolerance', (j) =>
        expect(formatJudged(j.metres, j.tolerance, j.out, length(j.style))).toBe(j.text),
    );
    it.each(table.angles)('writes the angle $text', ({ radians, style, text }) => expect(formatAngle(radians, angle(style))).toBe(text));
    it.each(table.smallAngles)('writes the small angle $text', ({ radians, style, text }) =>
        expect(formatSmallAngle(radians, angle(style))).toBe(text),
    );
    it.each(table.sidedLengths)('writes the difference $text', ({ metres, side, style, text }) =>
        expect(inWords(sidedLength(metres, side as Side, length(style)))).toBe(text),
    );
    it.each(table.sidedAngles)('writes the difference $text', ({ radians, side, style, text }) =>
        expect(inWords(sidedAngle(radians, side as Side, angle(style)))).toBe(text),
    );
    it.each(table.directions)('writes the direction $text', (d) =>
        expect(formatDirection(d.azimuth, { direction: d.direction as Units['direction'], angle: angle(d.angle) })).toBe(d.text),
    );
    it('writes a side that is out so that it never looks like what is allowed', () => {
        expect(inWords(sidedLength(0.00303, 'height', 'm', 0.003))).toBe('3.03 mm high');
        expect(inWords(sidedLength(-0.00303, 'height', 'm', 0.003))).toBe('3.03 mm low');
        expect(inWords(sidedLength(0.00297, 'height', 'm', 0.003))).toBe('3.0 mm high');
    });
});
