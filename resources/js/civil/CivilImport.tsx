import { useState } from 'react';
import { api, ask, type Project, type Schemas } from '../api/client';
import { useWork } from '../api/work';
import { Button } from '../parts/Button';
import { CheckBox } from '../parts/CheckBox';
import { Choice, TextField } from '../parts/Field';
import { Length } from '../parts/Figure';
import { Failure, Notice } from '../parts/Notice';
import { Step } from '../parts/Step';
import { WorkBar } from '../parts/WorkBar';
import { formatStation } from '../units/format';
import { METRES, UNIT_NAMES, type Unit } from '../units/names';
import { useUnits } from '../units/UnitsContext';
import { Remarks } from './Remarks';

type Inspection = Schemas['ModelInspection'];
type Fit = Schemas['ModelFit'];

interface Props {
    project: Project;
    file: Schemas['Upload'];
    inspection: Inspection;
    /** the points of the file are a list, and are read as one */
    onPoints: () => void;
    onDone: () => void;
}

/** Before a civil model is taken: what it holds, in which unit, how it lies to the control, and what of it is wanted. */
export function CivilImport({ project, file, inspection: i, onPoints, onDone }: Props) {
    const [unit, setUnit] = useState<Unit | ''>(i.declaredUnit ?? '');
    const [exchanged, setExchanged] = useState(false);
    const [name, setName] = useState(file.fileName.replace(/\.(xml|landxml)$/i, ''));
    const [alignments, setAlignments] = useState<ReadonlySet<number>>(new Set(i.alignments.keys()));
    const [surfaces, setSurfaces] = useState<ReadonlySet<number>>(new Set(i.surfaces.keys()));
    const hasLines = i.features > 0 || i.surfaces.some((s) => s.lines > 0);
    const [lines, setLines] = useState(hasLines);
    const work = useWork(project.id);
    // Figures were read in the unit the file says, or as metres.
    const factor = unit === '' ? 1 : METRES[unit] / METRES[i.unit];
    const count = alignments.size + surfaces.size + (lines && hasLines ? 1 : 0);
    const take = async () => {
        const body = {
            upload: file.upload,
            name,
            unit: unit as Unit,
            exchanged,
            alignments: [...alignments],
            surfaces: [...surfaces],
            lines,
        };
        const done = await work.run(
            ask(api.POST('/api/v1/projects/{project}/models', { params: { path: { project: project.id } }, body })),
        );
        if (done) {
            onDone();
        }
    };
    const empty = i.alignments.length + i.surfaces.length === 0 && !hasLines;
    const toggle = (set: ReadonlySet<number>, k: number, on: boolean) => new Set(on ? [...set, k] : [...set].filter((x) => x !== k));
    return (
        <div className="grid gap-4">
            <p className="text-sm text-quiet">
                LandXML {i.version}
                {i.application && `, written by ${i.application}`}: {held(i).join(', ') || 'nothing that can be read'}.
            </p>
            <div className="grid gap-3 sm:grid-cols-2">
                <TextField label="Name of this model" value={name} onValue={setName} />
                <Choice
                    label="Drawn in"
                    value={unit}
                    onValue={setUnit}
                    options={[
                        ...(unit === '' ? [['', 'choose the unit'] as const] : []),
                        ...(Object.entries(UNIT_NAMES) as [Unit, string][]),
                    ]}
                    hint={i.declaredUnit ? `The file says ${UNIT_NAMES[i.declaredUnit]}.` : 'The file does not say its unit.'}
                />
            </div>
            <FitToControl
                inspection={i}
                unit={unit}
                exchanged={exchanged}
                onFit={(f) => {
                    setUnit(f.unit);
                    setExchanged(f.exchanged);
                }}
            />
            {i.points > 0 && (
                <div className="flex flex-wrap items-center gap-3 border-rule border-b pb-2">
                    <span className="flex-1">
                        <b>{i.points} points</b> with their names and codes
                    </span>
                    <Button onClick={onPoints}>Take the points</Button>
                </div>
            )}
            {i.alignments.length > 0 && (
                <section aria-label="Alignments">
                    <h3 className="font-semibold">Alignments</h3>
                    {i.alignments.map((a, k) => (
                        <AlignmentRow
                            // biome-ignore lint/suspicious/noArrayIndexKey: names may stand twice, and the list never changes
                            key={k}
                            alignment={a}
                            factor={factor}
                            taken={alignments.has(k)}
                            onTaken={(on) => setAlignments(toggle(alignments, k, on))}
                        />
                    ))}
                </section>
            )}
            {i.surfaces.length > 0 && (
                <section aria-label="Surfaces">
                    <h3 className="font-semibold">Surfaces</h3>
                    {i.surfaces.map((s, k) => (
                        // biome-ignore lint/suspicious/noArrayIndexKey: names may stand twice, and the list never changes
                        <div key={k} className="border-rule border-b py-1">
                            <CheckBox
                                label={s.name || 'without a name'}
                                checked={surfaces.has(k)}
                                onChecked={(on) => setSurfaces(toggle(surfaces, k, on))}
                            />
                            <p className="text-sm text-quiet">
                                {s.triangles} triangles of {s.points} points, from <Length of={s.lowest * factor} /> to{' '}
                                <Length of={s.highest * factor} />, <Length of={((s.extent[2] ?? 0) - (s.extent[0] ?? 0)) * factor} /> by{' '}
                                <Length of={((s.extent[3] ?? 0) - (s.extent[1] ?? 0)) * factor} />
                                {s.lines > 0 && `, made from ${s.lines} lines`}
                            </p>
                            <Remarks of={s.remarks} />
                        </div>
                    ))}
                </section>
            )}
            {hasLines && (
                <CheckBox
                    label={`Lines that can be touched${i.features > 0 ? `: ${i.features} plan features` : ''}${i.surfaces.some((s) => s.lines > 0) ? ', breaklines and boundaries' : ''}`}
                    checked={lines}
                    onChecked={setLines}
                />
            )}
            {i.counts.map((c) => (
                <p key={c.what} className="text-sm text-quiet">
                    {c.count} {c.what}: {c.goes}
                </p>
            ))}
            <Remarks of={i.remarks} />
            {empty && (
                <Notice kind="caution">
                    {i.points > 0
                        ? 'It holds points alone. They are read as a list.'
                        : 'It holds no points, alignments, surfaces or plan features that can be read. Ask for an export that has them.'}
                </Notice>
            )}
            <WorkBar work={work} />
            <Failure of={work.error} />
            {!empty && (
                <Step
                    busy={work.busy}
                    why={unit === '' ? 'Choose the unit first.' : count === 0 ? 'Choose what is taken.' : null}
                    onClick={() => void take()}
                >
                    Take it
                </Step>
            )}
        </div>
    );
}

