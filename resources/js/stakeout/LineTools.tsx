import { ArrowLeftRight, Plus } from 'lucide-react';
import { type FormEvent, useState } from 'react';
import type { Aim, Schemas } from '../api/client';
import { Button } from '../parts/Button';
import { Dialog } from '../parts/Dialog';
import { Choice, LengthField, NumberField, TextField } from '../parts/Field';
import { Length } from '../parts/Figure';
import { NextStep } from '../parts/NextStep';
import { Failure } from '../parts/Notice';
import { useUnits } from '../units/UnitsContext';
import { type Lay, layOf, parallelWords } from './lay';
import { useChangeAim, usePlacesAlong } from './useTaking';

interface Props {
    project: number;
    aim: Aim;
    line: NonNullable<Aim['line']>;
    /** the pole is seen, and its figures stand above */
    guided: boolean;
    onPlaces: (places: Aim[]) => void;
}

/** From which end a line is staked, beside what, at which heights; and places along it. */
export function LineTools({ project, aim, line, guided, onPlaces }: Props) {
    const { length } = useUnits();
    const change = useChangeAim(project);
    const [open, setOpen] = useState<'parallel' | 'heights' | 'places' | null>(null);
    const lay = layOf(line);
    const set = (next: Partial<Lay>) => change.mutateAsync({ aim, lay: { ...lay, ...next } });
    return (
        <section aria-label="The line" className="grid gap-2">
            <div className="flex flex-wrap gap-1">
                {lay.parallels.map((p, i) => (
                    <Button
                        // biome-ignore lint/suspicious/noArrayIndexKey: parallels are known by their place in the list
                        key={i}
                        className="px-3 text-sm"
                        pressed={i === lay.parallel}
                        onClick={() => i !== lay.parallel && change.mutate({ aim, lay: { ...lay, parallel: i } })}
                    >
                        {parallelWords(p, length)}
                    </Button>
                ))}
                {!guided && (
                    <Button className="px-3 text-sm" icon={<Plus className="size-5" />} onClick={() => setOpen('parallel')}>
                        Parallel
                    </Button>
                )}
            </div>
            <Failure of={open === null ? change.error : null} />
            {guided && (
                <NextStep as="second">
                    <Button className="min-h-16 px-3!" onClick={() => setOpen('parallel')}>
                        Parallel
                    </Button>
                </NextStep>
            )}
            <div className="flex flex-wrap gap-1">
                <Button className="px-3 text-sm" onClick={() => setOpen('places')}>
                    Go to a place on it
                </Button>
                {!line.closed && (
                    <Button
                        className="px-3 text-sm"
                        icon={<ArrowLeftRight className="size-5" />}
                        onClick={() => void set({ reversed: !lay.reversed })}
                    >
                        Turn it round
                    </Button>
                )}
                <Button className="px-3 text-sm" onClick={() => setOpen('heights')}>
                    Heights
                </Button>
            </div>
            <p className="text-sm text-quiet">
                <Length of={line.length} /> long{line.pieces > 1 && `, ${line.pieces} pieces`}
                {line.closed && ', closed'} · {aim.source}
            </p>
            <Dialog open={open === 'parallel'} onClose={() => setOpen(null)} title={`Parallel to ${aim.name}`}>
                <ParallelForm
                    lay={lay}
                    error={change.error}
                    busy={change.isPending}
                    onLay={(next) =>
                        void set(next).then(
                            () => setOpen(null),
                            () => undefined,
                        )
                    }
                />
            </Dialog>
            <Dialog open={open === 'heights'} onClose={() => setOpen(null)} title={`Heights of ${aim.name}`}>
                <HeightsForm
                    line={line}
                    error={change.error}
                    busy={change.isPending}
                    onLay={(next) =>
                        void set(next).then(
                            () => setOpen(null),
                            () => undefined,
                        )
                    }
                />
            </Dialog>
            <Dialog open={open === 'places'} onClose={() => setOpen(null)} title={`Places on ${aim.name}`}>
                <PlacesForm
                    project={project}
                    aim={aim}
                    line={line}
                    onPlaces={(places) => {
                        setOpen(null);
                        onPlaces(places);
                    }}
                />
            </Dialog>
        </section>
    );
}

interface FormProps {
    error: Error | null;
    busy: boolean;
    onLay: (lay: Partial<Lay>) => void;
}

