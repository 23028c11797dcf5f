// @vitest-environment happy-dom

import { describe, expect, it } from 'vitest';
import type { Project } from '../api/client';
import { draw, FEET_INCHES, METRIC, said, waitFor } from '../tests/screen';
import { Provable, ProvableWord } from './Provable';
import type { Target } from './target';

const BEST = {
    planUncertain: 0.0049,
    heightUncertain: 0.0023,
    planTolerance: 0.002,
    heightTolerance: 0.005,
    probability: 0.3999,
    level: 0.95,
    provable: false,
};

const shown = (best: typeof BEST | object | null, units = METRIC) =>
    draw(
        <Provable
            project={{ id: 1 } as Project}
            target={{ kind: 'point', point: { id: 7 } } as unknown as Target}
            judged="plan_and_height"
        />,
        { 'GET /projects/1/provable': { best } },
        units,
    );

describe('a tolerance that can’t be proven', () => {
    it('is told before anything is marked, with both figures', async () => {
        shown(BEST);
        await waitFor(() => expect(said()).toContain('can’t prove that tolerance'));
        expect(said()).toContain('in with 39 %');
        expect(said()).toContain('Plan ± 4.9 mm against 2.0 mm, height ± 2.3 mm against 5.0 mm.');
        expect(said()).toContain('95 % is asked for');
    });

    it('is told of the height alone where nothing else is judged', async () => {
        shown({ ...BEST, planUncertain: null });
        await waitFor(() => expect(said()).toContain('. Height ± 2.3 mm against 5.0 mm'.slice(2)));
        expect(said()).not.toContain('Plan');
    });

    it('is told in the project’s units', async () => {
        shown({ ...BEST, planUncertain: 0.0254 }, FEET_INCHES);
        await waitFor(() => expect(said()).toContain('Plan ± 1"'));
    });

    it('is not spoken of where it can, or where nobody knows', async () => {
        for (const best of [{ ...BEST, provable: true }, null]) {
            const { asked } = shown(best);
            await waitFor(() => expect(asked.length).toBe(1));
            await new Promise((r) => setTimeout(r, 20));
            expect(said()).toBe('');
        }
    });

    it('takes the place of the progress in the bar', async () => {
        const target = { kind: 'point', point: { id: 7 } } as unknown as Target;
        const bar = (best: object | null) =>
            draw(<ProvableWord project={{ id: 1 } as Project} target={target} judged="plan" otherwise="68 left" />, {
                'GET /projects/1/provable': { best },
            });
        bar(BEST);
        await waitFor(() => expect(said()).toBe('◆ setup can’t prove it'));
        expect(said()).not.toContain('68 left');
    });
});
