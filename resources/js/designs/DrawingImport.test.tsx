// @vitest-environment happy-dom
import { describe, expect, it, vi } from 'vitest';
import type { Design, Project, Schemas } from '../api/client';
import { draw, fireEvent, METRIC, said, screen, waitFor } from '../tests/screen';
import { DrawingImport } from './DrawingImport';
import type { Inspection } from './inspection';

const layer = (name: string, part = {}) => ({
    name,
    colour: '#000000',
    count: 5,
    kinds: [{ kind: 'line', count: 5 }],
    extent: [0, 0, 10, 10],
    off: false,
    frozen: false,
    locked: false,
    ...part,
});

const INSPECTION = {
    fileName: 'yard.dxf',
    declaredUnit: 'm',
    version: 'AC1032',
    extent: [0, 0, 10, 10],
    heights: [0, 2],
    layers: [layer('WALLS'), layer('OFF', { off: true })],
    remarks: ['2 entities left out: BODY.'],
    repairs: [],
    damage: null,
    annotations: 3,
    duplicates: 4,
    zeroLengths: 0,
    overlaps: 2,
    strays: [],
    fits: [],
    controlTried: 0,
    crossingsTried: 0,
    storeys: [],
} as unknown as Inspection;

const drawn = (part: Partial<Inspection> = {}, revises: Design | null = null) => {
    const done = vi.fn();
    const task = { id: 1, kind: 'drawing', state: 'done', error: null, result: { designId: 9 }, part: 1, doing: '' };
    const { asked } = draw(
        <DrawingImport
            project={{ id: 7, units: METRIC } as Project}
            control={[]}
            designs={[]}
            file={{ upload: 'abc', fileName: 'yard.dxf', bytes: 9 } as Schemas['Upload']}
            inspection={{ ...INSPECTION, ...part } as Inspection}
            revises={revises}
            onPoints={vi.fn()}
            onDone={done}
        />,
        { 'POST /projects/7/designs': task },
    );
    return { done, taken: () => asked.find((a) => a.path === '/projects/7/designs')?.body };
};

const press = (name: RegExp | string) => fireEvent.click(screen.getByRole('button', { name }));

describe('a drawing before it is taken', () => {
    it('leaves layers that are off in the file out, clears what is drawn twice, and hands the new drawing on', async () => {
        const { done, taken } = drawn();
        expect(said()).toContain('2 entities left out: BODY.');
        press('Take 1 layer');
        await waitFor(() => expect(done).toHaveBeenCalledWith(9));
        expect(taken()).toMatchObject({
            name: 'yard',
            unit: 'm',
            layers: ['WALLS'],
            heights: 'used',
            annotations: false,
            placement: null,
            mend: false,
            role: 'design',
            revisesId: null,
            cleanUp: { duplicates: true, zeroLengths: false, overlaps: false },
        });
    });

    it('takes nothing without a unit', () => {
        const { taken } = drawn({ declaredUnit: null });
        expect(said()).toContain('The file does not say its unit.');
        press('Take 1 layer');
        expect(said()).toContain('Choose its unit.');
        expect(taken()).toBeUndefined();
    });

    it('drops heights where the drawing has none, and needs one where it is to be one', async () => {
        const { taken } = drawn({ heights: [] });
        expect((screen.getByLabelText('Heights') as HTMLSelectElement).value).toBe('dropped');
        fireEvent.change(screen.getByLabelText('Heights'), { target: { value: 'fixed' } });
        press('Take 1 layer');
        expect(said()).toContain('It needs the elevation.');
        expect(taken()).toBeUndefined();
    });

    it('says that it would lie where the control is, were it placed so', () => {
        const fit = {
            unit: 'm',
            asDrawn: false,
            placement: { exchanged: false },
            rotation: 0.5,
            scale: 1,
            rms: 0.001,
            doubtful: false,
            matches: [],
        };
        drawn({ fits: [fit], controlTried: 3 } as unknown as Partial<Inspection>);
        expect(said()).toMatch(
            /▲ Placed as drawn, and it fits the control in metres, turned by .* and shifted: “Place it so” above puts it there\./,
        );
        press('Place it so');
        expect(said()).toMatch(/Placed in metres, turned by .* and shifted\./);
    });

    it('takes a damaged one only mended, and says that', async () => {
        const { taken } = drawn({ damage: 'Line 40: no group code.', repairs: ['line 40: read on'] });
        expect(said()).toContain('Line 40: no group code.');
        press('Take 1 layer');
        await waitFor(() => expect(taken()).toMatchObject({ mend: true }));
    });

    it('lies as the revision before it did, under its name', async () => {
        const before = {
            id: 4,
            name: 'Yard',
            unit: 'ft',
            heights: 'dropped',
            role: 'background',
            revision: 'A',
            layers: [{ name: 'WALLS' }],
            placement: { exchanged: true, dElevation: 0 },
        } as unknown as Design;
        const { taken } = drawn({}, before);
        expect(said()).toContain('after A');
        expect(said()).toContain('Placed as the revision before.');
        expect((screen.getByLabelText('Name of this drawing') as HTMLInputElement).value).toBe('Yard');
        press(/^Take \d layers?$/);
        await waitFor(() =>
            expect(taken()).toMatchObject({
                unit: 'ft',
                heights: 'dropped',
                role: 'background',
                revisesId: 4,
                placement: { exchanged: true },
            }),
        );
    });
});
