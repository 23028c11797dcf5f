// @vitest-environment happy-dom

import { MemoryRouter } from 'react-router';
import { describe, expect, it, vi } from 'vitest';
import type { Issue, Mark, Project } from '../api/client';
import type { StageProps } from '../stage/stages';
import { draw, fireEvent, said, screen, waitFor } from '../tests/screen';
import { dateOf } from '../units/times';
import { HandOver } from './HandOver';
import { ALL, codesOf, covered, daysOf } from './scope';

const PATIENT = { timeout: 20_000 };
const PROJECT = { id: 1, setup: null } as unknown as Project;

const mark = (id: number, more: Partial<Mark> = {}): Mark =>
    ({
        id,
        measuredAt: '2026-12-02T12:00:00.000000Z',
        kind: 'stake',
        pointId: id,
        name: `P${id}`,
        code: 'BOLT',
        deviation: { northing: 0.001, easting: 0, plan: 0.001, height: 0 },
        verdict: 'in',
        judged: 'plan_and_height',
        planTolerance: 0.005,
        heightTolerance: 0.005,
        conformance: null,
        ...more,
    }) as Mark;

const conformance = (conformity: 'inside' | 'outside' | 'close', plan: number, acceptance: 'simple' | 'guarded' = 'guarded') => ({
    planUncertain: 0.004,
    heightUncertain: 0.002,
    plan,
    height: 0.999,
    conformity,
    acceptance,
    level: 0.95,
});

const ISSUE: Issue = {
    id: 4,
    number: 3,
    name: 'Anchors',
    author: 'M. Müller',
    at: '2026-12-01T15:00:00.000000Z',
    scope: ALL,
    counts: { in: 7, out: 2, close: 1, undecided: 0 },
    checksum: 'abcd 0123 ffff 0000',
    file: '/api/v1/projects/1/report-issues/3.pdf',
    table: '/api/v1/projects/1/report-issues/3.csv',
};

const shown = (marks: Mark[], answers: Parameters<typeof draw>[1] = {}) =>
    draw(
        <MemoryRouter>
            <HandOver {...({ project: PROJECT, marks } as unknown as StageProps)} />
        </MemoryRouter>,
        {
            'GET /projects/1/checks': { checks: [], holds: null, verdict: '', due: null, offered: null },
            ...answers,
        },
    );

