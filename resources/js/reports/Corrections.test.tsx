// @vitest-environment happy-dom

import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { draw, FEET_INCHES, fireEvent, METRIC, said, screen, waitFor } from '../tests/screen';
import { Corrections } from './Corrections';

const one = (more: Partial<Schemas['CorrectionEntry']>): Schemas['CorrectionEntry'] => ({
    at: '2026-12-02T08:00:00.000000Z',
    kind: 'setup',
    what: 'Setup 2, ST2',
    note: '',
    by: '',
    targetHeight: null,
    prismConstant: null,
    marks: 0,
    plan: null,
    height: null,
    turned: 0,
    reports: [],
    ...more,
});

const shown = async (list: Schemas['CorrectionEntry'][], units = METRIC) => {
    draw(<Corrections project={1} />, { 'GET /projects/1/corrections': list }, units);
    fireEvent.click(screen.getByRole('button', { name: 'What was corrected' }));
    await waitFor(() => expect(said()).not.toBe('What was corrected'));
};

describe('corrections', () => {
    it('say what, why, how far, and which reports told it otherwise', async () => {
        await shown([
            one({ note: 'CP3 was typed wrong', marks: 12, plan: 0.0123, height: 0.002, turned: 3, reports: [1, 4] }),
            one({ kind: 'struck', what: 'A5.4', note: 'the wrong bolt', by: 'Ö.', at: '2026-12-02T09:00:00.000000Z' }),
        ]);
        expect(said()).toContain('Setup 2, ST2, worked anew');
        expect(said()).toContain('CP3 was typed wrong');
        expect(said()).toContain('12 marks moved by 12.3 mm at most, 2.0 mm in height');
        expect(said()).toContain('3 with another verdict');
        expect(said()).toContain('told otherwise in reports 1, 4');
        expect(said()).toMatch(/A5\.4 struck.*the wrong bolt, Ö\./);
        expect(said().indexOf('A5.4')).toBeLessThan(said().indexOf('Setup 2'));
    });

    it('tell a target in the project’s units, and only what there is', async () => {
        await shown(
            [one({ kind: 'reading', what: 'A1, A2', targetHeight: 1.524, prismConstant: 0, note: 'pole set to 5 ft' })],
            FEET_INCHES,
        );
        expect(said()).toContain('Target of A1, A2: height 5\' 0"');
        expect(said()).not.toContain('mark');
        expect(said()).not.toContain('report');
    });

    it('are asked for when they are looked at, and there may be none', async () => {
        const { asked } = draw(<Corrections project={1} />, { 'GET /projects/1/corrections': [] });
        expect(asked).toEqual([]);
        fireEvent.click(screen.getByRole('button', { name: 'What was corrected' }));
        await waitFor(() => expect(said()).toContain('Nothing was corrected afterwards.'));
    });
});
