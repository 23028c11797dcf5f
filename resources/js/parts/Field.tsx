import { useQuery } from '@tanstack/react-query';
import { type InputHTMLAttributes, type ReactNode, useId, useRef, useState } from 'react';
import { api, ask } from '../api/client';
import { formatAngle, formatDirection, formatLength } from '../units/format';
import { useUnits } from '../units/UnitsContext';
import { reading } from './reading';

const INPUT = 'min-h-12 w-full rounded-sm border-[length:var(--stroke)] border-ink/50 bg-sheet px-3 text-base';

interface Shell {
    label: string;
    hint?: ReactNode;
    children: (id: string) => ReactNode;
}

export function Labelled({ label, hint, children }: Shell) {
    const id = useId();
    return (
        <div className="min-w-0">
            <label htmlFor={id} className="mb-0.5 block text-sm text-quiet">
                {label}
            </label>
            {children(id)}
            {hint && <div className="mt-0.5 text-sm text-quiet">{hint}</div>}
        </div>
    );
}

interface TextProps extends Omit<InputHTMLAttributes<HTMLInputElement>, 'onChange' | 'value'> {
    label: string;
    value: string;
    onValue: (value: string) => void;
    hint?: ReactNode;
}

export function TextField({ label, value, onValue, hint, ...rest }: TextProps) {
    return (
        <Labelled label={label} hint={hint}>
            {(id) => (
                <input id={id} className={INPUT} value={value} onChange={(e) => onValue(e.target.value)} autoComplete="off" {...rest} />
            )}
        </Labelled>
    );
}

/** A text that the server keeps: what is typed is the typist's until the field is left, whatever comes back meanwhile. */
export function KeptTextField({ value, onValue, ...rest }: TextProps) {
    const [typed, setTyped] = useState<string | null>(null);
    return (
        <TextField
            {...rest}
            value={typed ?? value}
            onValue={(text) => {
                setTyped(text);
                onValue(text);
            }}
            onBlur={() => setTyped(null)}
        />
    );
}

interface ChoiceProps<T extends string> {
    label: string;
    value: T;
    options: ReadonlyArray<readonly [T, string]>;
    onValue: (value: T) => void;
    hint?: ReactNode;
}

export function Choice<T extends string>({ label, value, options, onValue, hint }: ChoiceProps<T>) {
    return (
        <Labelled label={label} hint={hint}>
            {(id) => (
                <select id={id} className={INPUT} value={value} onChange={(e) => onValue(e.target.value as T)}>
                    {options.map(([v, text]) => (
                        <option key={v} value={v}>
                            {text}
                        </option>
                    ))}
                </select>
            )}
        </Labelled>
    );
}

interface LengthProps {
    label: string;
    /** metres */
    value: number | null;
    onValue: (metres: number | null) => void;
    /** an empty field means none */
    optional?: boolean;
    /** what stands there was not measured: it is shown so until it is told */
    untold?: boolean;
    hint?: ReactNode;
}

/** Takes a length as people type it, shows how it was understood, and asks where two readings remain. */
export function LengthField({ label, value, onValue, optional, untold, hint }: LengthProps) {
    const { length } = useUnits();
    const [typed, setTyped] = useState<string | null>(null);
    const text = typed ?? (value === null ? '' : formatLength(value, length));
    const readings = useQuery({
        queryKey: ['length', typed, length],
        queryFn: () => ask(api.GET('/api/v1/compute/length', { params: { query: { text: typed ?? '', style: length } } })),
        enabled: typed !== null && typed.trim() !== '',
        retry: false,
        staleTime: Number.POSITIVE_INFINITY,
    });
    const several = (readings.data?.length ?? 0) > 1 ? readings.data : undefined;
    // Answers may overtake each other: only the one to what was typed last counts.
    const latest = useRef('');
    const take = async (entry: string) => {
        setTyped(entry);
        latest.current = entry;
        if (entry.trim() === '') {
            onValue(null);
            return;
        }
        const found = await ask(api.GET('/api/v1/compute/length', { params: { query: { text: entry, style: length } } })).catch(() => []);
        if (found[0] !== undefined && latest.current === entry) {
            onValue(found[0].metres);
        }
    };
    return (
        <Labelled
            label={label}
            hint={
                <>
                    {typed !== null && readings.error && <span className="text-out">{readings.error.message}</span>}
                    {typed === '' && !optional && <span className="text-out">A length is needed.</span>}
                    {typed !== null && !several && readings.data?.[0] && <span className="figure">= {readings.data[0].text}</span>}
                    {several && (
                        <span className="flex flex-wrap items-center gap-2">
                            Which one?
                            {several.map((r) => (
                                <button
                                    type="button"
                                    key={r.metres}
                                    className={`figure min-h-12 rounded-sm border px-3 ${value === r.metres ? 'border-chalk bg-wash' : 'border-ink/50'}`}
                                    onClick={() => onValue(r.metres)}
                                >
                                    {r.text}
                                </button>
                            ))}
                        </span>
                    )}
                    {typed === null && hint}
                </>
            }
        >
            {(id) => (
                <input
                    id={id}
                    className={`${INPUT} figure ${untold && typed === null ? 'border-dashed! text-quiet! italic' : ''}`}
                    value={text}
                    autoComplete="off"
                    onChange={(e) => void reading(take(e.target.value))}
                    onBlur={() => !several && !readings.error && setTyped(null)}
                    onFocus={(e) => e.target.select()}
                />
            )}
        </Labelled>
    );
}

