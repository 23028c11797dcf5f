// @vitest-environment happy-dom
import { beforeEach, describe, expect, it } from 'vitest';
import type { Live } from '../api/client';
import { draw, fireEvent, said, screen, waitFor } from '../tests/screen';
import { LeadStrip } from './LeadStrip';

const PATIENT = { timeout: 20_000 };
const OTHER = { name: 'North crew', mine: false, silent: 0.4, asks: null, asked: false, kept: false, mayTake: false };
const strip = (lead: object | null) =>
    draw(<LeadStrip project={7} live={{ lead } as Live} />, { 'POST /projects/7/instrument/lead': OTHER });
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));

describe('who leads the instrument', { timeout: 60_000 }, () => {
    beforeEach(() => localStorage.clear());

    it('takes no room where nobody leads, or this device does and nobody asks', () => {
        strip(null);
        strip({ ...OTHER, mine: true });
        expect(said()).toBe('');
    });

    it('is asked for under a name that is typed once', async () => {
        const { asked } = strip(OTHER);
        expect(said()).toContain('North crew leads the instrument');
        press('Ask for it');
        fireEvent.change(screen.getByLabelText('This device is called'), { target: { value: ' Süd ' } });
        fireEvent.submit(screen.getByLabelText('This device is called'));
        await waitFor(() => expect(asked).toHaveLength(1), PATIENT);
        expect(asked[0]?.body).toEqual({ do: 'ask' });
        expect(localStorage.getItem('device-name')).toBe('Süd');
        strip(OTHER);
        fireEvent.click(screen.getAllByRole('button', { name: 'Ask for it' }).at(-1) as HTMLElement);
        expect(screen.queryByLabelText('This device is called')).toBeNull();
    });

    it.each([
        [{ asked: true, asks: 'Tablet' }, 'waiting for an answer', null],
        [{ asked: true, asks: 'Tablet', mayTake: true }, 'It does not answer', 'Lead from here'],
        [{ kept: true }, 'It keeps the instrument for now', 'Ask for it'],
        [{ silent: 185, mayTake: true }, 'was last heard 3 min ago', 'Lead from here'],
        [{ silent: 42, mayTake: true }, 'was last heard 42 s ago', 'Lead from here'],
    ])('says how the asking stands (%o)', (how, says, button) => {
        strip({ ...OTHER, ...how });
        expect(said()).toContain(says);
        expect(screen.queryAllByRole('button').map((b) => b.textContent)).toEqual(button === null ? [] : [button]);
    });

    it.each([
        ['Hand it over', 'give'],
        ['Keep it', 'keep'],
    ])('is answered on the device that leads: %s', async (button, deed) => {
        const { asked } = strip({ ...OTHER, mine: true, asks: 'Süd' });
        expect(said()).toContain('Süd asks to lead the instrument');
        press(button);
        await waitFor(() => expect(asked.map((a) => a.body)).toEqual([{ do: deed }]), PATIENT);
    });
});
