import { useState } from 'react';
import { Button } from '../parts/Button';
import { Dialog } from '../parts/Dialog';
import { TextField } from '../parts/Field';
import { NextStep } from '../parts/NextStep';
import { EVERYTHING, FilterFields, filterWords, isFiltered } from '../points/filter';
import type { StageProps } from '../stage/stages';

/** Which points are on the plan and in the list, always written where it is not all of them. */
export function FilterLine({
    allPoints,
    filter,
    setFilter,
    shown,
}: Pick<StageProps, 'allPoints' | 'filter' | 'setFilter'> & { shown: number }) {
    const [open, setOpen] = useState(false);
    const filtered = isFiltered(filter);
    if (allPoints.length === 0) {
        return null;
    }
    return (
        <div className="flex items-center gap-2 text-sm">
            {filtered ? (
                <>
                    <span className="min-w-0 flex-1 font-semibold" role="status">
                        Only {filterWords(filter)}: {shown} of {allPoints.length} points
                    </span>
                    <Button onClick={() => setOpen(true)}>Change</Button>
                    <Button onClick={() => setFilter(EVERYTHING)}>All</Button>
                </>
            ) : (
                <Button className="px-3" onClick={() => setOpen(true)}>
                    Only some of the points
                </Button>
            )}
            <Dialog open={open} onClose={() => setOpen(false)} title="Which points">
                <div className="grid gap-3">
                    <FilterFields points={allPoints} filter={filter} onFilter={setFilter} />
                    <TextField
                        label="With these words in name, description or layer"
                        value={filter.words ?? ''}
                        onValue={(words) => setFilter({ ...filter, words })}
                        hint="of what was made of a building model also its type, class or storey"
                    />
                </div>
                <NextStep>
                    <Button kind="primary" onClick={() => setOpen(false)}>
                        Show {shown} points
                    </Button>
                </NextStep>
            </Dialog>
        </div>
    );
}
