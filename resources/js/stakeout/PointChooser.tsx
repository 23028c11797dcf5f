import { ChevronsUpDown } from 'lucide-react';
import { useState } from 'react';
import type { StakeoutPoint } from '../api/client';
import { Button } from '../parts/Button';
import { FindPoint } from '../points/FindPoint';

interface Props {
    points: StakeoutPoint[];
    chosen: StakeoutPoint | null;
    onChoose: (id: number | null) => void;
    none?: string;
    label?: string;
}

/** What is aimed at, by name: the button opens the list, those not yet done first. */
export function PointChooser({ points, chosen, onChoose, none = 'choose a point', label = 'Point to stake' }: Props) {
    const [open, setOpen] = useState(false);
    return (
        <>
            <Button className="min-w-0 flex-1 justify-between! px-3! text-lg" aria-haspopup="dialog" onClick={() => setOpen(true)}>
                <span className="min-w-0 truncate">
                    <span className="sr-only">{label}: </span>
                    {chosen ? `${chosen.name}${chosen.code ? ` (${chosen.code})` : ''}` : none}
                </span>
                <ChevronsUpDown className="size-5 shrink-0" aria-hidden="true" />
            </Button>
            {open && (
                <FindPoint
                    title={label}
                    points={points}
                    none={none}
                    onPoint={(p) => {
                        setOpen(false);
                        onChoose(p?.id ?? null);
                    }}
                    onClose={() => setOpen(false)}
                />
            )}
        </>
    );
}
