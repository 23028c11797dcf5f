import { describe, expect, it } from 'vitest';
import { formatArea, formatStation, formatVolume } from '../units/format';
import { heightOn, niceStep, rangeOf, runLine } from './lookLines';
import { offsetWords } from './Offset';

describe('what is drawn along an alignment', () => {
    it('finds its heights', () => {
        expect(heightOn([0, 1, 10, 3, 20, 3], 5)).toBe(2);
        expect(heightOn([0, 1, 10, 3], 10.1)).toBeNull();
        expect(rangeOf([])).toBeNull();
        expect(rangeOf([2, 4])).toEqual({ low: 1.8, high: 4.2 });
        expect(niceStep(0.03)).toBeCloseTo(0.05, 12);
        expect(
            runLine(
                [0, 1, 2, 3],
                (a) => a,
                (z) => -z,
            ),
        ).toBe('M0.0 -1.0L2.0 -3.0');
    });
    it('says sides, stations and volumes in words and units', () => {
        expect(offsetWords(-3.5, 'm')).toBe('3.500 m left');
        expect(offsetWords(0.0001, 'm')).toBe('on the axis');
        expect(formatStation(1234.5674, { length: 'm', station: '1+000' })).toBe('1+234.567');
        expect(formatStation(-0.4, { length: 'm', station: '1+000' })).toBe('-0+000.400');
        expect(formatStation(999.9999, { length: 'mm', station: '1+000' })).toBe('1+000.000');
        expect(formatStation(0.3048 * 1234.5, { length: 'ftin16', station: '1+00' })).toBe('12+34.50');
        expect(formatVolume(0.764554857984 * 10, 'ft')).toBe('10.00 yd³');
        expect(formatArea(0.09290304 * 50, 'ftin8')).toBe('50 ft²');
    });
});
