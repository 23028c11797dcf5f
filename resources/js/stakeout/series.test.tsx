// @vitest-environment happy-dom

import { describe, expect, it } from 'vitest';
import type { Live, Mark, Project } from '../api/client';
import { draw, fireEvent, Refusal, said, screen, waitFor } from '../tests/screen';
import { isDue, nextName, stopped } from './series';
import { useBuiltShot } from './useBuiltShot';

const PATIENT = { timeout: 20_000 };
const live = (northing: number, more: Partial<Live> = {}): Live =>
    ({
        pole: { northing, easting: 0, elevation: 1 },
        readingAge: 0.1,
        instrument: { link: 'up', level: true },
        unproven: false,
        elsewhere: null,
        another: null,
        ...more,
    }) as unknown as Live;

describe('when a shot of a series is due', () => {
    const walked = { by: 'metres', step: 2 } as const;
    it('is at once, and then after so much way, whichever way it goes', () => {
        expect(isDue(walked, null, live(0), 0)).toBe(true);
        const last = { northing: 10, easting: 0, at: 0 };
        expect([11.9, 12, 8, 8.1].map((n) => isDue(walked, last, live(n), 99_000))).toEqual([false, true, true, false]);
    });

    it('is after so many seconds, wherever the pole stands', () => {
        const last = { northing: 10, easting: 0, at: 1000 };
        expect([5999, 6000].map((now) => isDue({ by: 'seconds', step: 5 }, last, live(10), now))).toEqual([false, true]);
    });

    it('never is by a reading that is old, or by none', () => {
        expect(isDue(walked, null, live(0, { readingAge: 2.1 }), 0)).toBe(false);
        expect(isDue(walked, null, live(0, { readingAge: null }), 0)).toBe(false);
        expect(isDue(walked, null, live(0, { pole: null }), 0)).toBe(false);
    });
});

describe('what stops a series', () => {
    it('is a link, a level, a prism or a setup that is not there', () => {
        expect(stopped(live(0))).toBeNull();
        expect(stopped(undefined)).toBe('The link to the instrument was lost.');
        expect(stopped(live(0, { instrument: { link: 'down', level: true } as Live['instrument'] }))).toContain('link');
        expect(stopped(live(0, { instrument: { link: 'up', level: false } as Live['instrument'] }))).toContain('not level');
        expect(stopped(live(0, { pole: null }))).toContain('does not see the prism');
        expect(stopped(live(0, { elsewhere: 'Larkfield' }))).toContain('Larkfield');
    });
});

describe('names of a series', () => {
    it('go on where they ended, and are nobody else’s', () => {
        expect(nextName('K', [])).toBe('K-1');
        expect(nextName('K', ['K-1', 'K-9', 'K-09x', 'KK-40', 'K', 'K-x'])).toBe('K-10');
        expect(nextName('A-1', ['A-1-3'])).toBe('A-1-4');
    });
});

let seen: Live = live(0);
let stored: string[] = [];

function Shown() {
    const shot = useBuiltShot({ id: 1, units: { length: 'm' } } as unknown as Project, seen, [{ name: 'K-4' } as Mark], (m) =>
        stored.push(m.name),
    );
    return (
        <>
            {shot.ways}
            <button type="button" onClick={() => shot.measure({ target: null, judged: null, name: 'K', code: 'KERB', note: '' })}>
                {shot.word ?? 'Measure'}
            </button>
        </>
    );
}

describe('a series', { timeout: 60_000 }, () => {
    const begin = () => {
        fireEvent.click(screen.getByRole('button', { name: 'Series' }));
        fireEvent.click(screen.getByRole('button', { name: 'Begin the series' }));
    };

    it('stores a shot with the next name, and stops when it is told to', async () => {
        [seen, stored] = [live(0), []];
        const { asked } = draw(<Shown />, {
            'POST /projects/1/instrument/measure': (a: { body: unknown }) => ({
                id: 1,
                key: 'k',
                state: 'done',
                mark: { name: (a.body as { sighted: string }).sighted },
                asks: null,
            }),
        });
        begin();
        await waitFor(() => expect(stored).toEqual(['K-5']), PATIENT);
        expect(asked.find((a) => a.method === 'POST')?.body).toMatchObject({ purpose: 'as_built', mark: { name: 'K-5', code: 'KERB' } });
        fireEvent.click(screen.getByRole('button', { name: 'Stop the series (1)' }));
        expect(said()).toContain('1 shot was stored.');
        await new Promise((go) => setTimeout(go, 600));
        expect(stored).toEqual(['K-5']);
    });

    it('stops where something must be decided, and says what', async () => {
        [seen, stored] = [live(0), []];
        draw(<Shown />, { 'POST /projects/1/instrument/measure': new Refusal('Take a check first.') });
        begin();
        await waitFor(() => expect(said()).toContain('Stopped after 0 shots. Take a check first.'), PATIENT);
        expect(screen.getByRole('button', { name: 'Begin the series' })).toBeTruthy();
    });

    it('does not begin where the prism is not seen', async () => {
        [seen, stored] = [live(0, { pole: null }), []];
        const { asked } = draw(<Shown />);
        begin();
        await waitFor(() => expect(said()).toContain('The instrument does not see the prism.'), PATIENT);
        expect(asked.some((a) => a.method === 'POST')).toBe(false);
    });
});