describe('handing over', { timeout: 60_000 }, () => {
    it('calls each mark by the rule of the project, with how far it may be wrong', () => {
        shown([
            mark(1, { conformance: conformance('inside', 0.99) }),
            mark(2, { conformance: conformance('close', 0.73) }),
            mark(3, { verdict: 'out', conformance: conformance('outside', 0.3, 'simple') }),
        ]);
        expect(said()).toContain('1 too close to call');
        expect(said()).toContain('in with 73 %');
        expect(said()).toContain('± 4.0 mm');
        expect(said()).not.toContain('in with 99 %');
        expect(said()).toContain('in with 30 %');
    });

    it('prints what is chosen, under its name', async () => {
        vi.stubGlobal('open', vi.fn());
        const { asked } = shown([mark(1), mark(2, { code: 'WALL', kind: 'as_built' })], {
            'POST /projects/1/reports': { id: 9, state: 'done', result: { file: '/x.pdf', number: 4 } },
        });
        fireEvent.change(screen.getByLabelText(/^Name of the report/), { target: { value: 'Anchors' } });
        fireEvent.click(screen.getByRole('button', { name: 'Covers all marks' }));
        fireEvent.change(screen.getByLabelText('Code'), { target: { value: '=WALL' } });
        fireEvent.click(screen.getByLabelText('Only what is out or too close to call'));
        expect(said()).toContain('Nothing of that was staked or measured.');
        fireEvent.click(screen.getByRole('button', { name: 'Print the report' }));
        await waitFor(() => expect(screen.getByRole('link', { name: 'Open the report' })).toBeTruthy(), PATIENT);
        expect(asked.find((a) => a.method === 'POST')?.body).toMatchObject({
            name: 'Anchors',
            scope: { code: 'WALL', outOnly: true, day: '', worklistId: null },
        });
        fireEvent.click(screen.getByLabelText('Only what is out or too close to call'));
        expect(screen.queryByRole('link', { name: 'Open the report' }), 'what was printed is no longer what is chosen').toBeNull();
    });

    it('prints the foreman’s sheet of today, or of the day that is chosen', async () => {
        vi.stubGlobal('open', vi.fn());
        const { asked } = shown([mark(1), mark(2, { measuredAt: '2026-12-01T12:00:00.000000Z' })], {
            'POST /projects/1/day-sheet': { id: 9, state: 'done', result: { file: '/day.pdf' } },
        });
        const days = () => asked.filter((a) => a.method === 'POST').map((a) => (a.body as { day: string }).day);
        fireEvent.click(screen.getByRole('button', { name: 'Foreman’s sheet' }));
        const link = () => screen.queryByRole('link', { name: 'Open the foreman’s sheet' });
        await waitFor(() => expect(link()?.getAttribute('href')).toBe('/day.pdf'), PATIENT);
        expect(screen.getByRole('button', { name: 'Print the report' }), 'the report is another sheet').toBeTruthy();
        expect(days()).toEqual([dateOf(new Date().toISOString())]);
        fireEvent.click(screen.getByRole('button', { name: 'Covers all marks' }));
        fireEvent.change(screen.getByLabelText('Days'), {
            target: { value: daysOf([mark(2, { measuredAt: '2026-12-01T12:00:00.000000Z' })])[0] },
        });
        expect(link()).toBeNull();
        fireEvent.click(screen.getByRole('button', { name: 'Foreman’s sheet' }));
        await waitFor(() => expect(days()[1]).toBe(dateOf('2026-12-01T12:00:00.000000Z')), PATIENT);
    });

    it('lists what was issued, and says what changed since', async () => {
        shown([mark(1)], {
            'GET /projects/1/report-issues': [ISSUE],
            'GET /projects/1/report-issues/3/changes': [
                {
                    name: 'A5',
                    kind: 'corrected',
                    verdictBefore: 'in',
                    verdictAfter: 'out',
                    planBefore: 0.004,
                    planAfter: 0.0061,
                    turned: true,
                },
            ],
        });
        await waitFor(() => expect(said()).toContain('no. 3 Anchors'), PATIENT);
        expect(said()).toContain('7 in, 2 out, 1 too close to call');
        expect(said()).toContain('abcd 0123 ffff 0000');
        expect(screen.getByRole('link', { name: 'Open report 3' }).getAttribute('href')).toBe(ISSUE.file);
        fireEvent.click(screen.getByRole('button', { name: 'Changed since' }));
        await waitFor(() => expect(said()).toContain('1 told otherwise today'), PATIENT);
        expect(said()).toContain('A5');
        expect(said()).toContain('4.0 mm → 6.1 mm');
    });
});

describe('what a report covers', () => {
    const marks = [
        mark(1, { pointId: 7, verdict: 'out' }),
        mark(2, { pointId: 7 }),
        mark(3, { kind: 'as_built', code: '' }),
        mark(4, { kind: 'check', code: 'x' }),
        mark(5, { pointId: null, verdict: 'out', measuredAt: '2026-11-30T12:00:00.000000Z' }),
    ];
    const ids = (change: Partial<typeof ALL>, listed: number[] | null = null) =>
        covered(marks, { ...ALL, ...change }, listed).map((m) => m.id);

    it('counts a point once, by its latest mark', () => {
        expect(ids({})).toEqual([2, 3, 5]);
        expect(ids({ outOnly: true })).toEqual([5]);
        expect(ids({ kind: 'as_built' })).toEqual([3]);
        expect(ids({ code: '' })).toEqual([3]);
        expect(ids({}, [7])).toEqual([2]);
        expect(ids({ day: '2026-11-30' })).toEqual([5]);
    });

    it('counts a spot once, and a line as often as it was marked', () => {
        const at = (id: number, kind: 'spot' | 'line') => mark(id, { pointId: null, aimKey: kind, aimed: { kind } as Mark['aimed'] });
        expect(covered([at(1, 'spot'), at(2, 'line'), at(3, 'spot'), at(4, 'line')], ALL, null).map((m) => m.id)).toEqual([2, 3, 4]);
    });

    it('offers the days and the codes that there are', () => {
        expect(daysOf(marks)).toEqual(['2026-12-02', '2026-11-30']);
        expect(codesOf(marks)).toEqual(['', 'BOLT']);
    });
});
