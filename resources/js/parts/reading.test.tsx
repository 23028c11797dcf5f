// @vitest-environment happy-dom
import { describe, expect, it, vi } from 'vitest';
import { draw, fireEvent, screen, waitFor } from '../tests/screen';
import { Button } from './Button';
import { held, reading } from './reading';

const PATIENT = { timeout: 20_000 };

describe('a button pressed while what was typed is being understood', { timeout: 60_000 }, () => {
    it('waits for it, and is pressed once', async () => {
        let understood: (n: number) => void = () => undefined;
        const pressed = vi.fn();
        draw(<Button onClick={pressed}>Keep</Button>);
        const done = reading(new Promise<number>((resolve) => (understood = resolve)));
        fireEvent.click(screen.getByRole('button'));
        expect(pressed).not.toHaveBeenCalled();
        understood(1.5);
        expect(await done).toBe(1.5);
        await waitFor(() => expect(pressed).toHaveBeenCalledTimes(1), PATIENT);
        fireEvent.click(screen.getByRole('button'));
        expect(pressed).toHaveBeenCalledTimes(2);
    });

    it('waits no longer than a hand would where nobody answers', async () => {
        vi.useFakeTimers();
        const never = reading(new Promise<void>((_, fail) => setTimeout(() => fail(new Error('lost')), 5000))).catch(() => 'lost');
        const pressed = vi.fn();
        expect(held(pressed)).toBe(true);
        vi.advanceTimersByTime(1499);
        expect(pressed).not.toHaveBeenCalled();
        vi.advanceTimersByTime(2);
        expect(pressed).toHaveBeenCalledTimes(1);
        vi.advanceTimersByTime(5000);
        vi.useRealTimers();
        expect(await never).toBe('lost');
        expect(held(pressed)).toBe(false);
    });
});
