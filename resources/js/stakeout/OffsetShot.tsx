import { useState } from 'react';
import { Button } from '../parts/Button';
import { Choice, LengthField } from '../parts/Field';
import { Notice } from '../parts/Notice';
import { besideWords, type OffsetShot as Offset, ON_THE_PRISM, SIDES } from '../parts/offsetShot';
import { useUnits } from '../units/UnitsContext';

interface PartProps {
    part: keyof Offset;
    label: string;
    value: number;
    onValue: (metres: number) => void;
}

/** A taped length with the side it was taped to; turned to the other side it keeps its length. */
function Part({ part, label, value, onValue }: PartProps) {
    const [before, behind] = SIDES[part];
    const [negative, setNegative] = useState(value < 0);
    const signed = (length: number, to: boolean) => (length === 0 ? 0 : to ? -length : length);
    return (
        <div className="grid grid-cols-2 gap-3">
            <LengthField
                label={label}
                value={Math.abs(value) || null}
                onValue={(m) => onValue(signed(Math.abs(m ?? 0), negative))}
                optional
            />
            <Choice
                label="Side of the prism"
                value={negative ? 'negative' : 'positive'}
                onValue={(side) => {
                    setNegative(side === 'negative');
                    onValue(signed(Math.abs(value), side === 'negative'));
                }}
                options={[
                    ['positive', `${behind} it`],
                    ['negative', `${before} it`],
                ]}
            />
        </div>
    );
}

/** What no prism can stand on: taped behind, beside or above the prism, as one looks from the instrument. For one shot alone. */
export function OffsetShot({ value, onValue }: { value: Offset | null; onValue: (offset: Offset | null) => void }) {
    const { length } = useUnits();
    if (value === null) {
        return (
            <div>
                <Button onClick={() => onValue(ON_THE_PRISM)}>Offset shot</Button>
            </div>
        );
    }
    const words = besideWords(value, length);
    return (
        <section aria-label="Offset shot" className="grid gap-2 border-l-4 border-chalk pl-3">
            <div className="flex flex-wrap items-center justify-between gap-2">
                <h2 className="font-semibold">Offset shot</h2>
                <Button onClick={() => onValue(null)}>On the prism</Button>
            </div>
            <Part part="behind" label="Along the sight" value={value.behind} onValue={(behind) => onValue({ ...value, behind })} />
            <Part part="right" label="Across the sight" value={value.right} onValue={(right) => onValue({ ...value, right })} />
            <Part part="up" label="Vertical" value={value.up} onValue={(up) => onValue({ ...value, up })} />
            <Notice>
                {words === '' ? 'Nothing is offset yet.' : `The next shot is stored ${words}, as seen from the instrument.`} A round column:
                its radius behind a prism at its front.
            </Notice>
        </section>
    );
}
