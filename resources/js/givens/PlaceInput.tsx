import { Crosshair, X } from 'lucide-react';
import { useId, useRef, useState } from 'react';
import { api, ask } from '../api/client';
import { Button } from '../parts/Button';
import { Labelled } from '../parts/Field';
import { reading } from '../parts/reading';
import { placeOf } from '../plan/taken';
import { formatLength } from '../units/format';
import { useUnits } from '../units/UnitsContext';
import { type GivenPlace, type Named, placeNamed, placeWords } from './given';
import { nextEmpty, useTouch } from './touch';

interface Props extends Named {
    label: string;
    value: GivenPlace | null;
    onValue: (value: GivenPlace | null) => void;
}

/** A place: touched on the plan, or a name, or its two coordinates typed. */
export function PlaceInput({ label, value, onValue, points, control }: Props) {
    const { want, setWant } = useTouch();
    const own = useId();
    const active = want?.id === own;
    const input = useRef<HTMLInputElement>(null);
    // The touch comes later than the field was made ready for it: what counts is the field as it is then.
    const latest = useRef(onValue);
    latest.current = onValue;
    const onActivate = () =>
        !active &&
        setWant({
            id: own,
            picking: 'place',
            onTake: (taken) => {
                const place = placeOf(taken);
                asked.current = '';
                if (place) {
                    setTyped(null);
                    setTrouble(null);
                    latest.current(place);
                    nextEmpty(input.current);
                } else {
                    setTrouble('Nothing to take within reach there. Go nearer, or show its layer.');
                    setTyped('');
                }
            },
        });
    const { length, order } = useUnits();
    const [typed, setTyped] = useState<string | null>(null);
    const [trouble, setTrouble] = useState<string | null>(null);
    const list = useId();
    const typedPlace = value?.northing != null && value.easting != null;
    const words = !value
        ? ''
        : typedPlace
          ? (order === 'EN' ? [value.easting, value.northing] : [value.northing, value.easting])
                .concat(value.elevation == null ? [] : [value.elevation])
                .map((v) => formatLength(v ?? 0, length))
                .join('; ')
          : placeWords(value, { points, control });
    // Answers may overtake each other: only the one to what was typed last counts.
    const asked = useRef('');
    const take = async (text: string) => {
        asked.current = text;
        setTyped(text);
        setTrouble(null);
        const named = placeNamed(text.trim(), { points, control });
        if (named || text.trim() === '') {
            latest.current(named);
            return;
        }
        const place = await coordinates(text, length, order === 'EN');
        if (asked.current !== text) {
            return;
        }
        // By now the other place of a line may have been given: what counts is the field as it is then.
        latest.current(place);
        setTrouble(
            place
                ? null
                : `No point is called “${text.trim()}”. Coordinates are typed as ${order === 'EN' ? 'easting; northing' : 'northing; easting'}.`,
        );
    };
    return (
        <Labelled label={label} hint={trouble && typed !== null ? <span className="text-out">{trouble}</span> : undefined}>
            {(id) => (
                <div className={`flex border-2 ${active ? 'border-chalk' : 'border-transparent'}`}>
                    <input
                        id={id}
                        ref={input}
                        data-place={value ? 'taken' : 'empty'}
                        className="min-h-12 w-full min-w-0 rounded-sm border-[length:var(--stroke)] border-ink/50 bg-sheet px-3 text-base"
                        value={typed ?? words}
                        list={list}
                        placeholder={active ? 'touch the plan, or type a name' : 'name or coordinates'}
                        autoComplete="off"
                        onFocus={onActivate}
                        onChange={(e) => void reading(take(e.target.value))}
                        onBlur={() => value && setTyped(null)}
                    />
                    <datalist id={list}>
                        {typed && typed.length > 0 && offered(typed, points, control).map((n) => <option key={n} value={n} />)}
                    </datalist>
                    {value && (
                        <Button
                            kind="bare"
                            aria-label={`Clear ${label}`}
                            onClick={() => {
                                asked.current = '';
                                setTyped(null);
                                onValue(null);
                                onActivate();
                            }}
                            icon={<X />}
                        />
                    )}
                    <Button
                        kind="bare"
                        aria-label={`Touch ${label} on the plan`}
                        pressed={active}
                        onClick={onActivate}
                        icon={<Crosshair />}
                    />
                </div>
            )}
        </Labelled>
    );
}

function offered(typed: string, points: Named['points'], control: Named['control']): string[] {
    const begin = typed.toLowerCase();
    const found: string[] = [];
    for (const { name } of [...control, ...points]) {
        if (name.toLowerCase().startsWith(begin) && found.push(name) >= 12) {
            break;
        }
    }
    return found;
}

/** Two or three lengths, parted by semicolons, or by blanks where no part needs one itself. */
async function coordinates(text: string, style: ReturnType<typeof useUnits>['length'], eastingFirst: boolean): Promise<GivenPlace | null> {
    const parts = text.includes(';') ? text.split(';') : text.trim().split(/\s+/);
    if (parts.length < 2 || parts.length > 3) {
        return null;
    }
    const read = await Promise.all(
        parts.map((part) => ask(api.GET('/api/v1/compute/length', { params: { query: { text: part, style } } })).catch(() => [])),
    );
    const [a, b, elevation] = read.map((r) => r[0]?.metres);
    if (a === undefined || b === undefined || (parts.length === 3 && elevation === undefined)) {
        return null;
    }
    return { northing: eastingFirst ? b : a, easting: eastingFirst ? a : b, elevation: elevation ?? null };
}
