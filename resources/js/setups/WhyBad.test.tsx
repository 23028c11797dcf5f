// @vitest-environment happy-dom
import { describe, expect, it, vi } from 'vitest';
import type { ControlPoint, Schemas, SetupState } from '../api/client';
import { draw, fireEvent, Refusal, said, screen, waitFor } from '../tests/screen';
import { WhyBad } from './WhyBad';

type Explanation = Schemas['ExplanationEntry'];

const SIGHT = { direction: true, distance: true, plan: true, height: true, targetHeight: 2, prismConstant: 0 };

const DRAFT = {
    instrumentHeight: 1.6,
    heightMode: 'straight',
    sights: [
        { ...SIGHT, name: 'CP1', controlId: 11, observationId: 101 },
        { ...SIGHT, name: 'CP2', controlId: 12, observationId: 102 },
    ],
} as unknown as SetupState['draft'];

const CONTROL = [
    { id: 11, name: 'CP1' },
    { id: 12, name: 'CP2' },
    { id: 13, name: 'CP3' },
] as ControlPoint[];

const cause = (part: Partial<Explanation>): Explanation => ({
    cause: 'height',
    sights: ['CP2'],
    sentence: 'The target of CP2 was 0.400 m lower.',
    remedy: 'Look at its pole.',
    unitWeightDeviation: 0.9,
    behind: 0,
    value: null,
    level: false,
    decides: null,
    ...part,
});

const drawn = (explanations: Explanation[], answers = {}, draft = DRAFT) => {
    const onChange = vi.fn();
    const { asked } = draw(<WhyBad project={7} draft={draft} control={CONTROL} onChange={onChange} explanations={explanations} />, answers);
    return { asked, onChange };
};

const press = (name: RegExp | string) => fireEvent.click(screen.getByRole('button', { name }));

describe('why the sights do not fit', () => {
    it('says so where none of the usual causes explains it', () => {
        drawn([]);
        expect(said()).toContain('The sights don’t fit each other, and none of the usual causes explains it.');
        expect(screen.queryByRole('button')).toBeNull();
    });

    it('puts measuring again first, as the least change, and the figure that mends it after', async () => {
        const { asked } = drawn([cause({ value: -0.4 })]);
        const words = screen.getAllByRole('button').map((b) => b.textContent);
        expect(words[0]).toBe('Measure CP2 again');
        expect(words).toContain('The target of CP2 was at 1.600 m: mend it');
        press('Measure CP2 again');
        await waitFor(() => expect(asked.map((a) => a.path)).toContain('/projects/7/instrument/measure'));
        expect(asked.find((a) => a.path.endsWith('/measure'))?.body).toMatchObject({ purpose: 'setup', controlId: 12, keepIn: 'sight' });
        press('Turn to CP2');
        await waitFor(() => expect(asked.find((a) => a.path.endsWith('/turn'))?.body).toMatchObject({ controlId: 12 }));
    });

    it('mends the target height of the sight that is named and of no other', async () => {
        const { asked } = drawn([cause({ value: -0.4 })], { 'POST /projects/7/corrections': { count: 1 } });
        press(/mend it/);
        await waitFor(() => expect(asked.some((a) => a.path === '/projects/7/corrections')).toBe(true));
        const bodies = asked.filter((a) => a.path === '/projects/7/corrections').map((a) => a.body);
        expect(bodies).toHaveLength(1);
        expect(bodies[0]).toMatchObject({ observationId: 102, targetHeight: 1.6, prismConstant: 0 });
    });

    it('shows why a mending was refused', async () => {
        drawn([cause({ value: -5 })], {
            'POST /projects/7/corrections': new Refusal('A target height of -3.000 m is not between 0 and 6.000 m.'),
        });
        press(/mend it/);
        await waitFor(() => expect(said()).toContain('is not between 0 and 6.000 m'));
    });

    it('leaves out of a sight only what is wrong with it', () => {
        const { onChange } = drawn([cause({})]);
        press('Leave CP2 out for height');
        const [left, right] = onChange.mock.calls[0]?.[0].sights ?? [];
        expect(left).toMatchObject({ controlId: 11, height: true });
        expect(right).toMatchObject({ controlId: 12, height: false, direction: true });
    });

    it('exchanges both names', () => {
        const { onChange } = drawn([cause({ cause: 'namesExchanged', sights: ['CP1', 'CP2'] })]);
        press('Exchange both sights');
        expect(onChange.mock.calls[0]?.[0].sights.map((s: { controlId: number }) => s.controlId)).toEqual([12, 11]);
        expect(screen.queryByRole('button', { name: /again/ })).toBeNull();
    });

    it('calls a sight by the mark that was really sighted', () => {
        const { onChange } = drawn([cause({ cause: 'anotherMark', sights: ['CP2', 'CP3'] })]);
        press('Call the sight CP3');
        expect(onChange.mock.calls[0]?.[0].sights.map((s: { controlId: number }) => s.controlId)).toEqual([11, 13]);
    });

    it('mends what stands under the tripod in the setup, not in a reading', () => {
        const { asked, onChange } = drawn([cause({ cause: 'instrumentHeight', sights: [], value: 0.1 })]);
        press(/The tape says 1\.700 m/);
        expect(onChange).toHaveBeenCalledWith({ heightMode: 'straight', instrumentHeight: 1.7000000000000002 });
        expect(asked).toEqual([]);
    });

    it('names causes that explain it as well, and what would tell them apart', () => {
        drawn([
            cause({ decides: 'Sight CP3: it tells them apart.' }),
            cause({ level: true, sentence: 'The prism of CP2 has another constant.' }),
            cause({ behind: 5, sentence: 'The tripod moved.' }),
            cause({ behind: 60, sentence: 'Somebody moved the mark.' }),
        ]);
        expect(said()).toContain('These readings can’t tell 2 causes apart. Sight CP3: it tells them apart.');
        expect(said()).toContain('Or: The prism of CP2 has another constant.');
        expect(said()).toContain('the next best cause explains the readings worse by 5 (weighted squares)');
        expect(said()).toContain('The tripod moved.');
        expect(said()).not.toContain('Somebody moved the mark.');
    });
});