/** One field and its side; what is typed is drawn at once when the side is touched. */
function ParallelForm({ lay, error, busy, onLay }: FormProps & { lay: Lay }) {
    const [offset, setOffset] = useState<number | null>(null);
    const [verticalOffset, setVerticalOffset] = useState(0);
    const [name, setName] = useState('');
    const add = (side: 1 | -1) =>
        offset !== null &&
        onLay({
            parallels: [...lay.parallels, { offset: side * Math.abs(offset), verticalOffset, name: name.trim() }],
            parallel: lay.parallels.length,
        });
    const others = lay.parallels.filter((_, i) => i !== lay.parallel);
    return (
        <form
            className="grid gap-3"
            onSubmit={(e: FormEvent) => {
                e.preventDefault();
                add(offset !== null && offset < 0 ? -1 : 1);
            }}
        >
            <LengthField
                label="Offset from the line"
                value={offset}
                onValue={setOffset}
                hint="then touch its side, looking along the line"
            />
            <details>
                <summary className="min-h-12 cursor-pointer py-3">Name, height above or below it</summary>
                <div className="grid gap-3">
                    <TextField label="Name" value={name} onValue={setName} placeholder="back of kerb" />
                    <LengthField
                        label="Vertical offset"
                        hint="above the line’s heights; negative below"
                        value={verticalOffset}
                        onValue={(m) => setVerticalOffset(m ?? 0)}
                    />
                    {lay.parallel > 0 && (
                        <Button busy={busy} onClick={() => onLay({ parallels: others, parallel: 0 })}>
                            Take the parallel that is staked now off the list
                        </Button>
                    )}
                </div>
            </details>
            <Failure of={error} />
            <NextStep>
                <Button className="min-h-16" busy={busy} disabled={offset === null} onClick={() => add(-1)}>
                    To the left
                </Button>
                <Button kind="primary" busy={busy} disabled={offset === null} onClick={() => add(1)}>
                    To the right
                </Button>
            </NextStep>
        </form>
    );
}

function HeightsForm({ line, error, busy, onLay }: FormProps & { line: Props['line'] }) {
    const [heights, setHeights] = useState(layOf(line).heights);
    const [elevation, setElevation] = useState<number | null>(layOf(line).elevation);
    return (
        <div className="grid gap-3">
            <Choice
                label="Heights"
                value={heights}
                options={[
                    ['vertices', 'of its vertices'],
                    ['ends', 'straight from end to end'],
                    ['one', 'one height'],
                    ['none', 'none: plan only'],
                ]}
                onValue={setHeights}
                hint={heights !== 'one' && heights !== 'none' && !line.endHeights ? 'Its ends have no heights in the drawing.' : undefined}
            />
            {heights === 'one' && <LengthField label="Elevation" value={elevation} onValue={setElevation} />}
            <Failure of={error} />
            <NextStep>
                <Button
                    kind="primary"
                    busy={busy}
                    disabled={heights === 'one' && elevation === null}
                    onClick={() => onLay({ heights, elevation: heights === 'one' ? elevation : null })}
                >
                    Use these heights
                </Button>
            </NextStep>
        </div>
    );
}

type Way = Schemas['PlacesOnLine']['way'];

function PlacesForm({ project, aim, line, onPlaces }: Omit<Props, 'guided'>) {
    const [way, setWay] = useState<Way>('at');
    const [distance, setDistance] = useState<number | null>(null);
    const [right, setRight] = useState<number | null>(0);
    const [parts, setParts] = useState(4);
    const make = usePlacesAlong(project, onPlaces);
    const ready = way === 'main' || way === 'parts' ? true : distance !== null;
    return (
        <div className="grid gap-3">
            <Choice
                label="Places"
                value={way}
                options={[
                    ['at', 'one, at a distance'],
                    ['every', 'every so far from the start'],
                    ['parts', 'in equal parts'],
                    ['main', 'its ends and corners'],
                ]}
                onValue={setWay}
            />
            {(way === 'at' || way === 'every') && (
                <LengthField
                    label={way === 'at' ? 'Distance from the start' : 'Every'}
                    value={distance}
                    onValue={setDistance}
                    hint={
                        <>
                            the line is <Length of={line.length} /> long
                        </>
                    }
                />
            )}
            {way === 'parts' && <NumberField label="Parts" unit="" value={parts} onValue={setParts} />}
            <LengthField label="Offset" value={right} onValue={setRight} hint="right of the line; negative left" />
            <Failure of={make.error} />
            <NextStep>
                <Button
                    kind="primary"
                    busy={make.isPending}
                    disabled={!ready || right === null}
                    onClick={() =>
                        make.mutate({
                            line: aim,
                            way,
                            distance: distance ?? 0,
                            interval: distance ?? 0,
                            parts: Math.round(parts),
                            offset: right ?? 0,
                        })
                    }
                >
                    {way === 'at' ? 'Stake this place' : 'Stake these places'}
                </Button>
            </NextStep>
        </div>
    );
}
