import { useState } from 'react';
import { Button } from '../parts/Button';
import { AngleField, LengthField } from '../parts/Field';
import type { GivenDirection, GivenDistance, Named } from './given';
import { PlaceInput } from './PlaceInput';

interface Props<T> extends Named {
    label: string;
    value: T | null;
    onValue: (value: T | null) => void;
}

/** A direction typed in any usual form or as a sum, or taken from two places. */
export function DirectionInput(props: Props<GivenDirection>) {
    const { label, value, onValue } = props;
    const [byPlaces, setByPlaces] = useState(value?.from != null);
    return (
        <div className="grid gap-1">
            {byPlaces ? (
                <TwoPlaces {...props} />
            ) : (
                <AngleField
                    label={label}
                    value={value?.azimuth ?? null}
                    direction
                    onValue={(azimuth) => onValue(azimuth === null ? null : { azimuth })}
                />
            )}
            {byPlaces && (
                <AngleField
                    label="Turned by, clockwise"
                    value={value?.plus ?? 0}
                    onValue={(plus) => onValue(value && { ...value, plus: plus ?? 0 })}
                />
            )}
            <Switch byPlaces={byPlaces} onSwitch={setByPlaces} onValue={onValue} />
        </div>
    );
}

/** A distance typed or as a sum, or taken from two places. */
export function DistanceInput(props: Props<GivenDistance>) {
    const { label, value, onValue } = props;
    const [byPlaces, setByPlaces] = useState(value?.from != null);
    return (
        <div className="grid gap-1">
            {byPlaces ? (
                <>
                    <TwoPlaces {...props} />
                    <LengthField label="And" value={value?.plus ?? 0} onValue={(plus) => onValue(value && { ...value, plus: plus ?? 0 })} />
                </>
            ) : (
                <LengthField
                    label={label}
                    value={value?.metres ?? null}
                    onValue={(metres) => onValue(metres === null ? null : { metres })}
                    optional
                />
            )}
            <Switch byPlaces={byPlaces} onSwitch={setByPlaces} onValue={onValue} />
        </div>
    );
}

function Switch({ byPlaces, onSwitch, onValue }: { byPlaces: boolean; onSwitch: (on: boolean) => void; onValue: (value: null) => void }) {
    return (
        <Button
            kind="bare"
            className="justify-self-start text-sm underline"
            onClick={() => {
                onValue(null);
                onSwitch(!byPlaces);
            }}
        >
            {byPlaces ? 'type it instead' : 'from two places'}
        </Button>
    );
}

function TwoPlaces({ label, value, onValue, points, control }: Props<GivenDirection>) {
    const [from, setFrom] = useState(value?.from ?? null);
    const [to, setTo] = useState(value?.to ?? null);
    const give = (a: typeof from, b: typeof to) => onValue(a && b ? { from: a, to: b, plus: value?.plus ?? 0 } : null);
    return (
        <div className="grid grid-cols-2 gap-2">
            <PlaceInput
                label={`${label}: from`}
                value={from}
                onValue={(p) => {
                    setFrom(p);
                    give(p, to);
                }}
                points={points}
                control={control}
            />
            <PlaceInput
                label="to"
                value={to}
                onValue={(p) => {
                    setTo(p);
                    give(from, p);
                }}
                points={points}
                control={control}
            />
        </div>
    );
}
