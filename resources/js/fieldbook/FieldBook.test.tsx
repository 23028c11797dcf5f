// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest';
import type { Project } from '../api/client';
import { bookOf } from '../plan/shown';
import { draw, fireEvent, said, screen, waitFor } from '../tests/screen';
import { FieldBook } from './FieldBook';

const POSITION = { northing: 1010, easting: 2020, elevation: 10 };
const MARK = {
    id: 7,
    at: '2026-12-01T09:30:00.000Z',
    measuredAt: '2026-12-01T09:30:00.000Z',
    kind: 'stake',
    setupNumber: 1,
    name: 'A5.4',
    found: POSITION,
    design: POSITION,
    deviation: { northing: 0, easting: 0, plan: 0.012, height: 0 },
    verdict: 'out',
    planTolerance: 0.005,
    heightTolerance: 0.005,
    judged: 'plan_and_height',
    aimed: null,
    leftSo: false,
    leaves: 'done',
    strike: null,
};
const LINE = { kind: 'stake', id: 7, at: MARK.at, seq: 4, clockJump: null, reading: null, setup: null, mark: MARK };
const PROJECT = { id: 1 } as Project;
const STRUCK = { at: MARK.at, struck: true, reason: 'wrong point', by: 'B. Öz' };

const opened = () => fireEvent.click(screen.getByRole('button', { name: /Field book/ }));

describe('the field book', () => {
    it('strikes a mark with a reason and no sooner', async () => {
        const { asked } = draw(<FieldBook project={PROJECT} />, {
            'GET /projects/1/field-book': [LINE],
            'POST /projects/1/marks/7/strikes': MARK,
        });
        await waitFor(() => expect(said()).toContain('A5.4'));
        opened();
        fireEvent.click(screen.getAllByRole('button', { name: /A5.4/ }).at(-1) as HTMLElement);
        fireEvent.click(await screen.findByRole('button', { name: 'Strike this mark' }));
        const strike = screen.getByRole('button', { name: 'Strike it' });
        expect(strike.getAttribute('aria-disabled')).toBe('true');
        fireEvent.change(screen.getByLabelText('Why'), { target: { value: ' wrong point ' } });
        fireEvent.change(screen.getByLabelText(/^By/), { target: { value: 'B. Öz' } });
        fireEvent.click(screen.getByRole('button', { name: 'Strike it' }));
        await waitFor(() =>
            expect(asked.find((a) => a.method === 'POST')?.body).toEqual({ struck: true, reason: 'wrong point', by: 'B. Öz' }),
        );
    });

    it('shows what is struck as struck, with its reason and by whom', async () => {
        draw(<FieldBook project={PROJECT} />, { 'GET /projects/1/field-book': [{ ...LINE, mark: { ...MARK, strike: STRUCK } }] });
        await waitFor(() => expect(said()).toContain('struck A5.4'));
        opened();
        const line = screen.getAllByRole('button', { name: /A5.4/ }).at(-1) as HTMLElement;
        expect(line.className).toContain('line-through');
        fireEvent.click(line);
        await waitFor(() => expect(said()).toMatch(/Struck .* by B\. Öz: wrong point/));
        expect(screen.getByRole('button', { name: 'Take the strike back' })).toBeTruthy();
    });

    it('opens at what is asked for, and says where no line is of that name', async () => {
        draw(<FieldBook project={PROJECT} />, {});
        bookOf.say('touched', 'B2');
        const search = (await screen.findByLabelText('Search the field book by name')) as HTMLInputElement;
        expect(search.value).toBe('B2');
        await waitFor(() => expect(said()).toContain('No line is of that kind and name.'));
        expect(bookOf.heard()).toBeNull();
    });
});
