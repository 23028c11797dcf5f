// @vitest-environment happy-dom

import { useState } from 'react';
import { describe, expect, it } from 'vitest';
import { isTaped, METHODS } from '../parts/foundFrom';
import { draw, fireEvent, said, screen, waitFor } from '../tests/screen';
import { type Several, SeveralShots } from './SeveralShots';

let now: Several | null = null;
let take: (reading: number) => void = () => undefined;

function Shown() {
    const [value, setValue] = useState<Several | null>(null);
    now = value;
    take = (reading) => setValue((v) => v && { ...v, taken: [...v.taken, reading] });
    return <SeveralShots value={value} onValue={setValue} />;
}

const shown = () => {
    draw(<Shown />, { 'GET /compute/length': [{ metres: 0.9, text: '0.900 m' }] });
    fireEvent.click(screen.getByRole('button', { name: 'From several shots' }));
};

describe('a place found from several shots', { timeout: 60_000 }, () => {
    it('says which shot comes next, and begins again when it is to be found another way', async () => {
        shown();
        fireEvent.change(screen.getByLabelText('What is found'), { target: { value: 'wall_corner' } });
        expect(said()).toContain('▸ next: on the first wall');
        take(41);
        await waitFor(() => expect(said()).toContain('▸ next: on the first wall, farther along'));
        expect(said()).toContain('● taken: on the first wall');
        fireEvent.click(screen.getByRole('button', { name: 'Begin again' }));
        expect(now).toMatchObject({ shot: { method: 'wall_corner' }, taken: [] });
        take(42);
        await waitFor(() => expect(now?.taken).toEqual([42]));
        fireEvent.change(screen.getByLabelText('What is found'), { target: { value: 'rod' } });
        expect(now).toEqual({ shot: { method: 'rod', first: 0, second: 0, right: true }, taken: [] });
    });

    it('waits for what must be taped, and for nothing else', async () => {
        shown();
        const shot = () => (now as Several).shot;
        expect(isTaped(shot())).toBe(false);
        fireEvent.change(screen.getByLabelText('Tape from the first shot'), { target: { value: '0.9' } });
        await waitFor(() => expect(shot().first).toBe(0.9));
        expect(isTaped(shot())).toBe(false);
        fireEvent.change(screen.getByLabelText('What is found'), { target: { value: 'rod' } });
        fireEvent.change(screen.getByLabelText('From the nearer prism to the tip'), { target: { value: '0.9' } });
        await waitFor(() => expect(isTaped(shot())).toBe(true));
        fireEvent.change(screen.getByLabelText('What is found'), { target: { value: 'column_edges' } });
        expect(isTaped(shot())).toBe(true);
        expect(Object.values(METHODS).map((m) => m.shots.length)).toEqual([2, 4, 3, 3, 2]);
    });

    it('is given up at one touch', () => {
        shown();
        fireEvent.click(screen.getByRole('button', { name: 'On the prism' }));
        expect(now).toBeNull();
    });
});
