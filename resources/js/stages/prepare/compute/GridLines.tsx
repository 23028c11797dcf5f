import { useQuery } from '@tanstack/react-query';
import { Trash2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import { api, ask, type Schemas } from '../../../api/client';
import { useDeed, useGridLines } from '../../../api/hooks';
import type { StageProps } from '../../../frame/stages';
import { Button } from '../../../parts/Button';
import { AngleField, Choice, Labelled, TextField } from '../../../parts/Field';
import { Length } from '../../../parts/Figure';
import { Failure } from '../../../parts/Notice';
import { drawnDesigns } from '../../../plan/things';
import { useUnits } from '../../../units/UnitsContext';
import { KeepCollected } from './CollectPlaces';
import { DirectionInput } from './DirectionInput';
import type { GivenDirection, GivenPlace } from './draft';
import { LayerButtons } from './LayerButtons';
import { PlaceInput } from './PlaceInput';
import { TouchContext } from './touch';

type Line = Schemas['GridLineResource'];
type Way = Schemas['GridPreviewBody']['way'];

/** The building's grid: found in the drawing or typed, corrected by hand; its crossings become points. */
export function GridLines({ onClose, ...props }: StageProps & { onClose: () => void }) {
    const { project, want, setWant, setFigure } = props;
    const kept = useGridLines(project.id).data ?? [];
    const [found, setFound] = useState<Line[] | null>(null);
    const [separator, setSeparator] = useState('');
    const shown = found ?? kept;
    useEffect(() => setFigure(shown.length > 0 ? { paths: shown.map(pathOf), places: shown.flatMap(namesOf) } : null), [shown, setFigure]);
    useEffect(
        () => () => {
            setFigure(null);
            setWant(null);
        },
        [setFigure, setWant],
    );
    const collection = { kind: 'gridCrossings', separator } as const;
    const crossings = useQuery({
        queryKey: [project.id, 'collection', collection, kept],
        queryFn: () =>
            ask(
                api.POST('/api/v1/projects/{project}/collections-preview', {
                    params: { path: { project: project.id } },
                    body: { collection },
                }),
            ),
        enabled: kept.length > 1,
        retry: false,
    });
    return (
        <TouchContext value={{ want, setWant }}>
            <form className="grid gap-4 p-4" aria-label="Grid lines" onSubmit={(e) => e.preventDefault()}>
                <div className="flex items-center justify-between gap-2">
                    <h2 className="text-lg font-semibold">Grid lines</h2>
                    <Button onClick={onClose}>Other computations</Button>
                </div>
                {found ? (
                    <Correct {...props} lines={found} onLines={setFound} onDone={() => setFound(null)} />
                ) : (
                    <>
                        <Source {...props} onFound={setFound} />
                        {kept.length > 0 && <Kept project={project} lines={kept} onCorrect={() => setFound(kept)} />}
                        {crossings.data && (
                            <section className="grid gap-3 border-t border-rule pt-3">
                                <p role="status">
                                    <span className="font-semibold">{crossings.data.count} crossings</span>
                                    {crossings.data.names[0] && `, named ${crossings.data.names[0]} and so on`}
                                    {crossings.data.standing > 0 && `; ${crossings.data.standing} stand already`}
                                </p>
                                <TextField label="Between both names" value={separator} onValue={setSeparator} hint="empty: A1" />
                                <KeepCollected
                                    project={project}
                                    collection={collection}
                                    elevation={{ rule: 'asMade', value: 0 }}
                                    count={crossings.data.count - crossings.data.standing}
                                    named
                                />
                            </section>
                        )}
                    </>
                )}
            </form>
        </TouchContext>
    );
}

function pathOf(l: Line): number[] {
    if (!l.ring) {
        return [l.easting1, l.northing1, l.easting2, l.northing2];
    }
    const radius = Math.hypot(l.easting2 - l.easting1, l.northing2 - l.northing1);
    return Array.from({ length: 73 }, (_, i) => [
        l.easting1 + radius * Math.sin((i * Math.PI) / 36),
        l.northing1 + radius * Math.cos((i * Math.PI) / 36),
    ]).flat();
}

function namesOf(l: Line) {
    const ends = [
        { easting: l.easting2, northing: l.northing2, label: l.name, bare: true },
        { easting: l.easting1, northing: l.northing1, label: l.name, bare: true },
    ];
    return l.ring ? ends.slice(0, 1) : ends;
}

function Source({ project, points, control, designs, onFound }: StageProps & { onFound: (lines: Line[]) => void }) {
    const units = useUnits();
    const [way, setWay] = useState<Way>('drawing');
    const layers = drawnDesigns(designs).flatMap((d) => d.layers.filter((l) => l.visible));
    const [layerIds, setLayerIds] = useState<number[]>(layers.map((l) => l.id));
    const [origin, setOrigin] = useState<GivenPlace | null>(null);
    const [direction, setDirection] = useState<GivenDirection | null>({ azimuth: 0 });
    const [first, setFirst] = useState('A');
    const [crossFirst, setCrossFirst] = useState('1');
    const [spacings, setSpacings] = useState('');
    const [crossSpacings, setCrossSpacings] = useState('');
    const [skew, setSkew] = useState<number | null>(Math.PI / 2);
    const find = useDeed(project.id, async () => {
        const radial = way === 'radial';
        const steps = way === 'drawing' ? [] : await (radial ? angles(spacings, units.angle) : lengths(spacings, units.length));
        const cross = way === 'drawing' ? [] : await lengths(crossSpacings, units.length);
        return ask(
            api.POST('/api/v1/projects/{project}/grid-preview', {
                params: { path: { project: project.id } },
                body: {
                    way,
                    layerIds,
                    origin,
                    direction,
                    first,
                    crossFirst,
                    spacings: steps,
                    crossSpacings: cross,
                    skew: skew ?? Math.PI / 2,
                },
            }),
        );
    });
    const radial = way === 'radial';
    return (
        <div className="grid gap-3">
            <Choice
                label="Lines come"
                value={way}
                options={[
                    ['drawing', 'from the drawing: long lines with a name at their end'],
                    ['spacings', 'from spacings, typed'],
                    ['radial', 'from angles and radii, typed'],
                ]}
                onValue={setWay}
            />
            {way === 'drawing' ? (
                <LayerButtons legend="Look on layers" layers={layers} ids={layerIds} onIds={setLayerIds} />
            ) : (
                <>
                    <PlaceInput
                        label={radial ? 'Centre' : 'First crossing'}
                        value={origin}
                        onValue={setOrigin}
                        points={points}
                        control={control}
                    />
                    <DirectionInput
                        label={radial ? 'First line toward' : 'First lines run toward'}
                        value={direction}
                        onValue={setDirection}
                        points={points}
                        control={control}
                    />
                    <div className="grid grid-cols-[6rem_1fr] gap-2">
                        <TextField label="First name" value={first} onValue={setFirst} />
                        <TextField
                            label={radial ? 'Angles from line to line' : 'Spacings, to their right'}
                            value={spacings}
                            onValue={setSpacings}
                            hint="one after another, parted by blanks; 4x6 is four of 6"
                        />
                        <TextField label="First name" value={crossFirst} onValue={setCrossFirst} />
                        <TextField
                            label={radial ? 'Radii, each from the one before' : 'Spacings of the crossing lines'}
                            value={crossSpacings}
                            onValue={setCrossSpacings}
                        />
                    </div>
                    {way === 'spacings' && <AngleField label="Angle between both, clockwise" value={skew} onValue={setSkew} />}
                </>
            )}
            <Failure of={find.error} />
            <Button
                className="justify-self-start"
                busy={find.isPending}
                disabled={way === 'drawing' ? layerIds.length === 0 : origin === null}
                onClick={() => find.mutate(undefined, { onSuccess: onFound })}
            >
                {way === 'drawing' ? 'Find the lines' : 'Draw the lines'}
            </Button>
        </div>
    );
}

/** “6 6.5 4x7” as single lengths; each is read as it would be in a field of its own. */
async function lengths(text: string, style: ReturnType<typeof useUnits>['length']): Promise<number[]> {
    const read = await Promise.all(
        singles(text).map((part) => ask(api.GET('/api/v1/compute/length', { params: { query: { text: part, style } } }))),
    );
    return read.map((r) => r[0]?.metres ?? 0);
}

async function angles(text: string, style: ReturnType<typeof useUnits>['angle']): Promise<number[]> {
    const read = await Promise.all(
        singles(text).map((part) => ask(api.GET('/api/v1/compute/angle', { params: { query: { text: part, style, direction: false } } }))),
    );
    return read.map((r) => r.radians);
}

function singles(text: string): string[] {
    return (text.includes(';') ? text.split(';') : text.trim().split(/\s+/)).flatMap((part) => {
        const times = /^\s*(\d{1,3})\s*[x×]\s*(.+)$/i.exec(part);
        return part.trim() === '' ? [] : times ? Array.from({ length: Number(times[1]) }, () => times[2] ?? '') : [part.trim()];
    });
}

/** Names corrected, lines left out, before they are kept. */
function Correct({
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
            <div className="flex justify-between gap-2">
                <Button className="min-h-16" onClick={onDone}>
                    Leave it
                </Button>
                <Button
                    kind="primary"
                    busy={keep.isPending}
                    disabled={lines.length === 0}
                    onClick={() => keep.mutate(undefined, { onSuccess: onDone })}
                >
                    Keep {lines.length} lines
                </Button>
            </div>
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

function Kept({ project, lines, onCorrect }: { project: StageProps['project']; lines: Line[]; onCorrect: () => void }) {
    const remove = useDeed(project.id, (ids: number[]) =>
        ask(api.POST('/api/v1/projects/{project}/grid-lines-deletion', { params: { path: { project: project.id } }, body: { ids } })),
    );
    const families = [...new Set(lines.map((l) => l.family))];
    return (
        <section className="border-t border-rule pt-3">
            <h3 className="font-semibold">{lines.length} grid lines are kept</h3>
            {families.map((f) => (
                <p key={f}>
                    {lines
                        .filter((l) => l.family === f)
                        .map((l) => l.name)
                        .join(', ')}
                </p>
            ))}
            <Spacing lines={lines} />
            <div className="mt-2 flex gap-2">
                <Button onClick={onCorrect}>Correct names</Button>
                <Button busy={remove.isPending} onClick={() => remove.mutate(lines.map((l) => l.id))} icon={<Trash2 />}>
                    Delete the grid
                </Button>
            </div>
            <Failure of={remove.error} />
        </section>
    );
}

/** How far each line is from the one before it in its family: the quickest check against the drawing. */
function Spacing({ lines }: { lines: Line[] }) {
    const straight = lines.filter((l) => !l.ring);
    const pairs = straight.flatMap((l, i) => {
        const before = straight.slice(0, i).findLast((b) => b.family === l.family);
        return before ? [[before, l] as const] : [];
    });
    const apart = ([a, b]: readonly [Line, Line]) => {
        const [dx, dy] = [a.easting2 - a.easting1, a.northing2 - a.northing1];
        return Math.abs((b.easting1 - a.easting1) * dy - (b.northing1 - a.northing1) * dx) / Math.hypot(dx, dy);
    };
    return (
        <dl className="mt-1 grid grid-cols-[auto_1fr] gap-x-4 text-sm text-quiet">
            {pairs.map(([a, b]) => (
                <div key={`${a.id} ${b.id}`} className="contents">
                    <dt>
                        {a.name} to {b.name}
                    </dt>
                    <dd>
                        <Length of={apart([a, b])} />
                    </dd>
                </div>
            ))}
        </dl>
    );
}
