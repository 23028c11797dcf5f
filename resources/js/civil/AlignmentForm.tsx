import { useQuery } from '@tanstack/react-query';
import { Plus, Trash2 } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import { api, ask, type Schemas } from '../api/client';
import { useDeed } from '../api/hooks';
import type { GivenPolyline } from '../givens/given';
import { ChainInput } from '../givens/LineInput';
import { PlaceInput } from '../givens/PlaceInput';
import { TouchContext } from '../givens/touch';
import { Button } from '../parts/Button';
import { AngleField, Choice, LengthField, TextField } from '../parts/Field';
import { Length } from '../parts/Figure';
import { Failure, Notice } from '../parts/Notice';
import { Step } from '../parts/Step';
import { figures, useShow } from '../plan/shown';
import type { StageProps } from '../stage/stages';
import { Elements } from './Elements';
import type { Alignment } from './hooks';

type Given = Schemas['AlignmentGiven'];
type Corner = Schemas['Corner'];
type Element = Schemas['TypedElement'];
type Way = 'corners' | 'elements' | 'touched';

interface Props extends StageProps {
    /** the one that is changed; a new one where null */
    alignment: Alignment | null;
    onClose: () => void;
}

const wayOf = (given: Given | null | undefined): Way =>
    given?.line ? 'touched' : (given?.elements?.length ?? 0) > 0 ? 'elements' : 'corners';

/** An alignment made here: by points of intersection, by elements, or by touching lines and arcs in order; drawn while it is typed. */
export function AlignmentForm({ project, points, control, want, setWant, alignment, onClose }: Props) {
    const [name, setName] = useState(alignment?.name ?? '');
    const [way, setWay] = useState<Way>(wayOf(alignment?.given));
    const [start, setStart] = useState<number | null>(alignment?.given?.start ?? 0);
    const [corners, setCorners] = useState<Corner[]>(alignment?.given?.corners ?? []);
    const [line, setLine] = useState<GivenPolyline | null>(alignment?.given?.line ?? null);
    const [from, setFrom] = useState<{ northing: number; easting: number } | null>(
        alignment?.given?.northing != null && alignment.given.easting != null
            ? { northing: alignment.given.northing, easting: alignment.given.easting }
            : null,
    );
    const [azimuth, setAzimuth] = useState<number | null>(alignment?.given?.azimuth ?? null);
    const [elements, setElements] = useState<Element[]>(alignment?.given?.elements ?? []);
    useEffect(() => () => setWant(null), [setWant]);
    const given: Given | null = useMemo(() => {
        const counted = { start: start ?? 0 };
        if (way === 'corners') {
            return corners.length > 1 ? { ...counted, corners } : null;
        }
        if (way === 'touched') {
            return line && (line.shapes?.length || line.places?.length) ? { ...counted, line } : null;
        }
        return from && azimuth !== null && elements.length > 0 ? { ...counted, ...from, azimuth, elements } : null;
    }, [way, corners, line, from, azimuth, elements, start]);
    const drawn = useQuery({
        queryKey: ['compute-alignment', project.id, given],
        queryFn: () =>
            ask(
                api.POST('/api/v1/projects/{project}/compute-alignment', {
                    params: { path: { project: project.id } },
                    body: given as Given,
                }),
            ),
        enabled: given !== null,
        retry: false,
        placeholderData: (before) => (given === null ? undefined : before),
    });
    const shown = given && !drawn.error ? drawn.data : undefined;
    const figure = useMemo(
        () =>
            shown
                ? {
                      paths: [shown.line],
                      places: shown.marks
                          .filter((m) => m.name !== '')
                          .map((m) => ({ northing: m.northing, easting: m.easting, label: m.name })),
                  }
                : null,
        [shown],
    );
    useShow(figures, figure);
    const keep = useDeed(project.id, (body: Schemas['AlignmentToMake']) =>
        alignment
            ? ask(
                  api.PUT('/api/v1/projects/{project}/alignments/{alignment}', {
                      params: { path: { project: project.id, alignment: alignment.id } },
                      body: { ...body, seen: alignment.version },
                  }),
              )
            : ask(api.POST('/api/v1/projects/{project}/alignments', { params: { path: { project: project.id } }, body })),
    );
    return (
        <TouchContext value={{ want, setWant }}>
            <form className="grid gap-3" onSubmit={(e) => e.preventDefault()}>
                <h2 className="font-semibold">{alignment ? `Change ${alignment.name}` : 'Make an alignment'}</h2>
                <TextField label="Name of the alignment" value={name} onValue={setName} />
                <div className="grid grid-cols-2 gap-3">
                    <Choice
                        label="Made by"
                        value={way}
                        onValue={setWay}
                        options={[
                            ['corners', 'points of intersection'],
                            ['elements', 'elements in turn'],
                            ['touched', 'touching lines and arcs'],
                        ]}
                    />
                    <LengthField label="Start station" value={start} onValue={setStart} hint="where the alignment begins" />
                </div>
                {way === 'corners' && <Corners {...{ points, control, corners, setCorners }} />}
                {way === 'touched' && <ChainInput value={line} onValue={setLine} points={points} control={control} />}
                {way === 'elements' && (
                    <>
                        <PlaceInput
                            label="It begins at"
                            value={from}
                            onValue={(p) => setFrom(placeIn(p, points, control))}
                            points={points}
                            control={control}
                        />
                        <AngleField label="and leaves in the direction" value={azimuth} onValue={setAzimuth} direction />
                        <TypedElements elements={elements} setElements={setElements} />
                    </>
                )}
                {shown && (
                    <>
                        <p className="text-sm">
                            <Length of={shown.length} /> long
                        </p>
                        <Elements alignment={{ elements: shown.elements, from: start ?? 0, equations: [] }} />
                    </>
                )}
                <Failure of={drawn.error ?? keep.error} />
                <Step
                    busy={keep.isPending}
                    why={name.trim() === '' ? 'It needs a name.' : !shown ? 'There is nothing to draw yet.' : null}
                    second={<Button onClick={onClose}>Cancel</Button>}
                    onClick={() => given && keep.mutate({ name, given }, { onSuccess: onClose })}
                >
                    Keep the alignment
                </Step>
            </form>
        </TouchContext>
    );
}

