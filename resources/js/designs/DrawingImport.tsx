import { useState } from 'react';
import { api, ask, type ControlPoint, type Design, type Project, type Schemas } from '../api/client';
import { useWork } from '../api/work';
import { Button } from '../parts/Button';
import { CheckBox } from '../parts/CheckBox';
import { Choice, LengthField, TextField } from '../parts/Field';
import { Length } from '../parts/Figure';
import { NextStep } from '../parts/NextStep';
import { Failure, Notice } from '../parts/Notice';
import { Scroll } from '../parts/Scroll';
import { Step } from '../parts/Step';
import { WorkBar } from '../parts/WorkBar';
import { METRES, UNIT_NAMES, type Unit } from '../units/names';
import { DrawingFit, type Placing, wordsOf } from './DrawingFit';
import { InspectedLayers } from './InspectedLayers';
import type { Inspection } from './inspection';

type Body = Schemas['DrawingToTake'];

interface Props {
    project: Project;
    control: ControlPoint[];
    designs: Design[];
    file: Schemas['Upload'];
    inspection: Inspection;
    revises: Design | null;
    /** its points are a list, and are read as one */
    onPoints: () => void;
    onDone: (id: number) => void;
}

/** Storeys this far above or below all control are counted from another zero, metres. */
const FAR_IN_HEIGHT = 20;

