// @vitest-environment happy-dom
import { describe, expect, it, vi } from 'vitest';
import type { Aim } from '../api/client';
import { draw, fireEvent, said, screen, waitFor } from '../tests/screen';
import { LineTools } from './LineTools';

const LAY = { reversed: false, heights: 'vertices', elevation: null, parallels: [{ offset: 0, verticalOffset: 0, name: '' }], parallel: 0 };

const LINE = { length: 42.5, pieces: 3, closed: false, endHeights: true, lay: LAY } as unknown as NonNullable<Aim['line']>;

const AIM = { id: 5, key: 'k', version: 2, kind: 'line', name: 'KERB', source: 'layer KERB', line: LINE } as unknown as Aim;

const drawn = (line: Partial<NonNullable<Aim['line']>> = {}, guided = false) => {
    const onPlaces = vi.fn();
    const whole = { ...LINE, ...line } as NonNullable<Aim['line']>;
    const { asked } = draw(<LineTools project={7} aim={{ ...AIM, line: whole }} line={whole} guided={guided} onPlaces={onPlaces} />, {
        'PATCH /projects/7/aims/5': AIM,
        'GET /compute/length': [{ metres: 0.5, text: '0.500 m' }],
        'POST /projects/7/aims/5/places': [AIM],
    });
    return { asked, onPlaces };
};

const press = (name: RegExp | string) => fireEvent.click(screen.getByRole('button', { name }));

const laid = (asked: { method: string; body: unknown }[]) => asked.find((a) => a.method === 'PATCH')?.body;

describe('a line that is staked', () => {
    it('says how long it is and where it comes from', () => {
        drawn();
        expect(said()).toContain('42.500 m long, 3 pieces · layer KERB');
    });

    it('is turned round, but not where it is closed', async () => {
        const { asked } = drawn();
        press('Turn it round');
        await waitFor(() => expect(laid(asked)).toMatchObject({ lay: { reversed: true, parallel: 0 } }));
    });

    it('has no other end where it is closed', () => {
        drawn({ closed: true });
        expect(said()).toContain(', closed');
        expect(screen.queryByRole('button', { name: 'Turn it round' })).toBeNull();
    });

    it.each([
        ['To the right', 0.5],
        ['To the left', -0.5],
    ])('gets a parallel %s', async (side, right) => {
        const { asked } = drawn();
        press('Parallel');
        fireEvent.change(screen.getByLabelText('Offset from the line'), { target: { value: '0.5' } });
        await waitFor(() => expect(screen.getByRole('button', { name: side }).hasAttribute('disabled')).toBe(false));
        await waitFor(() => expect(said()).toContain('= 0.500 m'));
        press(side);
        await waitFor(() =>
            expect(laid(asked)).toMatchObject({
                lay: { parallels: [LAY.parallels[0], { offset: right, verticalOffset: 0, name: '' }], parallel: 1 },
            }),
        );
    });

    it('is staked in plan alone where it has no heights', async () => {
        const { asked } = drawn({ endHeights: false });
        press('Heights');
        expect(said()).toContain('Its ends have no heights in the drawing.');
        fireEvent.change(screen.getByLabelText('Heights'), { target: { value: 'none' } });
        press('Use these heights');
        await waitFor(() => expect(laid(asked)).toMatchObject({ lay: { heights: 'none', elevation: null } }));
    });

    it('gives its ends and corners as places to be staked', async () => {
        const { asked, onPlaces } = drawn();
        press('Go to a place on it');
        fireEvent.change(screen.getByLabelText('Places'), { target: { value: 'main' } });
        press('Stake these places');
        await waitFor(() => expect(onPlaces).toHaveBeenCalledWith([AIM]));
        expect(asked.find((a) => a.path.endsWith('/places'))?.body).toMatchObject({ way: 'main', offset: 0 });
    });
});
