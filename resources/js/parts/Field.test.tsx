// @vitest-environment happy-dom
import { useState } from 'react';
import { describe, expect, it, vi } from 'vitest';
import { draw, FEET_INCHES, fireEvent, METRIC, Refusal, said, screen, waitFor } from '../tests/screen';
import { KeptTextField, LengthField } from './Field';

const READINGS = { 'GET /compute/length': (asked: { path: string }) => (asked ? [{ metres: 1.6, text: '1.600 m' }] : []) };

function Length({
    onValue,
    optional = false,
    start = null,
}: {
    onValue: (m: number | null) => void;
    optional?: boolean;
    start?: number | null;
}) {
    const [value, setValue] = useState<number | null>(start);
    return (
        <LengthField
            label="Height"
            value={value}
            optional={optional}
            onValue={(m) => {
                setValue(m);
                onValue(m);
            }}
        />
    );
}

const type = (text: string) => fireEvent.change(screen.getByLabelText('Height'), { target: { value: text } });

/** What comes back from its server is always one letter behind. */
function Late() {
    const [kept, setKept] = useState('');
    return <KeptTextField label="Name" value={kept} onValue={(t) => setKept(t.slice(0, -1))} />;
}

describe('a field for a length', () => {
    it('shows what it holds as the project writes lengths', () => {
        draw(<Length onValue={vi.fn()} start={0.3048} />, {}, FEET_INCHES);
        expect((screen.getByLabelText('Height') as HTMLInputElement).value).toBe('1\' 0"');
    });

    it('shows how what was typed is understood, and hands it on', async () => {
        const onValue = vi.fn();
        draw(<Length onValue={onValue} />, READINGS, METRIC);
        type('1,6');
        await waitFor(() => expect(said()).toContain('= 1.600 m'));
        expect(onValue).toHaveBeenLastCalledWith(1.6);
    });

    it('asks where two readings remain', async () => {
        const onValue = vi.fn();
        draw(<Length onValue={onValue} />, {
            'GET /compute/length': [
                { metres: 1.234, text: '1.234 m' },
                { metres: 1234, text: '1234.000 m' },
            ],
        });
        type('1,234');
        await waitFor(() => expect(said()).toContain('Which one?'));
        fireEvent.click(screen.getByRole('button', { name: '1234.000 m' }));
        expect(onValue).toHaveBeenLastCalledWith(1234);
    });

    it('says what is wrong with what can’t be read, and keeps what was typed', async () => {
        draw(<Length onValue={vi.fn()} />, { 'GET /compute/length': new Refusal('“abc” is not a length.') });
        type('abc');
        await waitFor(() => expect(said()).toContain('“abc” is not a length.'));
        expect((screen.getByLabelText('Height') as HTMLInputElement).value).toBe('abc');
    });

    it('an emptied field is none, and says so where one is needed', () => {
        const onValue = vi.fn();
        draw(<Length onValue={onValue} start={2} />);
        type('');
        expect(onValue).toHaveBeenLastCalledWith(null);
        expect(said()).toContain('A length is needed.');
    });

    it('says nothing of an emptied one that may be empty', () => {
        draw(<Length onValue={vi.fn()} start={2} optional />);
        type('');
        expect(said()).not.toContain('A length is needed.');
    });
});

describe('a text that the server keeps', () => {
    it('is the typist’s until it is left, whatever comes back meanwhile', () => {
        draw(<Late />);
        const field = screen.getByLabelText('Name') as HTMLInputElement;
        for (const text of ['G', 'GR', 'GRID-A1']) {
            fireEvent.change(field, { target: { value: text } });
            expect(field.value).toBe(text);
        }
        fireEvent.blur(field);
        expect(field.value).toBe('GRID-A');
    });
});
