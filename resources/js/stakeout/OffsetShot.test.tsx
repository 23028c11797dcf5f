// @vitest-environment happy-dom

import { useState } from 'react';
import { describe, expect, it } from 'vitest';
import { besideWords, type OffsetShot as Offset } from '../parts/offsetShot';
import { draw, fireEvent, said, screen, waitFor } from '../tests/screen';
import { OffsetShot } from './OffsetShot';

let now: Offset | null = null;

function Shown() {
    const [offset, setOffset] = useState<Offset | null>(null);
    now = offset;
    return <OffsetShot value={offset} onValue={setOffset} />;
}

const shown = () => {
    draw(<Shown />, { 'GET /compute/length': [{ metres: 0.3, text: '0.300 m' }] });
    fireEvent.click(screen.getByRole('button', { name: 'Offset shot' }));
};

describe('an offset shot', () => {
    it('is begun on purpose, and says where the next shot will be stored', async () => {
        shown();
        expect(said()).toContain('Nothing is offset yet.');
        fireEvent.change(screen.getByLabelText('Along the sight'), { target: { value: '0.3' } });
        await waitFor(() => expect(said()).toContain('The next shot is stored 0.300 m behind the prism, as seen from the instrument.'));
        expect(now).toEqual({ behind: 0.3, right: 0, up: 0 });
    });

    it('keeps its length when it is turned to the other side', async () => {
        shown();
        fireEvent.change(screen.getByLabelText('Across the sight'), { target: { value: '0.3' } });
        await waitFor(() => expect(now?.right).toBe(0.3));
        fireEvent.change(screen.getAllByLabelText('Side of the prism')[1] as HTMLElement, { target: { value: 'negative' } });
        expect(now).toEqual({ behind: 0, right: -0.3, up: 0 });
        expect(said()).toContain('0.300 m left of the prism');
    });

    it('takes a side that is chosen before the length', async () => {
        shown();
        fireEvent.change(screen.getAllByLabelText('Side of the prism')[2] as HTMLElement, { target: { value: 'negative' } });
        expect(now).toEqual({ behind: 0, right: 0, up: 0 });
        fireEvent.change(screen.getByLabelText('Vertical'), { target: { value: '0.3' } });
        await waitFor(() => expect(now?.up).toBe(-0.3));
    });

    it('is given up at one touch', () => {
        shown();
        fireEvent.click(screen.getByRole('button', { name: 'On the prism' }));
        expect(now).toBeNull();
    });

    it('is told by its parts, and by nothing where the prism stood on it', () => {
        expect(besideWords({ behind: -0.5, right: 0.25, up: 0.1 }, 'm')).toBe('0.500 m before, 0.250 m right of, 0.100 m above the prism');
        expect(besideWords({ behind: 0, right: 0, up: 0 }, 'm')).toBe('');
        expect(besideWords(null, 'm')).toBe('');
    });
});
