import type { Schemas } from '../api/client';
import { Choice, LengthField, NumberField } from '../parts/Field';
import type { Named } from './given';
import { PlaceInput } from './PlaceInput';

export type Elevation = Schemas['ElevationWanted'];

const RULES: [NonNullable<Elevation['rule']>, string][] = [
    ['asMade', 'from the geometry'],
    ['none', 'none'],
    ['figure', 'one figure'],
    ['difference', 'another point’s, and a difference'],
    ['grade', 'along a grade from a point'],
    ['between', 'between two points, evenly'],
];

export const elevationWords = (value: Elevation): string => RULES.find(([r]) => r === (value.rule ?? 'asMade'))?.[1] ?? '';

/** Where the elevation of what is made comes from. */
export function ElevationInput({ value, onValue, ...named }: Named & { value: Elevation; onValue: (value: Elevation) => void }) {
    const rule = value.rule ?? 'asMade';
    const fromPoint = rule === 'difference' || rule === 'grade' || rule === 'between';
    return (
        <div className="grid gap-2">
            <Choice label="Elevation" value={rule} options={RULES} onValue={(next) => onValue({ rule: next, value: 0 })} />
            {rule === 'asMade' && (
                <LengthField label="Vertical offset" value={value.value ?? 0} onValue={(v) => onValue({ ...value, value: v ?? 0 })} />
            )}
            {rule === 'figure' && (
                <LengthField label="Elevation of all" value={value.value ?? 0} onValue={(v) => onValue({ ...value, value: v ?? 0 })} />
            )}
            {fromPoint && (
                <PlaceInput label="From point" value={value.from ?? null} onValue={(from) => onValue({ ...value, from })} {...named} />
            )}
            {rule === 'between' && (
                <PlaceInput label="To point" value={value.to ?? null} onValue={(to) => onValue({ ...value, to })} {...named} />
            )}
            {rule === 'difference' && (
                <LengthField label="Vertical offset" value={value.value ?? 0} onValue={(v) => onValue({ ...value, value: v ?? 0 })} />
            )}
            {rule === 'grade' && (
                <NumberField
                    label="Rising by"
                    unit="%"
                    value={100 * (value.value ?? 0)}
                    onValue={(percent) => onValue({ ...value, value: percent / 100 })}
                />
            )}
        </div>
    );
}
