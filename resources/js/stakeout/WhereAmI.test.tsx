// @vitest-environment happy-dom

import { describe, expect, it, vi } from 'vitest';
import type { Live, Project } from '../api/client';
import { draw, fireEvent, screen, waitFor } from '../tests/screen';
import { NearestOffered } from './WhereAmI';

const PATIENT = { timeout: 20_000 };
const live = { pole: { northing: 10, easting: 20, elevation: 3 } } as Live;
const near = (plan: number, pointId: number | null) => ({
    'GET /projects/1/around': {
        what: pointId === null ? 'control' : 'point',
        name: 'A5.4',
        pointId,
        deviation: { northing: plan, easting: 0, plan, height: 0 },
    },
});

describe('the point that was built', { timeout: 60_000 }, () => {
    it('is offered at one touch where the pole stands at one', async () => {
        const onHold = vi.fn();
        draw(<NearestOffered project={{ id: 1 } as Project} live={live} onHold={onHold} />, near(0.0123, 7));
        await waitFor(() => fireEvent.click(screen.getByRole('button', { name: 'Hold it against A5.4, 12.3 mm away' })), PATIENT);
        expect(onHold).toHaveBeenCalledWith(7);
    });

    it.each([
        ['far off', near(0.31, 7)],
        ['control', near(0.01, null)],
    ])('is not offered where what is nearest is %s', async (_, answers) => {
        const { asked } = draw(<NearestOffered project={{ id: 1 } as Project} live={live} onHold={vi.fn()} />, answers);
        await waitFor(() => expect(asked.length).toBeGreaterThan(0), PATIENT);
        await new Promise((go) => setTimeout(go, 50));
        expect(screen.queryByRole('button')).toBeNull();
    });
});