/** Before a drawing is taken: unit and size, fit with the control, layers, heights, annotations, clean-up. */
export function DrawingImport({ project, control, designs, file, inspection, revises, onPoints, onDone }: Props) {
    const [unit, setUnit] = useState<Unit | ''>((revises?.unit as Unit | undefined) ?? inspection.declaredUnit ?? '');
    const [layers, setLayers] = useState(() => firstChoice(inspection, revises));
    const [heights, setHeights] = useState<Body['heights']>(
        (revises?.heights as Body['heights'] | undefined) ?? (inspection.heights.length > 0 ? 'used' : 'dropped'),
    );
    const [fixed, setFixed] = useState<number | null>(null);
    const [raised, setRaised] = useState(revises?.placement?.dElevation ?? 0);
    const [name, setName] = useState(revises?.name ?? file.fileName.replace(/\.(dxf|zip|ifc|ifczip)$/i, ''));
    const [revision, setRevision] = useState('');
    const [role, setRole] = useState<NonNullable<Body['role']>>(revises?.role ?? 'design');
    const [annotations, setAnnotations] = useState(false);
    const [cleanUp, setCleanUp] = useState({
        duplicates: inspection.duplicates > 0,
        zeroLengths: inspection.zeroLengths > 0,
        overlaps: false,
    });
    const [placing, setPlacing] = useState<Placing>(
        revises?.placement ? { placement: revises.placement, words: 'as the revision before' } : { placement: null, words: 'as drawn' },
    );
    const work = useWork(project.id);
    const isShapefile = inspection.version === 'Shapefile';
    const symbols = inspection.layers.reduce((sum, l) => sum + (l.kinds.find((k) => k.kind === 'insert')?.count ?? 0), 0);
    const factor = unit === '' ? null : METRES[unit];
    // It would lie elsewhere than the control says.
    const [best] = inspection.fits;
    const fitsElse = best && !best.asDrawn && !best.doubtful && placing.placement === null ? best : null;
    const take = async () => {
        const done = await work.run(
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
                        annotations,
                        cleanUp,
                        placement:
                            placing.placement === null && (heights !== 'used' || raised === 0)
                                ? null
                                : { ...placing.placement, dElevation: heights === 'used' ? raised : 0 },
                        mend: inspection.damage !== null,
                        role,
                        revisesId: revises?.id ?? null,
                        revision,
                    },
                }),
            ),
        );
        if (done) {
            onDone((done.result as unknown as { designId: number }).designId);
        }
    };
    return (
        <div className="grid gap-4">
            {inspection.damage !== null && <Damage inspection={inspection} />}
            <div className="grid gap-3 sm:grid-cols-4">
                <TextField label="Name of this drawing" value={name} onValue={setName} />
                <TextField
                    label="Revision"
                    value={revision}
                    onValue={setRevision}
                    hint={revises ? `after ${revises.revision || 'the first'}` : 'if it has one'}
                />
                <Choice
                    label="Drawn in"
                    value={unit}
                    onValue={setUnit}
                    options={[
                        ...(unit === '' ? [['', 'choose the unit'] as const] : []),
                        ...(Object.entries(UNIT_NAMES) as [Unit, string][]),
                    ]}
                    hint={
                        inspection.declaredUnit
                            ? `The file says ${UNIT_NAMES[inspection.declaredUnit]}.`
                            : 'The file does not say its unit.'
                    }
                />
                <Choice
                    label="It is"
                    value={role}
                    onValue={setRole}
                    options={[
                        ['design', 'a design'],
                        ['background', 'a background'],
                    ]}
                    hint={
                        role === 'background'
                            ? 'stays whichever is active'
                            : designs.some((d) => d.active) && !revises
                              ? 'becomes the active one'
                              : undefined
                    }
                />
            </div>
            {isShapefile && symbols > 0 && revises === null && (
                <div className="flex flex-wrap items-center gap-3 border-rule border-b pb-2">
                    <span className="flex-1">
                        <b>{symbols} points</b> with their attributes: touched as symbols of the drawing, or taken as a list
                    </span>
                    <Button onClick={onPoints}>Take the points as a list</Button>
                </div>
            )}
            <Size inspection={inspection} factor={factor} />
            <DrawingFit
                project={project}
                control={control}
                inspection={inspection}
                unit={unit}
                factor={factor}
                onUnit={setUnit}
                placing={placing}
                onPlacing={setPlacing}
            />
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
                    hint={<HeightRange inspection={inspection} factor={factor} />}
                />
                {heights === 'fixed' && <LengthField label="Elevation of everything" value={fixed} onValue={setFixed} />}
                {heights === 'used' && <LengthField label="Raise everything by" value={raised} onValue={(v) => setRaised(v ?? 0)} />}
            </div>
            {heights === 'used' && factor !== null && inspection.storeys.length > 0 && (
                <Storeys inspection={inspection} control={control} factor={factor} raised={raised} />
            )}
            <InspectedLayers inspection={inspection} factor={factor} chosen={layers} onChosen={setLayers} />
            <section aria-label="Clearing up" className="grid sm:grid-cols-2">
                <CheckBox
                    label={`Dimensions and leaders too (${inspection.annotations})`}
                    checked={annotations}
                    disabled={inspection.annotations === 0}
                    onChecked={setAnnotations}
                />
                <CheckBox
                    label={`Clear away what is drawn twice (${inspection.duplicates})`}
                    checked={cleanUp.duplicates}
                    disabled={inspection.duplicates === 0}
                    onChecked={(duplicates) => setCleanUp({ ...cleanUp, duplicates })}
                />
                <CheckBox
                    label={`Clear away lines without length (${inspection.zeroLengths})`}
                    checked={cleanUp.zeroLengths}
                    disabled={inspection.zeroLengths === 0}
                    onChecked={(zeroLengths) => setCleanUp({ ...cleanUp, zeroLengths })}
                />
                <CheckBox
                    label={`Unite lines that lie along each other (${inspection.overlaps})`}
                    checked={cleanUp.overlaps}
                    disabled={inspection.overlaps === 0}
                    onChecked={(overlaps) => setCleanUp({ ...cleanUp, overlaps })}
                />
            </section>
            {inspection.remarks.length > 0 && (
                <Notice kind="caution">
                    {inspection.remarks.map((r) => (
                        <p key={r}>{r}</p>
                    ))}
                </Notice>
            )}
            <Failure of={work.error} />
            <WorkBar work={work} />
            <NextStep as={fitsElse ? 'says' : 'aside'}>
                {fitsElse ? (
                    <p className="font-semibold text-open">
                        ▲ Placed as drawn, and it fits the control {wordsOf(fitsElse, project.units.angle)}: “Place it so” above puts it
                        there.
                    </p>
                ) : (
                    <span className="text-quiet">Placed {placing.words}.</span>
                )}
            </NextStep>
            <Step
                busy={work.busy}
                why={
                    unit === ''
                        ? 'Choose its unit.'
                        : layers.size === 0
                          ? 'No layer is chosen.'
                          : heights === 'fixed' && fixed === null && 'It needs the elevation.'
                }
                onClick={() => void take()}
            >
                {work.busy ? 'Taking the drawing…' : `Take ${layers.size} ${layers.size === 1 ? 'layer' : 'layers'}`}
            </Step>
        </div>
    );
}

