// @vitest-environment happy-dom

import { describe, expect, it } from 'vitest';
import type { Mark } from '../api/client';
import { draw, said, waitFor } from '../tests/screen';
import { MeasuredAgain } from './MeasuredAgain';

const PATIENT = { timeout: 20_000 };
const again = (agrees: boolean) => ({
    markId: 3,
    name: 'P1',
    setupNumber: 2,
    difference: { northing: 0.0031, easting: -0.001, plan: 0.0033, height: null },
    expectedPlan: 0.0062,
    expectedHeight: null,
    agrees,
    mean: { northing: 1, easting: 2, elevation: null },
    meanPlan: 0.0029,
    meanHeight: null,
});

describe('the same from another setup', { timeout: 60_000 }, () => {
    it('agrees by word and shape, with what is to be expected', async () => {
        draw(<MeasuredAgain project={1} mark={{ id: 7 } as Mark} />, { 'GET /projects/1/marks/7/again': { again: again(true) } });
        await waitFor(() => expect(said()).toContain('● as from setup 2: 3.1 mm north, 1.0 mm west'), PATIENT);
        expect(said()).toContain('up to 6.2 mm in plan is to be expected.');
        expect(said()).toContain('The mean of both is known to ± 2.9 mm.');
    });

    it('says what to do where it does not', async () => {
        draw(<MeasuredAgain project={1} mark={{ id: 7 } as Mark} />, { 'GET /projects/1/marks/7/again': { again: again(false) } });
        await waitFor(() => expect(said()).toContain('▲ not as from setup 2'), PATIENT);
        expect(said()).toContain('Take a check shot');
        expect(said()).not.toContain('The mean of both');
    });

    it('says nothing where there is none', async () => {
        const { asked } = draw(<MeasuredAgain project={1} mark={{ id: 7 } as Mark} />, {
            'GET /projects/1/marks/7/again': { again: null },
        });
        await waitFor(() => expect(asked.length).toBe(1), PATIENT);
        expect(said()).toBe('');
    });
});
