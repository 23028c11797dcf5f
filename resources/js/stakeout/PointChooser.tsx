import { ChevronsUpDown } from 'lucide-react';
import { useState } from 'react';
import type { Aim, Schemas, StakeoutPoint } from '../api/client';
import { Button } from '../parts/Button';
import type { PlanPlace } from '../plan/contract';
import { FindPoint } from '../points/FindPoint';
import { ofAim, ofPoint, type Target } from './target';

interface Props {
    points: StakeoutPoint[];
    aims: Aim[];
    gridLines?: Schemas['GridLineResource'][];
    onGridLine?: (id: number) => void;
    /** where the pole is */
    from?: PlanPlace | null;
    chosen: Target | null;
    onChoose: (target: Target | null) => void;
    none?: string;
    label?: string;
}

/** What is aimed at, by name: the button opens the list, those not yet done first. */
export function PointChooser({
    points,
    aims,
    gridLines,
    onGridLine,
    from,
    chosen,
    onChoose,
    none = 'Choose a target',
    label = 'Target',
}: Props) {
    const [open, setOpen] = useState(false);
    const code = chosen?.kind === 'point' ? chosen.point.code : (chosen?.aim.code ?? '');
    const take = (target: Target | null) => {
        setOpen(false);
        onChoose(target);
    };
    return (
        <>
            <Button
                className={`min-w-0 flex-1 justify-between! px-3! ${chosen ? 'text-lg' : 'font-normal!'}`}
                aria-haspopup="dialog"
                onClick={() => setOpen(true)}
            >
                <span className="min-w-0 truncate">
                    <span className="sr-only">{label}: </span>
                    {chosen ? `${chosen.name}${code ? ` (${code})` : ''}` : none}
                </span>
                <ChevronsUpDown className="size-5 shrink-0" aria-hidden="true" />
            </Button>
            {open && (
                <FindPoint
                    title={label}
                    points={points}
                    aims={aims}
                    gridLines={gridLines}
                    from={from}
                    onGridLine={(id) => {
                        setOpen(false);
                        onGridLine?.(id);
                    }}
                    none={none}
                    onPoint={(p) => take(p && ofPoint(p))}
                    onAim={(a) => take(ofAim(a))}
                    onClose={() => setOpen(false)}
                />
            )}
        </>
    );
}
