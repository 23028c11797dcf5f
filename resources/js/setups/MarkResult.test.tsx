// @vitest-environment happy-dom
import { describe, expect, it, vi } from 'vitest';
import type { Mark } from '../api/client';
import { draw, FEET_INCHES, fireEvent, METRIC, said, screen, waitFor } from '../tests/screen';
import { MarkResult } from './MarkResult';

const PATIENT = { timeout: 20_000 };
const MARK = {
    id: 7,
    at: '2026-12-01T09:30:00.000Z',
    measuredAt: '2026-12-01T09:30:00.000Z',
    kind: 'stake',
    name: 'A5.4',
    found: { northing: 1010, easting: 2020, elevation: 10 },
    design: { northing: 1010, easting: 2020, elevation: 10 },
    deviation: { northing: 0.0061, easting: 0, plan: 0.0061, height: -0.0002 },
    verdict: 'out',
    planTolerance: 0.005,
    heightTolerance: 0.005,
    judged: 'plan_and_height',
    aimed: null,
    leftSo: false,
    leaves: 'done',
    strike: null,
} as unknown as Mark;

describe('a stored mark', { timeout: 60_000 }, () => {
    it('is undone at one touch right after it was stored', async () => {
        const onUndone = vi.fn();
        const { asked } = draw(<MarkResult mark={MARK} latest project={1} onUndone={onUndone} />, {
            'POST /projects/1/marks/7/strikes': MARK,
        });
        expect(said()).toContain('6.1 mm');
        fireEvent.click(screen.getByRole('button', { name: 'Undo A5.4: strike it' }));
        await waitFor(() => expect(onUndone).toHaveBeenCalledTimes(1), PATIENT);
        expect(asked.find((a) => a.method === 'POST')).toMatchObject({
            method: 'POST',
            body: { struck: true, reason: 'undone right after it was stored' },
        });
    });

    it('is no more undone by a touch once another was stored', () => {
        draw(<MarkResult mark={MARK} latest={false} project={1} />);
        expect(screen.queryByRole('button', { name: /Undo/ })).toBeNull();
    });

    it('says which parallel of a line it was made to', () => {
        const aimed = { kind: 'line', name: 'GRID 3', along: 12.5, offset: 0.001, parallel: 0.5, parallelName: 'face', station: null };
        draw(<MarkResult mark={{ ...MARK, aimed: aimed as Mark['aimed'] }} latest={false} project={1} />);
        expect(said()).toContain('GRID 3, face (0.500 m right of it): 12.500 m from the start');
    });

    it.each([
        ['metres', METRIC, '12.500 m from the start', '2.1 mm left of it'],
        ['feet and inches', FEET_INCHES, '41\' 1/8" from the start', '1/16" left of it'],
    ])('says in %s where along a line it was made, and beside it', (_, units, along, beside) => {
        const aimed = { kind: 'line', name: 'S-WALL line', along: 12.5, offset: -0.0021, parallel: 0, parallelName: '', station: null };
        draw(<MarkResult mark={{ ...MARK, aimed: aimed as Mark['aimed'] }} latest={false} project={1} />, {}, units);
        expect(said()).toContain(along);
        expect(said()).toContain(beside);
    });
});
