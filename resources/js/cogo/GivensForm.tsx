import { useState } from 'react';
import type { Schemas } from '../api/client';
import { DirectionInput, DistanceInput } from '../givens/DirectionInput';
import type { Named } from '../givens/given';
import { ChainInput, LineInput } from '../givens/LineInput';
import { PlaceInput } from '../givens/PlaceInput';
import { Button } from '../parts/Button';
import { CheckBox } from '../parts/CheckBox';
import { AngleField, Choice, LengthField, NumberField } from '../parts/Field';
import type { Draft } from './draft';
import type { KindSpec } from './kinds';

interface Props extends Named {
    spec: KindSpec;
    draft: Draft;
    onDraft: (change: (draft: Draft) => Draft) => void;
    gridLines: Schemas['GridLineResource'][];
    chosen: ReadonlySet<number>;
    /** where a line was touched first */
    /** whether a line begins at the end that was touched */
    begins: boolean;
}

const put = <T,>(list: T[], i: number, value: T): T[] => list.map((v, k) => (k === i ? value : v));

/** The fields that a computation asks for. */
export function GivensForm({ spec, draft, onDraft, gridLines, chosen, begins, points, control }: Props) {
    const named = { points, control };
    const set = (part: Partial<Draft>) => onDraft((d) => ({ ...d, ...part }));
    return (
        <div className="grid gap-3">
            {spec.chain && <ChainInput value={draft.chain} onValue={(chain) => set({ chain })} begins={begins} {...named} />}
            {spec.lines?.map((label, i) => (
                <LineInput
                    key={label}
                    label={label}
                    value={draft.lines[i] ?? null}
                    onValue={(v) => onDraft((d) => ({ ...d, lines: put(d.lines, i, v) }))}
                    gridLines={gridLines}
                    {...named}
                />
            ))}
            {spec.places?.map((label, i) => (
                <PlaceInput
                    key={label}
                    label={label}
                    value={draft.places[i] ?? null}
                    onValue={(v) => onDraft((d) => ({ ...d, places: put(d.places, i, v) }))}
                    {...named}
                />
            ))}
            {spec.many && <ManyPlaces spec={spec} draft={draft} onDraft={onDraft} chosen={chosen} {...named} />}
            {spec.directions?.map((label, i) => (
                <DirectionInput
                    key={label}
                    label={label}
                    value={draft.directions[i] ?? null}
                    onValue={(v) => onDraft((d) => ({ ...d, directions: put(d.directions, i, v) }))}
                    {...named}
                />
            ))}
            {spec.angle && <AngleField label={spec.angle} value={draft.angle} onValue={(angle) => set({ angle })} />}
            {spec.distances?.map((label, i) => (
                <DistanceInput
                    key={label}
                    label={label}
                    value={draft.distances[i] ?? null}
                    onValue={(v) => onDraft((d) => ({ ...d, distances: put(d.distances, i, v) }))}
                    {...named}
                />
            ))}
            {spec.count && (
                <NumberField label={spec.count} unit="pieces" value={draft.count} onValue={(n) => set({ count: Math.round(n) })} />
            )}
            {spec.across && (
                <NumberField label={spec.across} unit="pieces" value={draft.across} onValue={(n) => set({ across: Math.round(n) })} />
            )}
            {spec.elements && <Elements draft={draft} set={set} />}
            {spec.element && <OneElement draft={draft} set={set} />}
            {spec.parts && <Parts draft={draft} set={set} />}
            {spec.pattern && <Pattern draft={draft} set={set} />}
            {spec.side && (
                <Choice
                    label="Bends"
                    value={draft.toTheRight ? 'right' : 'left'}
                    options={[
                        ['right', 'to the right'],
                        ['left', 'to the left'],
                    ]}
                    onValue={(v) => set({ toTheRight: v === 'right' })}
                />
            )}
            {spec.corners && <CheckBox label="With the corners" checked={draft.corners} onChecked={(corners) => set({ corners })} />}
            {spec.alongArc && (
                <CheckBox
                    label="Beyond the end of an arc, on along the arc"
                    checked={draft.alongArc}
                    onChecked={(alongArc) => set({ alongArc })}
                />
            )}
            {spec.offset && (
                <LengthField
                    label={spec.offset}
                    value={draft.offset}
                    onValue={(offset) => set({ offset: offset ?? 0 })}
                    hint="negative: to the left"
                />
            )}
        </div>
    );
}

function ManyPlaces({ spec, draft, onDraft, chosen, points, control }: Omit<Props, 'gridLines' | 'begins'>) {
    const given = draft.places.filter((p) => p !== null);
    return (
        <div className="grid gap-2">
            <PlaceInput
                label={`${spec.many?.label}: ${given.length === 0 ? 'first' : `number ${given.length + 1}`}`}
                value={null}
                onValue={(p) => p && onDraft((d) => ({ ...d, places: [...d.places, p] }))}
                points={points}
                control={control}
            />
            <div className="flex flex-wrap gap-2">
                {chosen.size > 0 && (
                    <Button
                        onClick={() =>
                            onDraft((d) => ({ ...d, places: points.filter((p) => chosen.has(p.id)).map((p) => ({ pointId: p.id })) }))
                        }
                    >
                        The {chosen.size} chosen points
                    </Button>
                )}
                {given.length > 0 && (
                    <Button onClick={() => onDraft((d) => ({ ...d, places: d.places.slice(0, -1) }))}>
                        Without the last of {given.length}
                    </Button>
                )}
            </div>
        </div>
    );
}

