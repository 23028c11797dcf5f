import { expect, it, vi } from 'vitest';
import { Shown } from './shown';

it('hears whoever spoke last, and the one before when that is taken back', () => {
    const shown = new Shown<string>();
    const tell = vi.fn();
    const stop = shown.listen(tell);
    expect(shown.heard()).toBeNull();
    shown.say('a', 'sketch');
    shown.say('b', 'grid');
    expect(shown.heard()).toBe('grid');
    expect(shown.all()).toEqual(['sketch', 'grid']);
    expect(shown.all()).toBe(shown.all());
    shown.say('a', 'sketch, a leg more');
    expect(shown.heard()).toBe('sketch, a leg more');
    shown.say('a', null);
    expect(shown.heard()).toBe('grid');
    shown.say('b', null);
    expect(shown.heard()).toBeNull();
    expect(shown.all()).toEqual([]);
    expect(tell).toHaveBeenCalledTimes(5);
    stop();
    shown.say('c', 'x');
    expect(tell).toHaveBeenCalledTimes(5);
});
