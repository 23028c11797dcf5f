// @vitest-environment happy-dom

import { describe, expect, it, vi } from 'vitest';
import { type Asked, draw, fireEvent, Refusal, said, screen, waitFor } from '../tests/screen';
import { Letterhead } from './Letterhead';

const KEPT = { firm: 'Marsh & Söhne', address: 'Dyke 4', paper: 'a4', logo: 'data:image/png;base64,AAAA' };

const opened = async (answers: Parameters<typeof draw>[1] = {}) => {
    const changed = vi.fn();
    const site = draw(<Letterhead project={1} onChanged={changed} />, { 'GET /projects/1/letterhead': KEPT, ...answers });
    fireEvent.click(screen.getByRole('button', { name: 'Letterhead and paper' }));
    await waitFor(() => screen.getByLabelText('Firm'));
    return { ...site, changed };
};

describe('the letterhead', () => {
    it('is shown as it is kept, and what is typed is kept with the paper', async () => {
        const sent = vi.fn((_: Asked) => KEPT);
        const { changed } = await opened({ 'PUT /projects/1/letterhead': sent });
        expect((screen.getByLabelText('Firm') as HTMLInputElement).value).toBe('Marsh & Söhne');
        expect(screen.getByAltText('Logo as it is printed')).toBeTruthy();
        fireEvent.change(screen.getByLabelText(/^Address/), { target: { value: 'Dyke 4\nSaltmarsh' } });
        fireEvent.change(screen.getByLabelText('Paper'), { target: { value: 'letter' } });
        fireEvent.click(screen.getByRole('button', { name: 'Keep the letterhead' }));
        await waitFor(() => expect(changed).toHaveBeenCalledOnce());
        expect(sent.mock.calls[0]?.[0].body).toEqual({
            firm: 'Marsh & Söhne',
            address: 'Dyke 4\nSaltmarsh',
            paper: 'letter',
            logo: null,
            seen: { firm: 'Marsh & Söhne', address: 'Dyke 4', paper: 'a4' },
        });
    });

    it('loses its logo only where it was taken away', async () => {
        const sent = vi.fn((_: Asked) => KEPT);
        const { changed } = await opened({ 'PUT /projects/1/letterhead': sent });
        fireEvent.click(screen.getByRole('button', { name: 'Take the logo away' }));
        fireEvent.click(screen.getByRole('button', { name: 'Keep the letterhead' }));
        await waitFor(() => expect(changed).toHaveBeenCalled());
        expect(sent.mock.calls[0]?.[0].body).toEqual(expect.objectContaining({ logo: '' }));
    });

    it('says why it was refused, and keeps what was typed', async () => {
        const { changed } = await opened({
            'PUT /projects/1/letterhead': new Refusal('The address is up to six lines of at most 100 characters.'),
        });
        fireEvent.change(screen.getByLabelText('Firm'), { target: { value: 'Other' } });
        fireEvent.click(screen.getByRole('button', { name: 'Keep the letterhead' }));
        await waitFor(() => expect(said()).toContain('up to six lines'));
        expect((screen.getByLabelText('Firm') as HTMLInputElement).value).toBe('Other');
        expect(changed).not.toHaveBeenCalled();
    });
});
