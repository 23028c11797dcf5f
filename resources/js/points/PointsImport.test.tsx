// @vitest-environment happy-dom
import { describe, expect, it, vi } from 'vitest';
import type { Project, Schemas } from '../api/client';
import { draw, fireEvent, Refusal, said, screen, waitFor } from '../tests/screen';
import { PointsImport } from './PointsImport';

type Preview = Schemas['PointsPreview'];

const PREVIEW = {
    fileName: 'list.geojson',
    format: 'geojson',
    layout: { separator: ',', decimal: '.', skip: 0, columns: [], unit: 'm' },
    remembered: false,
    looksLikeDegrees: false,
    problem: null,
    firstLines: [],
    width: 5,
    rows: [{ line: 1, name: 'P1', northing: 1, easting: 2, elevation: 3, code: 'MH', description: '' }],
    good: 3,
    strings: 0,
    faults: [],
    faulty: 0,
    findings: [],
    moreFindings: 0,
    untestable: [],
    duplicates: [],
    duplicateCount: 0,
    comparison: null,
    taskId: null,
} as unknown as Preview;

const TASK = { id: 1, kind: 'points', state: 'done', error: null, result: {}, part: 1, doing: '' };

const drawn = async (part: Partial<Preview> = {}, target: 'points' | 'control' = 'points', answer: unknown = TASK) => {
    const done = vi.fn();
    const { asked } = draw(
        <PointsImport
            project={{ id: 7 } as Project}
            file={{ upload: 'abc', fileName: 'list.geojson', bytes: 9 } as Schemas['Upload']}
            target={target}
            onDone={done}
        />,
        { 'POST /projects/7/points-preview': { ...PREVIEW, ...part }, 'POST /projects/7/points-import': answer },
    );
    expect(said()).toContain('Reading list.geojson…');
    await waitFor(() => expect(said()).not.toContain('Reading list.geojson…'));
    return { asked, done, taken: () => asked.find((a) => a.path.endsWith('/points-import'))?.body };
};

const press = (name: RegExp | string) => fireEvent.click(screen.getByRole('button', { name }));

describe('a list of points before it is taken', () => {
    it('takes what was read, and says that it is done', async () => {
        const { done, taken } = await drawn();
        press('Take 3 as points');
        await waitFor(() => expect(done).toHaveBeenCalledOnce());
        expect(taken()).toMatchObject({
            upload: 'abc',
            target: 'points',
            leaveOutFaulty: false,
            duplicates: null,
            heldFixed: true,
            planDeviation: null,
        });
    });

    it('waits until it is said what becomes of names that are taken', async () => {
        const { taken } = await drawn({ duplicateCount: 1, duplicates: [{ name: 'P1', earlierLine: null }] as Preview['duplicates'] });
        expect(said()).toContain('1 name is taken: “P1” (in the project)');
        press('Take 3 as points');
        expect(said()).toContain('Decide what becomes of names that are taken.');
        expect(taken()).toBeUndefined();
        fireEvent.change(screen.getByLabelText('What becomes of them'), { target: { value: 'rename' } });
        press('Take 3 as points');
        await waitFor(() => expect(taken()).toMatchObject({ duplicates: 'rename' }));
    });

    it('leaves rows that can’t be read out only where that is asked for', async () => {
        const { taken } = await drawn({
            faulty: 2,
            faults: [{ line: 4, column: 2, reason: '“x” is not a coordinate' }] as Preview['faults'],
        });
        expect(said()).toMatch(/4, column 2: “x” is not a coordinate\./);
        expect(said()).toContain('And 1 more.');
        press('Take 3 as points');
        expect(taken()).toBeUndefined();
        press('Take 3, leave 2 wrong out');
        await waitFor(() => expect(taken()).toMatchObject({ leaveOutFaulty: true }));
    });

    it('does not take degrees for coordinates without being told so', async () => {
        const { taken } = await drawn({ looksLikeDegrees: true });
        press('Take 3 as points');
        expect(taken()).toBeUndefined();
        fireEvent.click(screen.getByLabelText('They are site coordinates all the same'));
        press('Take 3 as points');
        await waitFor(() => expect(taken()).toMatchObject({ notDegrees: true }));
    });

    it('asks of control how good it is', async () => {
        const { taken } = await drawn({}, 'control');
        fireEvent.click(screen.getByLabelText('Held fixed: taken as without error'));
        expect(screen.getByLabelText('Standard deviation in plan')).toBeTruthy();
        press('Take 3 as control');
        await waitFor(() => expect(taken()).toMatchObject({ target: 'control', heldFixed: false }));
    });

    it('takes strings as lines of a drawing, or their corners too', async () => {
        const { taken } = await drawn({ strings: 2 });
        expect(screen.getByRole('button', { name: 'Take 2 lines as a drawing' })).toBeTruthy();
        fireEvent.change(screen.getByLabelText(/The rows are 2 strings/), { target: { value: 'both' } });
        press('Take 3 as points');
        await waitFor(() => expect(taken()).toMatchObject({ strings: 'both' }));
    });

    it('says why the server would not take it, and stays', async () => {
        const { done } = await drawn({}, 'points', new Refusal('There is a point “P1” already.'));
        press('Take 3 as points');
        await waitFor(() => expect(said()).toContain('There is a point “P1” already.'));
        expect(done).not.toHaveBeenCalled();
    });

    it('says what is wrong with a file that is no list', async () => {
        await drawn({ layout: null, problem: 'This is a picture.' });
        expect(said()).toContain('This is a picture.');
        expect(screen.queryByRole('button')).toBeNull();
    });
});
