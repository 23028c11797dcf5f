import { useState } from 'react';
import { api, ask, type Project, type Schemas } from '../../api/client';
import { untilFinished, useDeed } from '../../api/hooks';
import { Button } from '../../parts/Button';
import { Choice, LengthField, TextField } from '../../parts/Field';
import { Length } from '../../parts/Figure';
import { Failure, Notice } from '../../parts/Notice';

export type Inspection = Schemas['InspectionResource'];
type Unit = Schemas['TakeDrawingBody']['unit'];
type Heights = Schemas['TakeDrawingBody']['heights'];

const METRES: Record<Unit, number> = { m: 1, cm: 0.01, mm: 0.001, ft: 0.3048, usft: 1200 / 3937, in: 0.0254 };
const NAMES: Record<Unit, string> = {
    m: 'metres',
    cm: 'centimetres',
    mm: 'millimetres',
    ft: 'international feet',
    usft: 'US survey feet',
    in: 'inches',
};

interface Props {
    project: Project;
    file: Schemas['UploadResource'];
    inspection: Inspection;
    onDone: () => void;
}

/** Before a drawing is taken: its unit and what that makes its size, its layers, its heights. */
export function DrawingImport({ project, file, inspection, onDone }: Props) {
    const [unit, setUnit] = useState<Unit | ''>(inspection.declaredUnit ?? '');
    const [layers, setLayers] = useState(() => new Set(inspection.layers.map((l) => l.name)));
    const [heights, setHeights] = useState<Heights>(inspection.heights.length > 0 ? 'used' : 'dropped');
    const [fixed, setFixed] = useState<number | null>(null);
    const [name, setName] = useState(file.fileName.replace(/\.dxf$/i, ''));
    const take = useDeed(project.id, () =>
        untilFinished(
            project.id,
            ask(
                api.POST('/api/v1/projects/{project}/designs', {
                    params: { path: { project: project.id } },
                    body: {
                        upload: file.upload,
                        name,
                        unit: unit as Unit,
                        layers: [...layers],
                        heights,
                        fixedElevation: heights === 'fixed' ? fixed : null,
                    },
                }),
            ),
        ),
    );
    const [west = 0, south = 0, east = 0, north = 0] = inspection.extent;
    const [low, high] = inspection.heights;
    const factor = unit === '' ? null : METRES[unit];
    const toggle = (layer: string) => {
        const next = new Set(layers);
        if (!next.delete(layer)) {
            next.add(layer);
        }
        setLayers(next);
    };
    return (
        <div className="grid gap-4">
            <div className="grid gap-3 sm:grid-cols-2">
                <TextField label="Name of this drawing" value={name} onValue={setName} />
                <Choice
                    label="Drawn in"
                    value={unit}
                    onValue={setUnit}
                    options={[...(unit === '' ? [['', 'choose the unit'] as const] : []), ...(Object.entries(NAMES) as [Unit, string][])]}
                    hint={inspection.declaredUnit ? `The file says ${NAMES[inspection.declaredUnit]}.` : 'The file does not say its unit.'}
                />
            </div>
            <Notice kind={factor === null ? 'caution' : 'info'}>
                {factor === null ? (
                    'Choose the unit: the size of the work is then shown, and should be what you expect.'
                ) : (
                    <span>
                        That makes the work <Length of={(east - west) * factor} /> from west to east and{' '}
                        <Length of={(north - south) * factor} /> from south to north, about northing{' '}
                        <Length of={((north + south) / 2) * factor} />, easting <Length of={((east + west) / 2) * factor} />. Is that so?
                    </span>
                )}
            </Notice>
            <div className="grid gap-3 sm:grid-cols-2">
                <Choice
                    label="Heights"
                    value={heights}
                    onValue={setHeights}
                    options={[
                        ['used', 'use the heights of the drawing'],
                        ['dropped', 'drop them: nothing has an elevation'],
                        ['fixed', 'one elevation for all'],
                    ]}
                    hint={
                        low === undefined || high === undefined ? (
                            'All heights in the file are 0.'
                        ) : (
                            <span>
                                The file’s heights run from <Length of={low * (factor ?? 1)} /> to <Length of={high * (factor ?? 1)} />.
                            </span>
                        )
                    }
                />
                {heights === 'fixed' && <LengthField label="Elevation of everything" value={fixed} onValue={setFixed} />}
            </div>
            <section aria-label="Layers of the file">
                <div className="flex items-center gap-2">
                    <h3 className="mr-auto font-semibold">
                        Layers: {layers.size} of {inspection.layers.length} taken
                    </h3>
                    <Button onClick={() => setLayers(new Set(inspection.layers.map((l) => l.name)))}>All</Button>
                    <Button onClick={() => setLayers(new Set())}>None</Button>
                </div>
                <ul className="max-h-64 overflow-auto border-t border-rule">
                    {inspection.layers.map((l) => (
                        <li key={l.name} className="border-b border-rule">
                            <label className="flex min-h-12 cursor-pointer items-center gap-3 px-2 hover:bg-wash">
                                <input type="checkbox" className="size-6" checked={layers.has(l.name)} onChange={() => toggle(l.name)} />
                                <span
                                    className="size-4 shrink-0 border border-ink/40"
                                    style={{ background: l.colour }}
                                    aria-hidden="true"
                                />
                                <span className="min-w-0 flex-1 truncate">{l.name}</span>
                                <span className="figure text-sm text-quiet">{l.kinds.map((k) => `${k.count} ${k.kind}`).join(', ')}</span>
                            </label>
                        </li>
                    ))}
                </ul>
            </section>
            {inspection.remarks.length > 0 && (
                <Notice kind="caution">
                    {inspection.remarks.map((r) => (
                        <p key={r}>{r}</p>
                    ))}
                </Notice>
            )}
            <Failure of={take.error} />
            <Button
                kind="primary"
                className="justify-self-end"
                busy={take.isPending}
                disabled={unit === '' || layers.size === 0 || (heights === 'fixed' && fixed === null)}
                onClick={() => take.mutate(undefined, { onSuccess: onDone })}
            >
                {take.isPending ? 'Taking the drawing…' : `Take ${layers.size} ${layers.size === 1 ? 'layer' : 'layers'}`}
            </Button>
        </div>
    );
}
