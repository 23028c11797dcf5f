// @vitest-environment happy-dom
import { describe, expect, it, vi } from 'vitest';
import type { ControlPoint } from '../api/client';
import { draw, fireEvent, screen } from '../tests/screen';
import { AimAt } from './AimAt';

const mark = (id: number, code: string, northing: number) =>
    ({ id, name: `M${id}`, code, northing, easting: 0, elevation: 0 }) as ControlPoint;
const MARKS = [...Array(10)].map((_, i) => mark(i, i % 3 === 0 ? 'NAIL' : 'PIN', 10 * i));

function drawn(control: ControlPoint[], near: { northing: number; easting: number } | null, onChoose = vi.fn()) {
    draw(
        <AimAt
            label="Next sight"
            control={control}
            near={near}
            chosen={5}
            onChoose={onChoose}
            onTurn={() => undefined}
            turning={false}
            onMeasure={() => undefined}
            measuring={false}
            project={1}
            primary
            verb="Measure M5"
        />,
    );
    return onChoose;
}

const offered = () => [...(screen.getByLabelText('Next sight') as HTMLSelectElement).options].map((o) => o.text);

describe('control to be sighted', { timeout: 60_000 }, () => {
    it('is listed with the nearest first, and as it came where nobody knows from where', () => {
        drawn(MARKS, { northing: 71, easting: 0 });
        expect(offered().slice(0, 4)).toEqual(['M7 (PIN)', 'M8 (PIN)', 'M6 (NAIL)', 'M9 (NAIL)']);
    });

    it('is listed as it came where nobody knows from where', () => {
        drawn(MARKS, null);
        expect(offered()[0]).toBe('M0 (NAIL)');
    });

    it('of many is narrowed by its code, and the nearest of it is chosen', () => {
        const onChoose = drawn(MARKS, { northing: 71, easting: 0 });
        fireEvent.change(screen.getByLabelText('Only of code'), { target: { value: 'NAIL' } });
        expect(onChoose).toHaveBeenCalledWith(6);
        // The one that is chosen stays in sight until the other is.
        expect(offered()).toEqual(['M6 (NAIL)', 'M9 (NAIL)', 'M5 (PIN)', 'M3 (NAIL)', 'M0 (NAIL)']);
    });

    it('of few is not', () => {
        drawn(MARKS.slice(0, 7), null);
        expect(screen.queryByLabelText('Only of code')).toBeNull();
    });
});
