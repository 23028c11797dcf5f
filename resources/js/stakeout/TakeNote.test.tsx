// @vitest-environment happy-dom
import { describe, expect, it, vi } from 'vitest';
import type { Project } from '../api/client';
import { touchedSpot } from '../plan/shown';
import type { TouchedThing } from '../plan/TouchedNote';
import { type Asked, draw, fireEvent, said, screen, waitFor } from '../tests/screen';
import { TakeNote } from './TakeNote';

const PATIENT = { timeout: 20_000 };
const CORNER = { layerId: 7, shape: 3, kind: 'start' as const, x: 2020, y: 1010, label: 'corner, WALLS' };
const CROSSING = { ...CORNER, shape: 4, kind: 'intersection' as const, withLayerId: 8, withShape: 1, label: 'crossing of WALLS and GRID' };
const WALL = { layerId: 7, shape: 3, layer: 'WALLS', kind: 'line', place: 12, text: null };
const EXACT = { northing: 1010, easting: 2020, elevation: 0, description: '', caution: null };
const AIM = { id: 5, kind: 'spot', name: 'corner' };

const noted = (touched: Partial<TouchedThing>, exact: object = EXACT) => {
    const [onTaken, onClose] = [vi.fn(), vi.fn()];
    const { asked } = draw(
        <TakeNote
            project={{ id: 1 } as Project}
            designs={[]}
            touched={{ thing: null, drawn: null, place: { northing: 1010, easting: 2020 }, spots: [], low: false, ...touched }}
            holding={false}
            from={null}
            onFrom={vi.fn()}
            onTaken={onTaken}
            onClose={onClose}
        />,
        { 'POST /projects/1/spots': exact, 'POST /projects/1/aims': AIM },
    );
    return { asked, onTaken, onClose };
};
const taken = (asked: Asked[]) => asked.find((a) => a.path.endsWith('/aims'))?.body;

describe('what of the drawing was touched', { timeout: 60_000 }, () => {
    it('takes the spot that is named and lit, not the one before it', async () => {
        const { asked, onTaken, onClose } = noted({ spots: [CORNER, CROSSING] });
        expect(said()).toContain('Corner, WALLS');
        expect(said()).toContain('1 of 2 spots here');
        fireEvent.click(screen.getByRole('button', { name: 'Next spot here' }));
        expect(said()).toContain('Crossing of WALLS and GRID');
        expect(touchedSpot.heard()).toEqual(CROSSING);
        fireEvent.click(screen.getByRole('button', { name: /^Stake this crossing/ }));
        await waitFor(() => expect(onTaken).toHaveBeenCalledWith(AIM), PATIENT);
        expect(onClose).toHaveBeenCalledTimes(1);
        expect(taken(asked)).toMatchObject({ place: { spot: { shape: 4, kind: 'intersection', withLayerId: 8, withShape: 1 } } });
    });

    it('doubts an elevation far from the site before it is staked', async () => {
        noted({ spots: [CORNER] }, { ...EXACT, caution: 'Its elevation, 0.000 m, lies 98.200 m below the lowest control.' });
        await waitFor(() => expect(said()).toContain('98.200 m below the lowest control'), PATIENT);
    });

    it('stakes along the line where no spot is in reach, from where it was touched', async () => {
        const { asked, onTaken } = noted({ drawn: WALL });
        expect(screen.queryByRole('button', { name: 'Next spot here' })).toBeNull();
        fireEvent.click(screen.getByRole('button', { name: 'Stake along the line' }));
        await waitFor(() => expect(onTaken).toHaveBeenCalled(), PATIENT);
        expect(taken(asked)).toMatchObject({
            line: { shapes: [{ layerId: 7, shape: 3 }], whole: true },
            nearNorthing: 1010,
            nearEasting: 2020,
        });
    });
});
