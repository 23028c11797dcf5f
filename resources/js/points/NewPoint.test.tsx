// @vitest-environment happy-dom
import { act } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { PlanTaken, Want } from '../plan/contract';
import { touchedSpot } from '../plan/shown';
import { USUAL_SNAPS } from '../plan/snap';
import type { StageProps } from '../stage/stages';
import { type Asked, draw, fireEvent, said, screen, waitFor } from '../tests/screen';
import { NewPoint } from './NewPoint';

const PATIENT = { timeout: 20_000 };
const SPOT = { layerId: 7, shape: 3, kind: 'start' as const, x: 2020, y: 1010, label: 'end of line, WALLS' };
const TAKEN: PlanTaken = { spot: SPOT, thing: null, piece: null, place: { northing: 1010, easting: 2020 } };
const EXACT = { northing: 1010.0001, easting: 2020.0002, elevation: 0, description: 'End of line, layer WALLS', caution: null };

describe('making points by touch', { timeout: 60_000 }, () => {
    let want: Want | null = null;
    const made = (exact: object): { asked: Asked[] } => {
        const props = {
            project: { id: 1 },
            points: [{ id: 4, name: 'P1' }],
            snaps: USUAL_SNAPS,
            setSnaps: vi.fn(),
            setWant: (w: Want | null) => {
                want = w;
            },
        } as unknown as StageProps;
        return draw(<NewPoint {...props} />, {
            'GET /projects/1/next-name': { name: 'P2' },
            'POST /projects/1/spots': exact,
            'POST /projects/1/points': { id: 5 },
        });
    };
    const touch = (taken: PlanTaken) => act(() => want?.onTake(taken));
    const make = () => screen.getByRole('button', { name: /^Make/ });

    beforeEach(() => {
        want = null;
    });

    it('says which spot was touched, keeps it lit, and makes that one', async () => {
        const { asked } = made(EXACT);
        touch(TAKEN);
        await waitFor(() => expect(said()).toContain('End of line, layer WALLS'), PATIENT);
        expect(touchedSpot.heard()).toEqual(SPOT);
        // The next spot there was lit: it is taken in the place of the first.
        touch({ ...TAKEN, spot: { ...SPOT, shape: 9, kind: 'middle' } });
        await waitFor(() => expect(touchedSpot.heard()?.shape).toBe(9), PATIENT);
        await waitFor(() => expect(make().getAttribute('aria-disabled')).not.toBe('true'), PATIENT);
        fireEvent.submit(screen.getByRole('form', { name: 'New point' }));
        await waitFor(() => expect(asked.some((a) => a.path.endsWith('/points') && a.method === 'POST')).toBe(true), PATIENT);
        expect(asked.find((a) => a.path.endsWith('/points') && a.method === 'POST')?.body).toMatchObject({
            name: 'P2',
            elevation: null,
            spot: { layerId: 7, shape: 9, kind: 'middle' },
        });
    });

    it('doubts an elevation until one is typed', async () => {
        made({ ...EXACT, caution: 'Its elevation, 0.000 m, lies 98.200 m below the lowest control.' });
        touch(TAKEN);
        await waitFor(() => expect(said()).toContain('98.200 m below the lowest control'), PATIENT);
    });

    it('says of a name that it is taken while it is typed, and makes nothing under it', async () => {
        const { asked } = made(EXACT);
        touch(TAKEN);
        await waitFor(() => expect(said()).toContain('End of line'), PATIENT);
        fireEvent.change(screen.getByLabelText(/^Name/), { target: { value: 'P1' } });
        await waitFor(() => expect(said()).toContain('There is a point “P1” already.'), PATIENT);
        expect(make().getAttribute('aria-disabled')).toBe('true');
        fireEvent.click(make());
        expect(asked.some((a) => a.path.endsWith('/points') && a.method === 'POST')).toBe(false);
    });

    it('says where nothing lies within reach', async () => {
        made(EXACT);
        touch({ ...TAKEN, spot: null });
        await waitFor(() => expect(said()).toContain('Nothing to take within reach there.'), PATIENT);
        expect(touchedSpot.heard()).toBeNull();
    });
});
