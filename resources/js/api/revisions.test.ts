import { expect, it } from 'vitest';
import { begunAnew, heard, isCurrent, isPrepared } from './revisions';

it('knows the oldest of the answers that are shown', () => {
    expect(isCurrent(7, 12)).toBe(true);
    heard('http://127.0.0.1/api/v1/projects/7/setup', '11');
    heard('http://127.0.0.1/api/v1/projects/7', '12');
    heard('/api/v1/projects/8/marks', '3');
    heard('/api/v1/projects', '1');
    expect(isCurrent(7, 12)).toBe(false);
    expect(isCurrent(7, 11)).toBe(true);
    expect(isCurrent(8, 3)).toBe(true);
    begunAnew(7, false);
    heard('/api/v1/projects/7/setup', '12');
    expect(isCurrent(7, 12)).toBe(true);
});

it('counts points, control and designs apart, which no mark makes old', () => {
    heard('/api/v1/projects/9/points', '20');
    heard('/api/v1/projects/9/designs', '21');
    heard('/api/v1/projects/9/marks', '25');
    expect(isCurrent(9, 25)).toBe(true);
    expect(isPrepared(9, 20)).toBe(true);
    expect(isPrepared(9, 21)).toBe(false);
    begunAnew(9, false);
    expect(isPrepared(9, 21)).toBe(false);
    begunAnew(9, true);
    heard('/api/v1/projects/9/points', '21');
    expect(isPrepared(9, 21)).toBe(true);
});
