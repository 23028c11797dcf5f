// @vitest-environment happy-dom

import { describe, expect, it, vi } from 'vitest';
import { draw, fireEvent, Refusal, said, screen, waitFor } from '../tests/screen';
import { Photographs } from './Photographs';
import { sentSize } from './smaller';

const PATIENT = { timeout: 20_000 };
const photograph = (id: number, observationId: number, caption = '') => ({
    id,
    observationId,
    caption,
    at: '2026-12-02T08:00:00Z',
    wide: 1600,
    high: 1200,
    file: `/api/v1/projects/1/photographs/${id}.jpg`,
});

async function choose(): Promise<void> {
    vi.stubGlobal('URL', Object.assign(URL, { createObjectURL: () => 'blob:here', revokeObjectURL: () => undefined }));
    fireEvent.change(screen.getByLabelText('Photograph of this shot'), {
        target: { files: [new File(['x'], 'a.jpg', { type: 'image/jpeg' })] },
    });
    await waitFor(() => expect(screen.getByRole('button', { name: 'Keep the photograph' })).toBeTruthy(), PATIENT);
}

describe('pictures of a shot', { timeout: 60_000 }, () => {
    it('shows those of its reading and no other, and adds none where nothing is added', async () => {
        draw(<Photographs project={1} observation={7} />, {
            'GET /projects/1/photographs': [photograph(1, 7, 'Süd'), photograph(2, 8, 'other')],
        });
        await waitFor(() => expect(screen.getByAltText('Süd').getAttribute('src')).toBe('/api/v1/projects/1/photographs/1.jpg'), PATIENT);
        expect(screen.queryByAltText('other')).toBeNull();
        expect(screen.queryByRole('button', { name: 'Add a photograph' })).toBeNull();
    });

    it('keeps one with what it shows, under one key however often it is sent', async () => {
        let answers = 0;
        const { asked } = draw(<Photographs project={1} observation={7} adding />, {
            'POST /projects/1/uploads': { upload: 'abc', name: 'a.jpg', bytes: 1 },
            'POST /projects/1/photographs': () => (answers++ === 0 ? new Refusal('The disk is full.') : photograph(3, 7)),
        });
        await choose();
        fireEvent.change(screen.getByLabelText(/^What it shows/), { target: { value: 'rebar in the way' } });
        fireEvent.click(screen.getByRole('button', { name: 'Keep the photograph' }));
        await waitFor(() => expect(said()).toContain('The disk is full.'), PATIENT);
        fireEvent.click(screen.getByRole('button', { name: 'Keep the photograph' }));
        await waitFor(() => expect(screen.queryByRole('button', { name: 'Keep the photograph' })).toBeNull(), PATIENT);
        const sent = asked.filter((a) => a.path === '/projects/1/photographs' && a.method === 'POST').map((a) => a.body);
        expect(sent).toHaveLength(2);
        expect(sent[0]).toEqual(sent[1]);
        expect(sent[0]).toMatchObject({ observationId: 7, upload: 'abc', caption: 'rebar in the way' });
    });

    it('takes one away when it is said twice', async () => {
        const { asked } = draw(<Photographs project={1} observation={7} />, { 'GET /projects/1/photographs': [photograph(1, 7, 'Süd')] });
        await waitFor(() => fireEvent.click(screen.getByAltText('Süd')), PATIENT);
        fireEvent.click(screen.getByRole('button', { name: 'Take it away' }));
        expect(asked.some((a) => a.method === 'DELETE')).toBe(false);
        fireEvent.click(screen.getByRole('button', { name: 'Take it away for good' }));
        await waitFor(() => expect(asked.find((a) => a.method === 'DELETE')?.path).toBe('/projects/1/photographs/1'), PATIENT);
    });
});

describe('how large a picture is sent', () => {
    it('is as large as is kept, and never larger than it was', () => {
        expect(sentSize(4000, 3000)).toEqual({ wide: 1600, high: 1200 });
        expect(sentSize(3000, 4000)).toEqual({ wide: 1200, high: 1600 });
        expect(sentSize(800, 600)).toEqual({ wide: 800, high: 600 });
        expect(sentSize(9000, 1)).toEqual({ wide: 1600, high: 1 });
    });
});
