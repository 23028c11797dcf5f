import { useId } from 'react';
import type { StakeoutPoint } from '../api/client';

interface Props {
    points: StakeoutPoint[];
    chosen: StakeoutPoint | null;
    onChoose: (id: number | null) => void;
    none?: string;
    label?: string;
}

/** A point from the list: those not yet done first. */
export function PointChooser({ points, chosen, onChoose, none = 'choose a point', label = 'Point to stake' }: Props) {
    const id = useId();
    const open = points.filter((p) => p.stakes === 0);
    const done = points.filter((p) => p.stakes > 0);
    const option = (p: StakeoutPoint) => (
        <option key={p.id} value={p.id}>
            {p.name}
            {p.code && ` (${p.code})`}
        </option>
    );
    return (
        <select
            id={id}
            aria-label={label}
            className="min-h-12 min-w-0 flex-1 rounded-sm border-[length:var(--stroke)] border-ink/50 bg-sheet px-3 text-lg"
            value={chosen?.id ?? ''}
            onChange={(e) => onChoose(e.target.value === '' ? null : Number(e.target.value))}
        >
            <option value="">{none}</option>
            <optgroup label="not yet done">{open.map(option)}</optgroup>
            {done.length > 0 && <optgroup label="done">{done.map(option)}</optgroup>}
        </select>
    );
}