interface AngleProps {
    label: string;
    /** radians */
    value: number | null;
    onValue: (radians: number | null) => void;
    /** a grid azimuth or bearing; else an angle with its sign */
    direction?: boolean;
    hint?: ReactNode;
}

/** Takes a direction or an angle as people type it, and shows how it was understood. */
export function AngleField({ label, value, onValue, direction = false, hint }: AngleProps) {
    const units = useUnits();
    const [typed, setTyped] = useState<string | null>(null);
    const [trouble, setTrouble] = useState<string | null>(null);
    const show = (radians: number) => (direction ? formatDirection(radians, units) : formatAngle(radians, units.angle));
    // Answers may overtake each other: only the one to what was typed last counts.
    const latest = useRef('');
    const take = async (entry: string) => {
        setTyped(entry);
        latest.current = entry;
        setTrouble(null);
        if (entry.trim() === '') {
            onValue(null);
            return;
        }
        try {
            const read = await ask(api.GET('/api/v1/compute/angle', { params: { query: { text: entry, style: units.angle, direction } } }));
            if (latest.current === entry) {
                onValue(read.radians);
            }
        } catch (error) {
            if (latest.current === entry) {
                setTrouble((error as Error).message);
                onValue(null);
            }
        }
    };
    return (
        <Labelled
            label={label}
            hint={
                trouble && typed !== null ? (
                    <span className="text-out">{trouble}</span>
                ) : typed !== null && value !== null ? (
                    <span className="figure">= {show(value)}</span>
                ) : (
                    hint
                )
            }
        >
            {(id) => (
                <input
                    id={id}
                    className={`${INPUT} figure`}
                    value={typed ?? (value === null ? '' : show(value))}
                    autoComplete="off"
                    onChange={(e) => void reading(take(e.target.value))}
                    onBlur={() => trouble === null && setTyped(null)}
                    onFocus={(e) => e.target.select()}
                />
            )}
        </Labelled>
    );
}

interface NumberProps {
    label: string;
    value: number;
    unit: string;
    onValue: (value: number) => void;
}

/** A plain number of a fixed unit, with a decimal comma or point. */
export function NumberField({ label, value, unit, onValue }: NumberProps) {
    const [typed, setTyped] = useState<string | null>(null);
    const number = typed === null ? value : Number(typed.replace(',', '.'));
    const bad = typed !== null && (typed.trim() === '' || !Number.isFinite(number));
    return (
        <Labelled
            label={unit === '' ? label : `${label}, ${unit}`}
            hint={bad ? <span className="text-out">“{typed}” is not a number.</span> : undefined}
        >
            {(id) => (
                <input
                    id={id}
                    className={`${INPUT} figure`}
                    value={typed ?? String(value)}
                    inputMode="decimal"
                    autoComplete="off"
                    onFocus={(e) => e.target.select()}
                    onChange={(e) => {
                        setTyped(e.target.value);
                        const n = Number(e.target.value.replace(',', '.'));
                        if (e.target.value.trim() !== '' && Number.isFinite(n)) {
                            onValue(n);
                        }
                    }}
                    onBlur={() => !bad && setTyped(null)}
                />
            )}
        </Labelled>
    );
}
