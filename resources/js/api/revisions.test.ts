import { expect, it } from 'vitest';
import { begunAnew, heard, isCurrent } from './revisions';

it('knows the oldest of the answers that are shown', () => {
    expect(isCurrent(7, 12)).toBe(true);
    heard('http://127.0.0.1/api/v1/projects/7/setup', '11');
    heard('http://127.0.0.1/api/v1/projects/7', '12');
    heard('/api/v1/projects/8/points', '3');
    heard('/api/v1/projects', '1');
    expect(isCurrent(7, 12)).toBe(false);
    expect(isCurrent(7, 11)).toBe(true);
    expect(isCurrent(8, 3)).toBe(true);
    begunAnew(7);
    heard('/api/v1/projects/7/setup', '12');
    expect(isCurrent(7, 12)).toBe(true);
});
