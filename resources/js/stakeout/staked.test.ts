import { describe, expect, it } from 'vitest';
import type { Mark, StakeoutPoint } from '../api/client';
import { progressWords, withStakes } from './staked';

const point = (id: number, stakes = 0, verdict: string | null = null, state = stakes > 0 ? 'done' : 'open') =>
    ({ id, stakes, verdict, state }) as StakeoutPoint;
const mark = (kind: string, pointId: number | null, verdict = 'in', leaves = verdict === 'out' ? 'redo' : 'done') =>
    ({ kind, pointId, verdict, leaves }) as Mark;

describe('points with their stakes', () => {
    it('counts stakes, and the last one decides', () => {
        const points = withStakes([point(1), point(2)], [mark('stake', 1, 'out'), mark('stake', 1, 'in')]);
        expect(points).toEqual([point(1, 2, 'in'), point(2)]);
    });

    it('keeps one that is out to be done again, until a later one is in or it was left so on purpose', () => {
        const states = (...marks: Mark[]) => withStakes([point(1)], marks).map((p) => p.state);
        expect(states(mark('stake', 1, 'out'))).toEqual(['redo']);
        expect(states(mark('stake', 1, 'out'), mark('stake', 1, 'in'))).toEqual(['done']);
        expect(states(mark('stake', 1, 'in'), mark('stake', 1, 'out'))).toEqual(['redo']);
        expect(states(mark('stake', 1, 'out', 'done'))).toEqual(['done']);
        expect(progressWords(withStakes([point(1), point(2), point(3)], [mark('stake', 1, 'out'), mark('stake', 2)]))).toBe(
            '1 of 3 left, 1 to redo',
        );
    });

    it('counts neither as-built shots nor checks nor what names no point', () => {
        expect(withStakes([point(1)], [mark('as_built', 1), mark('check', 1), mark('stake', null)])).toEqual([point(1)]);
    });

    it('makes no point anew that is as it was', () => {
        const points = [point(1, 1, 'in'), point(2)];
        const now = withStakes(points, [mark('stake', 1)]);
        expect(now[0]).toBe(points[0]);
        expect(now[1]).toBe(points[1]);
    });

    it('takes back what a mended mark had said', () => {
        expect(withStakes([point(1, 1, 'out')], [])).toEqual([point(1)]);
    });
});
