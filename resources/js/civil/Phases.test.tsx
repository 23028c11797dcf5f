// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest';
import type { Project } from '../api/client';
import { draw, fireEvent, Refusal, said, screen, waitFor } from '../tests/screen';
import { PhaseBadge, Phases } from './Phases';

const PATIENT = { timeout: 20_000 };
const PROJECT = { id: 1 } as Project;
const phase = (id: number, name: string, current: boolean) => ({ id, name, designId: 3, surfaceId: 4, verticalOffset: 0, current });
const TWO = [phase(1, 'Finished', true), phase(2, 'Below', false)];

describe('phases', { timeout: 60_000 }, () => {
    it('are switched at one touch, and say which is shown', async () => {
        const { asked } = draw(<Phases project={PROJECT} prepared />, {
            'GET /projects/1/phases': TWO,
            'POST /projects/1/phases/2/switching': phase(2, 'Below', true),
        });
        await waitFor(() => expect(screen.getByRole('button', { name: 'Finished' }).getAttribute('aria-pressed')).toBe('true'), PATIENT);
        fireEvent.click(screen.getByRole('button', { name: 'Below' }));
        await waitFor(() => expect(asked.some((a) => a.path === '/projects/1/phases/2/switching')).toBe(true), PATIENT);
    });

    it('says why one can’t be switched to', async () => {
        draw(<Phases project={PROJECT} prepared />, {
            'GET /projects/1/phases': TWO,
            'POST /projects/1/phases/2/switching': new Refusal('The surface of the phase “Below” was removed.'),
        });
        fireEvent.click(await screen.findByRole('button', { name: 'Below' }, PATIENT));
        await waitFor(() => expect(said()).toContain('The surface of the phase “Below” was removed.'), PATIENT);
    });

    it('keeps what is shown under a name', async () => {
        const { asked } = draw(<Phases project={PROJECT} prepared />, { 'POST /projects/1/phases': phase(3, 'Drains', true) });
        expect(screen.getByRole('button', { name: 'Keep' }).getAttribute('aria-disabled')).toBe('true');
        fireEvent.change(screen.getByLabelText(/^Keep what is shown as a phase/), { target: { value: ' Drains ' } });
        fireEvent.click(screen.getByRole('button', { name: 'Keep' }));
        await waitFor(() => expect(asked.find((a) => a.method === 'POST')?.body).toEqual({ name: 'Drains', again: false }), PATIENT);
    });

    it('is switched and not deleted over the plan', async () => {
        draw(<PhaseBadge project={PROJECT} />, { 'GET /projects/1/phases': TWO });
        fireEvent.click(await screen.findByRole('button', { name: 'Phase Finished' }, PATIENT));
        await waitFor(() => expect(screen.getByRole('button', { name: 'Below' })).toBeTruthy(), PATIENT);
        expect(screen.queryByRole('button', { name: /^Delete phase/ })).toBeNull();
        expect(said()).not.toContain('Keep what is shown');
    });

    it('stands over the plan where there are any', async () => {
        draw(<PhaseBadge project={PROJECT} />, { 'GET /projects/1/phases': [phase(1, 'Finished', false)] });
        await waitFor(() => expect(said()).toContain('Phase none of them'), PATIENT);
    });

    it('is not there where there are none', async () => {
        const { asked } = draw(<PhaseBadge project={PROJECT} />);
        await waitFor(() => expect(asked.length).toBe(1), PATIENT);
        expect(said()).toBe('');
    });
});
