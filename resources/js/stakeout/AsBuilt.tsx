import { useState } from 'react';
import { Link } from 'react-router';
import type { Mark } from '../api/client';
import { Button } from '../parts/Button';
import { TextField } from '../parts/Field';
import { Coordinates } from '../parts/Figure';
import { Failure, Notice } from '../parts/Notice';
import { MarkResult } from '../setups/MarkResult';
import { Sheet } from '../stage/Sheet';
import type { StageProps } from '../stage/stages';
import { PointChooser } from './PointChooser';
import { useStoring } from './useStoring';

/** What was built: anything the pole stands on, by itself or against its design point. */
export function AsBuilt({ project, points, marks, live, target, setTarget }: StageProps) {
    const [name, setName] = useState('');
    const [code, setCode] = useState('');
    const [stored, setStored] = useState<Mark | null>(null);
    const aim = points.find((p) => p.id === target) ?? null;
    const storing = useStoring(project, (mark) => {
        setStored(mark);
        setName('');
        // The next shot says anew what it is held against.
        setTarget(null);
    });
    const shown = name.trim() || aim?.name;
    if (!project.setup) {
        return (
            <Sheet title="As-built">
                <Notice>The instrument has not been set up yet: it does not know where it stands.</Notice>
                <Link
                    className="inline-flex min-h-16 items-center justify-center bg-chalk px-6 text-lg font-semibold text-white"
                    to={`/p/${project.id}/set-up`}
                >
                    Set up the instrument
                </Link>
            </Sheet>
        );
    }
    const shots = marks.filter((m) => m.kind === 'as_built').reverse();
    return (
        <Sheet
            title="As-built"
            next={
                <Button
                    kind="primary"
                    busy={storing.busy}
                    disabled={aim === null && name.trim() === ''}
                    onClick={() => storing.store({ kind: 'as_built', pointId: aim?.id ?? null, name, code })}
                >
                    {storing.busy
                        ? 'Measuring…'
                        : shown
                          ? `Measure ${shown}, against ${aim === null ? 'nothing' : aim.name === shown ? 'its design' : aim.name}`
                          : 'Name what is measured'}
                </Button>
            }
        >
            <div className="flex gap-2">
                <PointChooser
                    points={points}
                    chosen={aim}
                    onChoose={setTarget}
                    label="Held against"
                    none="against nothing: measured by itself"
                />
            </div>
            {aim && (
                <div className="text-sm text-quiet">
                    Against {aim.name}: <Coordinates {...aim} />
                </div>
            )}
            <div className="grid grid-cols-2 gap-3">
                <TextField
                    label="Name"
                    value={name}
                    onValue={setName}
                    placeholder={aim?.name ?? ''}
                    hint={aim ? 'empty: as the design point' : undefined}
                />
                <TextField label="Code" value={code} onValue={setCode} placeholder={aim?.code ?? ''} />
            </div>
            {live?.pole ? (
                <p className="text-sm">
                    The pole stands at <Coordinates {...live.pole} />
                </p>
            ) : (
                <Notice kind="caution">
                    {(live?.elsewhere
                        ? `The instrument has been set up for ${live.elsewhere} since. Set it up anew here.`
                        : live?.instrument.trouble) ?? 'The instrument does not see the prism.'}
                </Notice>
            )}
            <Failure of={storing.error} />
            {storing.question}
            <section aria-label="As-built shots">
                {shots.slice(0, 30).map((m) => (
                    <MarkResult key={m.id} mark={m} latest={m.id === stored?.id} />
                ))}
                {shots.length === 0 && <p className="text-quiet">Nothing has been measured as built yet.</p>}
            </section>
        </Sheet>
    );
}