const ELEMENTS: [Schemas['KnownElement']['element'], string][] = [
    ['radius', 'Radius'],
    ['angle', 'Angle'],
    ['length', 'Length'],
    ['chord', 'Chord'],
    ['tangent', 'Tangent'],
    ['external', 'External'],
    ['middleOrdinate', 'Middle ordinate'],
];

/** Any two elements of a curve. */
function Elements({ draft, set }: { draft: Draft; set: (part: Partial<Draft>) => void }) {
    const known = (e: Schemas['KnownElement']['element']) => draft.elements.find((x) => x.element === e)?.value ?? null;
    const give = (element: Schemas['KnownElement']['element'], value: number | null) => {
        const others = draft.elements.filter((x) => x.element !== element);
        set({ elements: value === null ? others : [...others.slice(-1), { element, value }] });
    };
    return (
        <div className="grid gap-2">
            <p className="text-sm text-quiet">Any two of these; a third takes the place of the one typed first.</p>
            <div className="grid grid-cols-2 gap-2">
                {ELEMENTS.map(([element, label]) =>
                    element === 'angle' ? (
                        <AngleField key={element} label={label} value={known(element)} onValue={(v) => give(element, v)} />
                    ) : (
                        <LengthField key={element} label={label} value={known(element)} onValue={(v) => give(element, v)} optional />
                    ),
                )}
            </div>
        </div>
    );
}

const BESIDE_THE_CHORD: [Schemas['KnownElement']['element'], string][] = [
    ['radius', 'Radius'],
    ['middleOrdinate', 'Rise over the chord'],
    ['angle', 'Angle'],
    ['length', 'Length'],
];

/** What is known of an arc beside its two ends. */
function OneElement({ draft, set }: { draft: Draft; set: (part: Partial<Draft>) => void }) {
    const [known] = draft.elements;
    const [element, setElement] = useState(known?.element ?? 'radius');
    const give = (value: number | null) => set({ elements: value === null ? [] : [{ element, value }] });
    return (
        <div className="grid grid-cols-2 gap-2">
            <Choice
                label="Known of it"
                value={element}
                options={BESIDE_THE_CHORD}
                onValue={(next) => {
                    setElement(next);
                    set({ elements: [] });
                }}
            />
            {element === 'angle' ? (
                <AngleField label="that is" value={known?.value ?? null} onValue={give} />
            ) : (
                <LengthField key={element} label="that is" value={known?.value ?? null} onValue={give} optional />
            )}
        </div>
    );
}

/** Any three parts of a triangle, a side among them. */
function Parts({ draft, set }: { draft: Draft; set: (part: Partial<Draft>) => void }) {
    const known = (p: Schemas['KnownPart']['part']) => draft.parts.find((x) => x.part === p)?.value ?? null;
    const give = (part: Schemas['KnownPart']['part'], value: number | null) => {
        const others = draft.parts.filter((x) => x.part !== part);
        set({ parts: value === null ? others : [...others.slice(-2), { part, value }] });
    };
    return (
        <div className="grid gap-2">
            <p className="text-sm text-quiet">Any three parts, a side among them. Side a lies opposite angle A.</p>
            <div className="grid grid-cols-2 gap-2">
                {(['a', 'b', 'c'] as const).map((p) => (
                    <LengthField key={p} label={`Side ${p}`} value={known(p)} onValue={(v) => give(p, v)} optional />
                ))}
                {(['A', 'B', 'C'] as const).map((p) => (
                    <AngleField key={p} label={`Angle ${p}`} value={known(p)} onValue={(v) => give(p, v)} />
                ))}
            </div>
        </div>
    );
}

function Pattern({ draft, set }: { draft: Draft; set: (part: Partial<Draft>) => void }) {
    const [last] = draft.pattern.slice(-1);
    return (
        <div className="grid gap-2">
            {draft.pattern.map((o, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: offsets have no name but their number
                <div key={i} className="grid grid-cols-2 gap-2">
                    <LengthField
                        label={`Bolt ${i + 1}, along`}
                        value={o.along}
                        onValue={(v) => set({ pattern: put(draft.pattern, i, { ...o, along: v ?? 0 }) })}
                    />
                    <LengthField
                        label="to the right"
                        value={o.offset}
                        onValue={(v) => set({ pattern: put(draft.pattern, i, { ...o, offset: v ?? 0 }) })}
                    />
                </div>
            ))}
            <div className="flex gap-2">
                <Button onClick={() => set({ pattern: [...draft.pattern, last ?? { along: 0, offset: 0 }] })}>Another bolt</Button>
                {last && <Button onClick={() => set({ pattern: draft.pattern.slice(0, -1) })}>Without the last</Button>}
            </div>
        </div>
    );
}