/** A place that has coordinates here: typed, or those of a point or mark. */
function placeIn(
    p: Schemas['GivenPlace'] | null,
    points: StageProps['points'],
    control: StageProps['control'],
): { northing: number; easting: number } | null {
    const listed = points.find((x) => x.id === p?.pointId) ?? control.find((x) => x.id === p?.controlId);
    if (listed) {
        return { northing: listed.northing, easting: listed.easting };
    }
    return p?.northing != null && p.easting != null ? { northing: p.northing, easting: p.easting } : null;
}

interface CornersProps extends Pick<StageProps, 'points' | 'control'> {
    corners: Corner[];
    setCorners: (corners: Corner[]) => void;
}

function Corners({ points, control, corners, setCorners }: CornersProps) {
    const [refused, setRefused] = useState(false);
    const set = (i: number, part: Partial<Corner>) => setCorners(corners.map((c, k) => (k === i ? { ...c, ...part } : c)));
    return (
        <fieldset className="grid gap-2 border-l-2 border-rule pl-3">
            {corners.map((c, i) => {
                const inner = i > 0 && i < corners.length - 1;
                return (
                    // biome-ignore lint/suspicious/noArrayIndexKey: corners have no name but their order
                    <div key={i} className="grid gap-2 border-rule border-b pb-2">
                        <div className="flex items-center gap-2">
                            <b className="flex-1">{i === 0 ? 'Start' : inner ? `Corner ${i + 1}` : 'End'}</b>
                            <Button
                                kind="bare"
                                aria-label={`Take out corner ${i + 1}`}
                                icon={<Trash2 />}
                                onClick={() => setCorners(corners.filter((_, k) => k !== i))}
                            />
                        </div>
                        <div className="grid grid-cols-2 gap-2">
                            <LengthField
                                label="Northing"
                                value={c.northing}
                                onValue={(northing) => northing !== null && set(i, { northing })}
                            />
                            <LengthField label="Easting" value={c.easting} onValue={(easting) => easting !== null && set(i, { easting })} />
                        </div>
                        {inner && (
                            <div className="grid grid-cols-3 gap-2">
                                <LengthField label="Radius" value={c.radius ?? 0} onValue={(radius) => set(i, { radius: radius ?? 0 })} />
                                <LengthField label="Spiral in" value={c.spiralIn ?? 0} onValue={(l) => set(i, { spiralIn: l ?? 0 })} />
                                <LengthField label="Spiral out" value={c.spiralOut ?? 0} onValue={(l) => set(i, { spiralOut: l ?? 0 })} />
                            </div>
                        )}
                    </div>
                );
            })}
            <PlaceInput
                label={corners.length === 0 ? 'It begins at' : 'Next corner, or the end'}
                value={null}
                onValue={(p) => {
                    const at = placeIn(p, points, control);
                    setRefused(p !== null && at === null);
                    at && setCorners([...corners, { ...at, radius: 0, spiralIn: 0, spiralOut: 0 }]);
                }}
                points={points}
                control={control}
            />
            {refused && (
                <Notice kind="caution">
                    A spot of a drawing can’t be a corner yet: make a point there first, or type its coordinates.
                </Notice>
            )}
        </fieldset>
    );
}

