// @vitest-environment happy-dom
import { describe, expect, it, vi } from 'vitest';
import type { ControlPoint, Project, Schemas } from '../api/client';
import { draw, fireEvent, METRIC, said, screen, waitFor } from '../tests/screen';
import { DrawingFit, wordsOf } from './DrawingFit';
import type { Inspection } from './inspection';

type Fit = Schemas['FitEntry'];

const FIT: Fit = {
    unit: 'm',
    asDrawn: true,
    placement: { exchanged: false } as Fit['placement'],
    rotation: 0,
    scale: 1,
    rms: 0.002,
    doubtful: false,
    matches: [
        { name: 'CP1', what: 'point', named: true, residual: 0.001, x: 10, y: 20 },
        { name: 'CP2', what: 'circle', named: false, residual: 0.003, x: 30, y: 40 },
    ] as Fit['matches'],
};

const CONTROL = [
    { id: 1, name: 'CP1', northing: 20, easting: 10 },
    { id: 2, name: 'CP2', northing: 40, easting: 30 },
] as ControlPoint[];

const drawn = (part: Partial<Inspection>, more: { unit?: 'm' | 'mm' | ''; factor?: number | null; answers?: object } = {}) => {
    const [onUnit, onPlacing] = [vi.fn(), vi.fn()];
    const { asked } = draw(
        <DrawingFit
            project={{ id: 7, units: METRIC } as Project}
            control={CONTROL}
            inspection={{ fits: [], controlTried: 2, crossingsTried: 0, extent: [0, 0, 100, 100], ...part } as Inspection}
            unit={more.unit ?? 'm'}
            factor={more.factor === undefined ? 1 : more.factor}
            onUnit={onUnit}
            placing={{ placement: null, words: 'as drawn' }}
            onPlacing={onPlacing}
        />,
        { ...more.answers },
    );
    return { asked, onUnit, onPlacing };
};

describe('does a drawing fit the control', () => {
    it('says how it fits, and at which marks', () => {
        drawn({ fits: [FIT] });
        expect(said()).toContain('It fits in metres, as drawn: 2 of 2 control points fall on the drawing within 0.002 m');
        expect(said()).toContain('CP1point of the same name0.001 m');
    });

    it('places it in the unit and the way that is chosen', () => {
        const turned = { ...FIT, asDrawn: false, unit: 'mm' as const, rotation: Math.PI / 2 };
        const { onUnit, onPlacing } = drawn({ fits: [turned] });
        fireEvent.click(screen.getByRole('button', { name: 'Place it so' }));
        expect(onUnit).toHaveBeenCalledWith('mm');
        expect(onPlacing).toHaveBeenCalledWith({ placement: turned.placement, words: wordsOf(turned, 'dms') });
        expect(wordsOf(turned, 'dms')).toMatch(/^in millimetres, turned by 90°00′00″ and shifted$/);
        expect(wordsOf({ ...turned, placement: { ...turned.placement, exchanged: true } }, 'dms')).toContain(
            'northing and easting exchanged',
        );
    });

    it('leaves the choice to the person where several fit', () => {
        drawn({ fits: [FIT, { ...FIT, asDrawn: false, rotation: 1 }] });
        expect(said()).toContain('It fits in 2 ways equally well. Only you can say which is right.');
    });

    it('warns where a fit may be chance', () => {
        drawn({ fits: [{ ...FIT, doubtful: true }] });
        expect(said()).toContain('So few among so many spots may be mere chance.');
    });

    it('tells lying among the control from lying elsewhere where nothing proves it', () => {
        drawn({});
        expect(said()).toContain('As drawn it lies among the control, as it should. Nothing in it proves it to the millimetre');
    });

    it('says that it lies away', () => {
        drawn({}, { factor: 0.001 });
        expect(said()).toContain('As drawn it lies away from the control');
    });

    it('says that there is nothing to try it against', () => {
        drawn({ controlTried: 0 });
        expect(said()).toContain('There is no control yet to try it against.');
    });

    it('works a placement out by matched points with what the drawing has at them', async () => {
        const found = { placement: { exchanged: false }, rotation: 0.1, scale: 1, residuals: [] };
        const { asked, onPlacing } = drawn({ fits: [FIT] }, { answers: { 'POST /projects/7/compute-placement': found } });
        fireEvent.click(screen.getByRole('button', { name: 'By matched points' }));
        const compute = screen
            .getAllByRole('button')
            .find((b) => /work|compute|place/i.test(b.textContent ?? '') && !/so|drawn|matched|typed/i.test(b.textContent ?? ''));
        fireEvent.click(compute as HTMLElement);
        await waitFor(() => expect(onPlacing).toHaveBeenCalled());
        expect(asked[0]?.body).toMatchObject({
            unit: 'm',
            pairs: [
                { controlId: 1, x: 10, y: 20 },
                { controlId: 2, x: 30, y: 40 },
            ],
            withScale: false,
        });
        expect(onPlacing.mock.calls[0]?.[0].words).toMatch(/^by 2 matched points, turned by/);
    });
});
