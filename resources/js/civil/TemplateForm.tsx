import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { api, ask, type Project, type Schemas } from '../api/client';
import { useDeed } from '../api/hooks';
import { Button } from '../parts/Button';
import { CheckBox } from '../parts/CheckBox';
import { Choice, LengthField, NumberField, TextField } from '../parts/Field';
import { Failure, Notice } from '../parts/Notice';
import { Step } from '../parts/Step';
import type { Alignment } from './hooks';
import { StationField } from './StationField';

type Template = Schemas['RoadTemplate'];
type Strip = Schemas['Strip'];
type Turned = Schemas['Superelevation'];

const LANE: Strip = { name: 'lane', width: 3.25, crossfall: -0.025, turns: true };

const NEW: Template = { left: [LANE], right: [LANE], turned: [], cutSlope: null, fillSlope: null, verticalOffset: 0, name: 'template' };

/** Per cent, as cross-falls are said. */
const percent = (value: number) => Math.round(value * 1e6) / 1e4;

/** What lies across an alignment: lanes and shoulders with their cross-falls, turned along it, and the slopes beside. */
export function TemplateForm({ project, alignment, onDone }: { project: Project; alignment: Alignment; onDone: () => void }) {
    const own = alignment.shapes.flatMap((s, i) => (s.template ? [i] : []));
    const [number, setNumber] = useState<number | null>(own[0] ?? null);
    const [t, setT] = useState<Template>((number === null ? null : alignment.shapes[number]?.template) ?? NEW);
    const keep = useDeed(project.id, (body: Schemas['AlignmentHeights']) =>
        ask(
            api.PUT('/api/v1/projects/{project}/alignments/{alignment}/heights', {
                params: { path: { project: project.id, alignment: alignment.id } },
                body,
            }),
        ),
    );
    const set = (part: Partial<Template>) => setT({ ...t, ...part });
    const turned = t.turned ?? [];
    const setTurned = (i: number, part: Partial<Turned>) => set({ turned: turned.map((s, k) => (k === i ? { ...s, ...part } : s)) });
    return (
        <div className="grid gap-3">
            {alignment.shapes.some((s) => !s.template) && (
                <Notice>
                    Sections of the file:{' '}
                    {alignment.shapes
                        .filter((s) => !s.template)
                        .map((s) => `${s.name} (${s.sections})`)
                        .join(', ')}
                    . They are what the designer made; a template of your own stands beside them.
                </Notice>
            )}
            <div className="grid gap-3 sm:grid-cols-2">
                <Choice
                    label="Template"
                    value={number === null ? '' : String(number)}
                    onValue={(n) => {
                        setNumber(n === '' ? null : Number(n));
                        setT((n === '' ? null : alignment.shapes[Number(n)]?.template) ?? NEW);
                    }}
                    options={[...own.map((i) => [String(i), alignment.shapes[i]?.name ?? ''] as const), ['', 'a new one']]}
                />
                <TextField label="Name of the template" value={t.name ?? ''} onValue={(name) => set({ name })} />
            </div>
            <div className="grid gap-3 sm:grid-cols-2">
                <Strips title="To the left, from the axis outward" strips={t.left} onStrips={(left) => set({ left })} />
                <Strips title="To the right, from the axis outward" strips={t.right} onStrips={(right) => set({ right })} />
            </div>
            <fieldset className="grid gap-2">
                <legend className="font-semibold">Cross-falls that change along it</legend>
                {turned.map((s, i) => (
                    // biome-ignore lint/suspicious/noArrayIndexKey: stations have no name but their order
                    <div key={i} className="grid grid-cols-[1fr_1fr_1fr_auto] items-start gap-2">
                        <StationField
                            label="Station"
                            project={project.id}
                            alignment={alignment}
                            value={s.along}
                            onValue={(a) => a !== null && setTurned(i, { along: a })}
                        />
                        <NumberField
                            label="Left rises outward by"
                            unit="%"
                            value={percent(s.left)}
                            onValue={(v) => setTurned(i, { left: v / 100 })}
                        />
                        <NumberField
                            label="Right rises outward by"
                            unit="%"
                            value={percent(s.right)}
                            onValue={(v) => setTurned(i, { right: v / 100 })}
                        />
                        <Button
                            kind="bare"
                            aria-label={`Take out station ${i + 1}`}
                            icon={<Trash2 />}
                            onClick={() => set({ turned: turned.filter((_, k) => k !== i) })}
                        />
                    </div>
                ))}
                <Button
                    className="self-start"
                    icon={<Plus />}
                    onClick={() => set({ turned: [...turned, { along: turned.at(-1)?.along ?? 0, left: -0.025, right: -0.025 }] })}
                >
                    Another station
                </Button>
            </fieldset>
            <div className="grid gap-3 sm:grid-cols-3">
                <Slope label="Cut slope, 1 in" value={t.cutSlope ?? null} onValue={(cutSlope) => set({ cutSlope })} />
                <Slope label="Fill slope, 1 in" value={t.fillSlope ?? null} onValue={(fillSlope) => set({ fillSlope })} />
                <LengthField
                    label="Above the profile (below: negative)"
                    value={t.verticalOffset ?? 0}
                    onValue={(verticalOffset) => set({ verticalOffset: verticalOffset ?? 0 })}
                />
            </div>
            <Failure of={keep.error} />
            <Step
                busy={keep.isPending}
                why={t.left.length + t.right.length === 0 ? 'It needs a lane or a shoulder.' : null}
                onClick={() =>
                    keep.mutate(
                        { seen: alignment.version, name: t.name || 'template', number, vertices: [], template: t },
                        { onSuccess: onDone },
                    )
                }
            >
                Keep the template
            </Step>
        </div>
    );
}

