import { useRef, useState } from 'react';
import { api, ask, type Schemas } from '../api/client';
import { Button } from '../parts/Button';
import { TextField } from '../parts/Field';
import { reading } from '../parts/reading';
import { formatStation } from '../units/format';
import { useUnits } from '../units/UnitsContext';
import type { Alignment } from './hooks';
import { stationAt } from './stationAt';

interface Props {
    label: string;
    project: number;
    alignment: Pick<Alignment, 'id' | 'from' | 'equations'>;
    /** metres from the start of the alignment */
    value: number | null;
    onValue: (along: number | null) => void;
}

/** Takes a station as people type it; where stations overlap it asks which place is meant. */
export function StationField({ label, project, alignment, value, onValue }: Props) {
    const units = useUnits();
    const [typed, setTyped] = useState<string | null>(null);
    const [found, setFound] = useState<Schemas['StationPlace'][] | Error | null>(null);
    // Answers may overtake each other: only the one to what was typed last counts.
    const latest = useRef('');
    const take = async (text: string) => {
        setTyped(text);
        setFound(null);
        latest.current = text;
        // Until it is read there is no place: none that was typed before is taken for it.
        onValue(null);
        if (text.trim() === '') {
            return;
        }
        const path = { params: { path: { project, alignment: alignment.id }, query: { text } } };
        const read = await ask(api.GET('/api/v1/projects/{project}/alignments/{alignment}/places', path)).catch((e: Error) => e);
        if (latest.current === text) {
            setFound(read);
            onValue(read instanceof Error ? null : (read[0]?.along ?? null));
        }
    };
    const places = found instanceof Error ? [] : (found ?? []);
    const now = value === null ? null : stationAt(alignment, value);
    return (
        <TextField
            label={label}
            value={typed ?? (now === null ? '' : formatStation(now.station, units))}
            onValue={(text) => void reading(take(text))}
            inputMode="decimal"
            hint={
                found instanceof Error ? (
                    <span className="text-out">{found.message}</span>
                ) : places.length > 1 ? (
                    <span className="flex flex-wrap items-center gap-2">
                        Which one?
                        {places.map((p) => (
                            <Button key={p.along} pressed={p.along === value} onClick={() => onValue(p.along)}>
                                {p.text}
                            </Button>
                        ))}
                    </span>
                ) : places[0] ? (
                    <span className="figure">= {places[0].text}</span>
                ) : now && now.region > 1 ? (
                    `in region ${now.region}`
                ) : undefined
            }
        />
    );
}
