import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { api, ask, type Schemas } from '../api/client';
import { useDeed } from '../api/hooks';
import type { GivenPlace } from '../givens/given';
import { PlaceInput } from '../givens/PlaceInput';
import { Button } from '../parts/Button';
import { Labelled, TextField } from '../parts/Field';
import { Failure } from '../parts/Notice';
import { Step } from '../parts/Step';
import type { StageProps } from '../stage/stages';

type Line = Schemas['GridLineResource'];

/** Names corrected, lines left out, before they are kept. */
export function CorrectGrid({
    project,
    points,
    control,
    lines,
    onLines,
    onDone,
}: StageProps & { lines: Line[]; onLines: (lines: Line[]) => void; onDone: () => void }) {
    const keep = useDeed(project.id, () =>
        ask(
            api.POST('/api/v1/projects/{project}/grid-lines', {
                params: { path: { project: project.id } },
                body: { lines: lines.map(({ id: _, ...line }) => line) },
            }),
        ),
    );
    const rename = (i: number, name: string) => onLines(lines.map((l, k) => (k === i ? { ...l, name } : l)));
    return (
        <div className="grid gap-3">
            <p className="font-semibold">{lines.length} lines, as they are drawn on the plan</p>
            <ul className="grid grid-cols-2 gap-2">
                {lines.map((l, i) => (
                    // biome-ignore lint/suspicious/noArrayIndexKey: a line is known by its place in the list while its name is typed
                    <li key={i} className="flex items-end gap-1">
                        <Labelled label={l.ring ? 'ring' : l.family}>
                            {(id) => (
                                <input
                                    id={id}
                                    className="min-h-12 w-full min-w-0 border border-ink/50 bg-sheet px-3"
                                    value={l.name}
                                    onChange={(e) => rename(i, e.target.value)}
                                />
                            )}
                        </Labelled>
                        <Button
                            kind="bare"
                            aria-label={`Without ${l.name}`}
                            onClick={() => onLines(lines.filter((_, k) => k !== i))}
                            icon={<Trash2 />}
                        />
                    </li>
                ))}
            </ul>
            <AnotherLine project={project} points={points} control={control} onLine={(line) => onLines([...lines, line])} />
            <Failure of={keep.error} />
            <Step
                busy={keep.isPending}
                why={lines.length === 0 && 'No line is left.'}
                onClick={() => keep.mutate(undefined, { onSuccess: onDone })}
                second={
                    <Button className="min-h-16" onClick={onDone}>
                        Cancel
                    </Button>
                }
            >
                Keep {lines.length} lines
            </Step>
        </div>
    );
}

/** A line that was not found: its two ends and its name. */
function AnotherLine({ project, onLine, ...named }: Pick<StageProps, 'project' | 'points' | 'control'> & { onLine: (line: Line) => void }) {
    const [name, setName] = useState('');
    const [from, setFrom] = useState<GivenPlace | null>(null);
    const [to, setTo] = useState<GivenPlace | null>(null);
    const add = useDeed(project.id, () =>
        ask(
            api.POST('/api/v1/projects/{project}/grid-preview', {
                params: { path: { project: project.id } },
                body: { way: 'places', first: name.trim(), origin: from, end: to },
            }),
        ),
    );
    return (
        <div className="grid gap-2 border-l-2 border-rule pl-3">
            <div className="grid grid-cols-2 gap-2">
                <PlaceInput label="Another line from" value={from} onValue={setFrom} {...named} />
                <PlaceInput label="to" value={to} onValue={setTo} {...named} />
            </div>
            <div className="flex items-end gap-2">
                <TextField label="Its name" value={name} onValue={setName} />
                <Button
                    busy={add.isPending}
                    disabled={name.trim() === '' || !from || !to}
                    onClick={() =>
                        add.mutate(undefined, {
                            onSuccess: ([line]) => {
                                line && onLine(line);
                                setName('');
                                setFrom(null);
                                setTo(null);
                            },
                        })
                    }
                >
                    Add it
                </Button>
            </div>
            <Failure of={add.error} />
        </div>
    );
}