function Slope({ label, value, onValue }: { label: string; value: number | null; onValue: (slope: number | null) => void }) {
    return (
        <div className="grid gap-1">
            <CheckBox label={label.replace(/ 1 in$/, '')} checked={value !== null} onChecked={(on) => onValue(on ? 0.5 : null)} />
            {value !== null && (
                <NumberField label={label} unit="" value={Math.round(1e4 / value) / 1e4} onValue={(n) => n > 0 && onValue(1 / n)} />
            )}
        </div>
    );
}

function Strips({ title, strips, onStrips }: { title: string; strips: Strip[]; onStrips: (strips: Strip[]) => void }) {
    const set = (i: number, part: Partial<Strip>) => onStrips(strips.map((s, k) => (k === i ? { ...s, ...part } : s)));
    return (
        <fieldset className="grid gap-2">
            <legend className="font-semibold">{title}</legend>
            {strips.map((s, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: strips have no name but their order
                <div key={i} className="grid gap-1 border-rule border-b pb-2">
                    <div className="grid grid-cols-[1fr_auto] items-end gap-2">
                        <TextField label="Called" value={s.name} onValue={(name) => set(i, { name })} />
                        <Button
                            kind="bare"
                            aria-label={`Take out ${s.name}`}
                            icon={<Trash2 />}
                            onClick={() => onStrips(strips.filter((_, k) => k !== i))}
                        />
                    </div>
                    <div className="grid grid-cols-2 gap-2">
                        <LengthField label="Width" value={s.width} onValue={(width) => width !== null && set(i, { width })} />
                        <NumberField
                            label="Rises outward by"
                            unit="%"
                            value={percent(s.crossfall)}
                            onValue={(v) => set(i, { crossfall: v / 100 })}
                        />
                    </div>
                    <CheckBox label="Turns with the cross-falls below" checked={s.turns ?? true} onChecked={(turns) => set(i, { turns })} />
                </div>
            ))}
            <Button
                className="self-start"
                icon={<Plus />}
                onClick={() => onStrips([...strips, { ...LANE, name: 'shoulder', width: 1.5, crossfall: -0.04, turns: false }])}
            >
                Another strip
            </Button>
        </fieldset>
    );
}
