// @vitest-environment happy-dom
import { describe, expect, it, vi } from 'vitest';
import type { Project, Schemas } from '../api/client';
import { draw, fireEvent, Refusal, said, screen, waitFor } from '../tests/screen';
import { CivilImport } from './CivilImport';

type Inspection = Schemas['ModelInspection'];

const SURFACE = {
    name: 'Yard',
    triangles: 8,
    points: 7,
    extent: [0, 0, 30, 20],
    lowest: 1,
    highest: 2.5,
    lines: 0,
    remarks: ['6 edges have two faces on one side.'],
};

const INSPECTION: Inspection = {
    fileName: 'site.xml',
    declaredUnit: 'm',
    unit: 'm',
    version: '1.2',
    application: 'a drafting program',
    points: 3,
    alignments: [],
    surfaces: [SURFACE, { ...SURFACE, name: 'Ground', remarks: [] }],
    features: 0,
    counts: [],
    remarks: ['The alignment “Nothing” was left out.'],
    fits: [],
    controlTried: 4,
};

const drawn = (part: Partial<Inspection> = {}, answers = {}) => {
    const done = vi.fn();
    const onPoints = vi.fn();
    const { asked } = draw(
        <CivilImport
            project={{ id: 7 } as Project}
            file={{ upload: 'abc', fileName: 'site.xml', bytes: 10 } as Schemas['Upload']}
            inspection={{ ...INSPECTION, ...part }}
            onPoints={onPoints}
            onDone={done}
        />,
        answers,
    );
    return { asked, done, onPoints };
};

const press = (name: RegExp | string) => fireEvent.click(screen.getByRole('button', { name }));

describe('before a civil model is taken', () => {
    it('says what it holds, its sizes and what is strange about it', () => {
        drawn();
        expect(said()).toContain('LandXML 1.2, written by a drafting program: 3 points, 2 surfaces.');
        expect(said()).toContain('8 triangles of 7 points, from 1.000 m to 2.500 m, 30.000 m by 20.000 m');
        expect(said()).toContain('6 edges have two faces on one side.');
        expect(said()).toContain('The alignment “Nothing” was left out.');
    });

    it('says sizes in the unit that is chosen, without reading the file again', () => {
        drawn();
        fireEvent.change(screen.getByLabelText('Drawn in'), { target: { value: 'ft' } });
        expect(said()).toContain('from 0.305 m to 0.762 m, 9.144 m by 6.096 m');
    });

    it('takes nothing before the unit is chosen, and says so', async () => {
        const { asked } = drawn({ declaredUnit: null });
        expect(said()).toContain('The file does not say its unit.');
        press('Take it');
        expect(said()).toContain('Choose the unit first.');
        expect(asked.filter((a) => a.method === 'POST')).toEqual([]);
    });

    it('takes what is ticked and tells that it is done', async () => {
        const task = { id: 1, kind: 'model', state: 'done', error: null, result: {}, part: 1, doing: '' };
        const { asked, done } = drawn({}, { 'POST /projects/7/models': task });
        fireEvent.click(screen.getByLabelText('Ground'));
        press('Take it');
        await waitFor(() => expect(done).toHaveBeenCalledOnce());
        expect(asked.find((a) => a.path === '/projects/7/models')?.body).toEqual({
            upload: 'abc',
            name: 'site',
            unit: 'm',
            exchanged: false,
            alignments: [],
            surfaces: [0],
            lines: false,
        });
    });

    it('shows why the server refused, and stays', async () => {
        const { done } = drawn({}, { 'POST /projects/7/models': new Refusal('The file does not hold what was chosen. Choose it again.') });
        press('Take it');
        await waitFor(() => expect(said()).toContain('The file does not hold what was chosen.'));
        expect(done).not.toHaveBeenCalled();
    });

    it('offers another reading where that one lies on the control', () => {
        drawn({ fits: [{ unit: 'ft', exchanged: true, same: 4, near: 4, worst: 0.002 } as Schemas['ModelFit']] });
        expect(said()).toContain('Read like this it lies elsewhere than the control.');
        press(/Read it in .*easting written first: then it fits/);
        expect(said()).toContain('4 points of one name lie where the control is, 0.002 m apart at most.');
        expect(said()).toContain('Its coordinates are read easting first, against the standard.');
    });

    it('sends a file of points alone to where lists are read', () => {
        const { onPoints } = drawn({ surfaces: [] });
        expect(said()).toContain('It holds points alone. They are read as a list.');
        expect(screen.queryByRole('button', { name: 'Take it' })).toBeNull();
        press('Take the points');
        expect(onPoints).toHaveBeenCalledOnce();
    });
});
