import { Waypoints } from 'lucide-react';
import { type ReactNode, useState } from 'react';
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
    return (
        <Either
            {...props}
            typed={
                <AngleField
                    label={label}
                    value={value?.azimuth ?? null}
                    direction
                    onValue={(azimuth) => onValue(azimuth === null ? null : { azimuth })}
                />
            }
            more={
                <AngleField
                    label="Turned by, clockwise"
                    value={value?.plus ?? 0}
                    onValue={(plus) => onValue(value && { ...value, plus: plus ?? 0 })}
                />
            }
        />
    );
}

/** A distance typed or as a sum, or taken from two places. */
export function DistanceInput(props: Props<GivenDistance>) {
    const { label, value, onValue } = props;
    return (
        <Either
            {...props}
            typed={
                <LengthField
                    label={label}
                    value={value?.metres ?? null}
                    onValue={(metres) => onValue(metres === null ? null : { metres })}
                    optional
                />
            }
            more={<LengthField label="And" value={value?.plus ?? 0} onValue={(plus) => onValue(value && { ...value, plus: plus ?? 0 })} />}
        />
    );
}

/** Typed, or between two places; the button beside it goes from one to the other. */
function Either({ typed, more, ...props }: Props<GivenDirection> & { typed: ReactNode; more: ReactNode }) {
    const { label, value, onValue } = props;
    const [byPlaces, setByPlaces] = useState(value?.from != null);
    const says = byPlaces ? `${label}: type it instead` : `${label}: from two places`;
    return (
        <div className="flex items-start gap-1">
            <div className="grid min-w-0 flex-1 gap-1">
                {byPlaces ? (
                    <>
                        <TwoPlaces {...props} />
                        {more}
                    </>
                ) : (
                    typed
                )}
            </div>
            <Button
                kind="bare"
                className="mt-[1.4rem]"
                aria-label={says}
                title={byPlaces ? 'Type it instead' : 'From two places'}
                pressed={byPlaces}
                onClick={() => {
                    onValue(null);
                    setByPlaces(!byPlaces);
                }}
                icon={<Waypoints />}
            />
        </div>
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