function TypedElements({ elements, setElements }: { elements: Element[]; setElements: (elements: Element[]) => void }) {
    const set = (i: number, part: Partial<Element>) => setElements(elements.map((e, k) => (k === i ? { ...e, ...part } : e)));
    return (
        <fieldset className="grid gap-2 border-l-2 border-rule pl-3">
            {elements.map((e, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: elements have no name but their order
                <div key={i} className="grid grid-cols-[1fr_1fr_auto] items-end gap-2">
                    <Choice
                        label={`Element ${i + 1}`}
                        value={e.kind}
                        onValue={(kind) => set(i, { kind })}
                        options={[
                            ['line', 'line'],
                            ['arc', 'arc'],
                            ['spiral', 'spiral'],
                        ]}
                    />
                    <LengthField label="Length" value={e.length} onValue={(length) => length !== null && set(i, { length })} />
                    <Button
                        kind="bare"
                        aria-label={`Take out element ${i + 1}`}
                        icon={<Trash2 />}
                        onClick={() => setElements(elements.filter((_, k) => k !== i))}
                    />
                    {e.kind !== 'line' && (
                        <Radius
                            label={e.kind === 'arc' ? 'Radius' : 'Radius it begins with'}
                            value={e.radiusFrom}
                            onValue={(radiusFrom) => set(i, { radiusFrom })}
                        />
                    )}
                    {e.kind === 'spiral' && (
                        <Radius label="Radius it ends with" value={e.radiusTo} onValue={(radiusTo) => set(i, { radiusTo })} />
                    )}
                </div>
            ))}
            <Button
                className="self-start"
                icon={<Plus />}
                onClick={() => setElements([...elements, { kind: 'line', length: 10, radiusFrom: null, radiusTo: null }])}
            >
                Another element
            </Button>
        </fieldset>
    );
}

interface RadiusProps {
    label: string;
    value: number | null | undefined;
    onValue: (radius: number | null) => void;
}

/** A radius with its side in a word; none is straight. */
const Radius = ({ label, value, onValue }: RadiusProps) => (
    <div className="grid grid-cols-2 gap-1">
        <LengthField
            label={label}
            optional
            value={value == null ? null : Math.abs(value)}
            onValue={(r) => onValue(r === null || r === 0 ? null : (value ?? 1) < 0 ? -Math.abs(r) : Math.abs(r))}
            hint={value == null ? 'straight' : undefined}
        />
        <Choice
            label="to the"
            value={(value ?? 1) < 0 ? 'left' : 'right'}
            onValue={(side) => value != null && onValue(side === 'left' ? -Math.abs(value) : Math.abs(value))}
            options={[
                ['right', 'right'],
                ['left', 'left'],
            ]}
        />
    </div>
);
