// @vitest-environment happy-dom

import { describe, expect, it } from 'vitest';
import type { Mark, Project, Schemas } from '../api/client';
import { draw, FEET_INCHES, fireEvent, said, screen, waitFor } from '../tests/screen';
import { MatchShots } from './MatchShots';
import { keptOf } from './match';

const PATIENT = { timeout: 20_000 };
const PROJECT = { id: 1 } as Project;
const shot = (id: number, design: Mark['design'] = null) => ({ id, kind: 'as_built', design }) as Mark;
const match = (markId: number, name: string, more: Partial<Schemas['ShotMatchEntry']> = {}): Schemas['ShotMatchEntry'] => ({
    markId,
    name,
    code: '',
    candidates: [{ pointId: 10 + markId, name: `A${markId}`, code: 'BOLT', distance: 0.0127, built: false }],
    doubt: null,
    ...more,
});

describe('matching shots to points', { timeout: 60_000 }, () => {
    it('is offered where shots are held against nothing, and nowhere else', () => {
        draw(<MatchShots project={PROJECT} marks={[shot(1, { northing: 1, easting: 2, elevation: 3 })]} />);
        expect(screen.queryByRole('button')).toBeNull();
        draw(<MatchShots project={PROJECT} marks={[shot(1), shot(2), { ...shot(3), kind: 'stake' } as Mark]} />);
        expect(screen.getByRole('button', { name: 'Match 2 shots to points' })).toBeTruthy();
    });

    it('takes what is plain, says what is not, and leaves that to be chosen', async () => {
        const { asked } = draw(
            <MatchShots project={PROJECT} marks={[shot(1)]} />,
            {
                'GET /projects/1/built-matches': [match(1, 'S1'), match(2, 'S2', { doubt: 'second' }), match(3, 'S3', { candidates: [] })],
                'POST /projects/1/built-matches': { count: 2 },
            },
            FEET_INCHES,
        );
        fireEvent.click(screen.getByRole('button', { name: /^Match/ }));
        await waitFor(() => expect(said()).toContain('◆ another point lies nearly as near'), PATIENT);
        expect(said()).toContain('A1 (BOLT), 1/2" away');
        expect(said()).toContain('1 more have no point that near.');
        expect(screen.getByRole('button', { name: 'Hold 1 against its point' })).toBeTruthy();
        fireEvent.change(screen.getByLabelText('S2'), { target: { value: '12' } });
        fireEvent.click(screen.getByRole('button', { name: 'Hold 2 against their points' }));
        await waitFor(() => expect(asked.some((a) => a.method === 'POST')).toBe(true), PATIENT);
        expect(asked.find((a) => a.method === 'POST')?.body).toEqual({
            matches: [
                { markId: 1, pointId: 11 },
                { markId: 2, pointId: 12 },
            ],
        });
    });

    it('never takes another shot’s place by itself, nor a point that is no longer offered', () => {
        const built = match(1, 'S1', { candidates: [{ pointId: 11, name: 'A1', code: '', distance: 0.001, built: true }] });
        expect(keptOf([built], {})).toEqual([]);
        expect(keptOf([built], { 1: 11 })).toEqual([{ markId: 1, pointId: 11 }]);
        expect(keptOf([built], { 1: 99 })).toEqual([]);
        expect(keptOf([match(2, 'S2')], { 2: null })).toEqual([]);
    });
});
