import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask } from '../api/client';
import { Button } from '../parts/Button';
import { TextField } from '../parts/Field';
import { formatStation } from '../units/format';
import { useUnits } from '../units/UnitsContext';
import type { Alignment } from './hooks';

interface Props {
    label: string;
    project: number;
    alignment: Pick<Alignment, 'id' | 'version' | 'from'>;
    /** metres from the start of the alignment */
    value: number | null;
    onValue: (along: number | null) => void;
}

/** Takes a station as people type it; where stations overlap it asks which place is meant. */
export function StationField({ label, project, alignment, value, onValue }: Props) {
    const units = useUnits();
    const [typed, setTyped] = useState<string | null>(null);
    const places = useQuery({
        queryKey: ['station', project, alignment.id, alignment.version, typed],
        queryFn: async () => {
            const found = await ask(
                api.GET('/api/v1/projects/{project}/alignments/{alignment}/places', {
                    params: { path: { project, alignment: alignment.id }, query: { text: typed ?? '' } },
                }),
            );
            onValue(found[0]?.along ?? null);
            return found;
        },
        enabled: typed !== null && typed.trim() !== '',
        retry: false,
    });
    const several = (places.data?.length ?? 0) > 1 ? places.data : undefined;
    return (
        <TextField
            label={label}
            value={typed ?? (value === null ? '' : formatStation(alignment.from + value, units))}
            onValue={(text) => {
                setTyped(text);
                text.trim() === '' && onValue(null);
            }}
            inputMode="decimal"
            hint={
                places.error ? (
                    <span className="text-out">{places.error.message}</span>
                ) : several ? (
                    <span className="flex flex-wrap items-center gap-2">
                        Which one?
                        {several.map((p) => (
                            <Button key={p.along} pressed={p.along === value} onClick={() => onValue(p.along)}>
                                {p.text}
                            </Button>
                        ))}
                    </span>
                ) : places.data?.[0] ? (
                    <span className="figure">= {places.data[0].text}</span>
                ) : undefined
            }
        />
    );
}