function held(i: Inspection): string[] {
    const n = (count: number, one: string, many: string) => (count === 0 ? [] : [count === 1 ? `one ${one}` : `${count} ${many}`]);
    const profiles = i.alignments.reduce((sum, a) => sum + a.profiles.length + a.grounds.length, 0);
    const sections = i.alignments.filter((a) => a.sections.length > 0).length;
    return [
        ...n(i.points, 'point', 'points'),
        ...n(i.alignments.length, 'alignment', 'alignments'),
        ...n(profiles, 'profile', 'profiles'),
        ...n(sections, 'alignment with cross-sections', 'alignments with cross-sections'),
        ...n(i.surfaces.length, 'surface', 'surfaces'),
        ...n(i.features, 'plan feature', 'plan features'),
    ];
}

interface FitProps {
    inspection: Inspection;
    unit: Unit | '';
    exchanged: boolean;
    onFit: (fit: Fit) => void;
}

/** Whether it lies where the control is, as it is read now or otherwise. */
function FitToControl({ inspection: i, unit, exchanged, onFit }: FitProps) {
    if (i.controlTried === 0) {
        return <p className="text-sm text-quiet">Without control nothing says whether it lies where it should.</p>;
    }
    const now = i.fits.find((f) => f.unit === unit && f.exchanged === exchanged);
    const best = i.fits[0];
    const better = best && (!now || best.same > now.same) ? best : null;
    const words = (f: Fit) => `${UNIT_NAMES[f.unit]}${f.exchanged ? ', easting written first' : ''}`;
    return (
        <div className="grid gap-2">
            {now ? (
                <p className="text-sm">
                    {now.same > 0 ? (
                        <>
                            {now.same} points of one name lie where the control is, <Length of={now.worst ?? 0} /> apart at most.
                        </>
                    ) : (
                        `It lies where the control is: ${now.near} of ${i.controlTried} marks are in or beside it.`
                    )}
                </p>
            ) : (
                <Notice kind="caution">
                    {best
                        ? 'Read like this it lies elsewhere than the control.'
                        : `It lies elsewhere than the control, however it is read. Check that it is the model of this site.`}
                </Notice>
            )}
            {better && (
                <Button className="self-start" onClick={() => onFit(better)}>
                    Read it in {words(better)}: then it fits
                </Button>
            )}
            {exchanged && <p className="text-sm text-open">Its coordinates are read easting first, against the standard.</p>}
        </div>
    );
}

interface RowProps {
    alignment: Schemas['InspectedAlignment'];
    factor: number;
    taken: boolean;
    onTaken: (on: boolean) => void;
}

function AlignmentRow({ alignment: a, factor, taken, onTaken }: RowProps) {
    const units = useUnits();
    const parts = [
        `${a.elements} elements`,
        a.equations > 0 ? `${a.equations} station ${a.equations === 1 ? 'equation' : 'equations'}` : '',
        a.profiles.length > 0 ? `profile ${a.profiles.join(', ')}` : '',
        a.grounds.length > 0 ? `ground ${a.grounds.join(', ')}` : '',
        a.sections.length > 0 ? `sections ${a.sections.join(', ')}` : '',
    ].filter(Boolean);
    return (
        <div className="border-rule border-b py-1">
            <CheckBox label={a.name || 'without a name'} checked={taken} onChecked={onTaken} />
            <p className="text-sm text-quiet">
                <Length of={a.length * factor} />, {formatStation(a.from * factor, units)} to {formatStation(a.to * factor, units)};{' '}
                {parts.join('; ')}
            </p>
            <Remarks of={a.remarks} />
        </div>
    );
}
