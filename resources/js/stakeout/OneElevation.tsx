import { useState } from 'react';
import type { Aim, Live, Project } from '../api/client';
import { Button } from '../parts/Button';
import { Dialog } from '../parts/Dialog';
import { LengthField } from '../parts/Field';
import { NextStep } from '../parts/NextStep';
import { Failure } from '../parts/Notice';
import { useTakeAim } from './useTaking';

/** One height anywhere: typed, or that of the pole or the dot as it is seen now. */
export function OneElevation({ project, live, onTaken }: { project: Project; live: Live | undefined; onTaken: (aim: Aim) => void }) {
    const [open, setOpen] = useState(false);
    const [elevation, setElevation] = useState<number | null>(null);
    const take = useTakeAim(project.id, (aim) => {
        setOpen(false);
        onTaken(aim);
    });
    const seen = live?.pole?.elevation ?? null;
    return (
        <>
            <Button onClick={() => setOpen(true)}>One elevation</Button>
            <Dialog open={open} onClose={() => setOpen(false)} title="One elevation, wherever the pole stands">
                <div className="grid gap-3">
                    <LengthField key={elevation === seen ? 'seen' : 'typed'} label="Elevation" value={elevation} onValue={setElevation} />
                    {seen !== null && <Button onClick={() => setElevation(seen)}>That of the pole now</Button>}
                    <Failure of={take.error} />
                </div>
                <NextStep>
                    <Button
                        kind="primary"
                        busy={take.isPending}
                        disabled={elevation === null}
                        onClick={() => elevation !== null && take.mutate({ elevation })}
                    >
                        Stake this elevation
                    </Button>
                </NextStep>
            </Dialog>
        </>
    );
}