/** A revision is taken with the layers of the one before; else with those that the file shows. */
function firstChoice(inspection: Inspection, revises: Design | null): Set<string> {
    const before = revises && new Set(revises.layers.map((l) => l.name));
    return new Set(inspection.layers.filter((l) => (before ? before.has(l.name) : !l.off && !l.frozen)).map((l) => l.name));
}

function Size({ inspection, factor }: { inspection: Inspection; factor: number | null }) {
    const [west = 0, south = 0, east = 0, north = 0] = inspection.extent;
    if (factor === null) {
        return <Notice kind="caution">Choose the unit: the size of the work is then shown, and should be what you expect.</Notice>;
    }
    return (
        <>
            <Notice>
                That makes the work <Length of={(east - west) * factor} /> from west to east and <Length of={(north - south) * factor} />{' '}
                from south to north, about northing <Length of={((north + south) / 2) * factor} />, easting{' '}
                <Length of={((east + west) / 2) * factor} />. Is that so?
            </Notice>
            {inspection.strays.length > 0 && (
                <Notice kind="caution">
                    Far from the body of the work, and not shown with everything:{' '}
                    {inspection.strays.map((s) => (
                        <span key={s.layer}>
                            {s.count} on {s.layer} about northing <Length of={s.northing * factor} />, easting{' '}
                            <Length of={s.easting * factor} />.{' '}
                        </span>
                    ))}
                </Notice>
            )}
        </>
    );
}

function HeightRange({ inspection, factor }: { inspection: Inspection; factor: number | null }) {
    const [low, high] = inspection.heights;
    return low === undefined || high === undefined ? (
        <>All heights in the file are 0.</>
    ) : (
        <>
            The file’s heights run from <Length of={low * (factor ?? 1)} /> to <Length of={high * (factor ?? 1)} />.
        </>
    );
}

/** Where the storeys stand, beside the heights of the control: a datum of its own is seen before anything is staked. */
function Storeys({
    inspection,
    control,
    factor,
    raised,
}: {
    inspection: Inspection;
    control: ControlPoint[];
    factor: number;
    raised: number;
}) {
    const known = control.flatMap((c) => (c.elevation === null ? [] : [c.elevation]));
    const [low, high] = [Math.min(...known), Math.max(...known)];
    const heights = inspection.storeys.map((s) => s.height * factor + raised);
    const apart = known.length === 0 ? 0 : Math.max(Math.min(...heights) - high, low - Math.max(...heights));
    return (
        <>
            <p>
                Storeys, as placed:{' '}
                {inspection.storeys.map((s, i) => (
                    <span key={`${s.name} ${s.height}`}>
                        {i > 0 && ', '}
                        {s.name || 'without a name'} <Length of={s.height * factor + raised} />
                    </span>
                ))}
                .
                {known.length > 0 && (
                    <>
                        {' '}
                        The control lies from <Length of={low} /> to <Length of={high} />.
                    </>
                )}
            </p>
            {apart > FAR_IN_HEIGHT && (
                <Notice kind="caution">
                    No storey lies within <Length of={apart} /> of the control in height: the model counts its heights from another zero.
                    Ask which site height its zero is, and raise everything by it.
                </Notice>
            )}
        </>
    );
}

function Damage({ inspection }: { inspection: Inspection }) {
    return (
        <section aria-label="Damage and repairs" className="border-l-4 border-out pl-3">
            <p className="font-semibold">
                The file is damaged. What could be read of it is below; ask for it again if anything is missing.
            </p>
            <p>{inspection.damage}</p>
            <details>
                <summary className="min-h-12 cursor-pointer py-3">{inspection.repairs.length} repairs</summary>
                <Scroll label="Repairs" className="max-h-48 text-sm">
                    <ul>
                        {inspection.repairs.map((r) => (
                            <li key={r}>{r}.</li>
                        ))}
                    </ul>
                </Scroll>
            </details>
        </section>
    );
}
