import { useState } from 'react';
import { api, ask, type ControlPoint, type Project, type Schemas, type Units } from '../api/client';
import { Button } from '../parts/Button';
import { CheckBox } from '../parts/CheckBox';
import { Choice, LengthField, NumberField } from '../parts/Field';
import { AngleFigure, Length } from '../parts/Figure';
import { Failure, Notice } from '../parts/Notice';
import { formatAngle } from '../units/format';
import { UNIT_NAMES, type Unit } from '../units/names';
import type { Inspection } from './inspection';

type Fit = Schemas['FitEntry'];
type Placement = Schemas['PlacementChosen'];

export interface Placing {
    placement: Placement | null;
    words: string;
}

interface Props {
    project: Project;
    control: ControlPoint[];
    inspection: Inspection;
    unit: Unit | '';
    /** metres in one of it; null where none is chosen */
    factor: number | null;
    onUnit: (unit: Unit) => void;
    placing: Placing;
    onPlacing: (placing: Placing) => void;
}

export function wordsOf(fit: Fit, angle: Units['angle']): string {
    const how = fit.asDrawn
        ? 'as drawn'
        : fit.placement.exchanged
          ? 'with northing and easting exchanged'
          : `turned by ${formatAngle(fit.rotation, angle)} and shifted`;
    return `in ${UNIT_NAMES[fit.unit]}, ${how}`;
}

/** Whether the drawing, as it is drawn, overlaps what the control surrounds. */
function liesAmong(control: ControlPoint[], extent: number[], factor: number): boolean {
    const [west = 0, south = 0, east = 0, north = 0] = extent.map((v) => v * factor);
    const eastings = control.map((c) => c.easting);
    const northings = control.map((c) => c.northing);
    return (
        west <= Math.max(...eastings) && east >= Math.min(...eastings) && south <= Math.max(...northings) && north >= Math.min(...northings)
    );
}

/** Does the drawing fit the control? As it is, in another unit, exchanged, or shifted and turned; and how it is to be placed. */
export function DrawingFit(props: Props) {
    const { control, inspection, unit, onUnit, placing, onPlacing } = props;
    const [way, setWay] = useState<'fit' | 'pairs' | 'typed'>('fit');
    const { angle } = props.project.units;
    const best = inspection.fits[0];
    const tried = inspection.controlTried + inspection.crossingsTried;
    const triedWords = [
        inspection.controlTried > 0 ? `${inspection.controlTried} control points` : '',
        inspection.crossingsTried > 0 ? `${inspection.crossingsTried} grid crossings` : '',
    ]
        .filter((w) => w !== '')
        .join(' and ');
    const settled = best?.asDrawn && best.unit === unit;
    return (
        <section aria-label="Does it fit?" className="grid gap-2 border-2 border-ink p-3">
            <h3 className="font-semibold">Does it fit the control?</h3>
            {tried === 0 && (
                <p>There is no control yet to try it against. Bring the control in first, and this drawing can prove itself.</p>
            )}
            {tried > 0 && !best && (
                <p>
                    {props.factor === null
                        ? 'Nothing in it proves where it lies: '
                        : control.length > 0 && liesAmong(control, inspection.extent, props.factor)
                          ? 'As drawn it lies among the control, as it should. Nothing in it proves it to the millimetre: '
                          : 'As drawn it lies away from the control: '}
                    none of {triedWords} falls on a point, circle, text or crossing of the drawing, as drawn, in another unit, exchanged, or
                    shifted and turned.
                </p>
            )}
            {inspection.fits.length > 1 && (
                <Notice kind="caution">It fits in {inspection.fits.length} ways equally well. Only you can say which is right.</Notice>
            )}
            <ul>
                {inspection.fits.map((fit) => {
                    const chosen = fit.unit === unit && placing.words === wordsOf(fit, angle);
                    return (
                        <li key={wordsOf(fit, angle)} className="border-b border-rule py-2">
                            <div className="flex flex-wrap items-center gap-3">
                                <span className="min-w-60 flex-1">
                                    It fits <b>{wordsOf(fit, angle)}</b>: {fit.matches.length} of {triedWords} fall on the drawing within{' '}
                                    <Length of={fit.rms} /> (root mean square).
                                    {fit.doubtful && ' So few among so many spots may be mere chance.'}
                                </span>
                                <Button
                                    pressed={chosen || (settled && fit === best && placing.placement === null)}
                                    onClick={() => {
                                        onUnit(fit.unit);
                                        onPlacing({ placement: fit.asDrawn ? null : fit.placement, words: wordsOf(fit, angle) });
                                    }}
                                >
                                    Place it so
                                </Button>
                            </div>
                            <details>
                                <summary className="min-h-12 cursor-pointer py-3 text-sm text-quiet">Residual at each</summary>
                                <Matches fit={fit} />
                            </details>
                        </li>
                    );
                })}
            </ul>
            <div className="flex flex-wrap gap-2">
                <Button
                    pressed={placing.placement === null && way === 'fit'}
                    onClick={() => {
                        setWay('fit');
                        onPlacing({ placement: null, words: 'as drawn' });
                    }}
                >
                    As drawn
                </Button>
                <Button pressed={way === 'pairs'} disabled={inspection.controlTried < 2} onClick={() => setWay('pairs')}>
                    By matched points
                </Button>
                <Button pressed={way === 'typed'} onClick={() => setWay('typed')}>
                    By typed shift and rotation
                </Button>
            </div>
            {way === 'pairs' && <ByPairs {...props} />}
            {way === 'typed' && <Typed {...props} />}
        </section>
    );
}

function Matches({ fit }: { fit: Fit }) {
    return (
        <table className="list">
            <thead>
                <tr>
                    <th>control</th>
                    <th>falls on</th>
                    <th className="n">off by</th>
                </tr>
            </thead>
            <tbody>
                {fit.matches.map((m) => (
                    <tr key={m.name}>
                        <td>{m.name}</td>
                        <td>
                            {m.what}
                            {m.named && ' of the same name'}
                        </td>
                        <td className="n">
                            <Length of={m.residual} />
                        </td>
                    </tr>
                ))}
            </tbody>
        </table>
    );
}

/** Two or more control points and where the drawing has them, in drawing units. */
function ByPairs({ project, control, inspection, unit, onPlacing }: Props) {
    const [pairs, setPairs] = useState<{ controlId: number; x: number; y: number }[]>(() =>
        (inspection.fits[0]?.matches ?? []).flatMap((m) => {
            const c = control.find((k) => k.name === m.name);
            return c ? [{ controlId: c.id, x: m.x, y: m.y }] : [];
        }),
    );
    const [withScale, setWithScale] = useState(false);
    const [holdFirst, setHoldFirst] = useState(false);
    const held = holdFirst && pairs.length === 2 && !withScale;
    const [result, setResult] = useState<Schemas['PlacementFound'] | null>(null);
    const [error, setError] = useState<Error | null>(null);
    const compute = async () => {
        setError(null);
        try {
            const found = await ask(
                api.POST('/api/v1/projects/{project}/compute-placement', {
                    params: { path: { project: project.id } },
                    body: { unit: unit as Unit, pairs, withScale, holdFirst: held, typed: null },
                }),
            );
            setResult(found);
            onPlacing({
                placement: found.placement,
                words: `by ${pairs.length} matched points${held ? ', the first held' : ''}, turned by ${formatAngle(found.rotation, project.units.angle)}${withScale ? `, scale ${found.scale.toFixed(6)}` : ''}`,
            });
        } catch (e) {
            setError(e as Error);
        }
    };
    const set = (i: number, part: Partial<(typeof pairs)[number]>) => setPairs(pairs.map((p, k) => (k === i ? { ...p, ...part } : p)));
    return (
        <div className="grid gap-2">
            <p className="text-sm text-quiet">
                Name each control point and where the drawing has it, in drawing units: x to the right, y up.
            </p>
            {pairs.map((p, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: pairs have no other name while they are being typed
                <div key={i} className="grid grid-cols-[1fr_1fr_1fr_auto] items-end gap-2">
                    <Choice
                        label="Control point"
                        value={String(p.controlId)}
                        onValue={(id) => set(i, { controlId: Number(id) })}
                        options={control.map((c) => [String(c.id), c.name] as const)}
                    />
                    <NumberField label="x" unit={unit || 'drawing units'} value={p.x} onValue={(x) => set(i, { x })} />
                    <NumberField label="y" unit={unit || 'drawing units'} value={p.y} onValue={(y) => set(i, { y })} />
                    <div className="flex items-center gap-2">
                        {result?.residuals[i] !== undefined && (
                            <span className="text-sm">
                                off by <Length of={result.residuals[i]} />
                            </span>
                        )}
                        <Button onClick={() => setPairs(pairs.filter((_, k) => k !== i))}>Take out</Button>
                    </div>
                </div>
            ))}
            <div className="flex flex-wrap items-center gap-2">
                <Button
                    onClick={() =>
                        setPairs([...pairs, { controlId: control[pairs.length % Math.max(1, control.length)]?.id ?? 0, x: 0, y: 0 }])
                    }
                >
                    Add a pair
                </Button>
                <CheckBox label="Scale it too" checked={withScale} onChecked={setWithScale} />
                {pairs.length === 2 && !withScale && (
                    <CheckBox
                        label="Hold the first, take only the direction from the second"
                        checked={holdFirst}
                        onChecked={setHoldFirst}
                    />
                )}
                <Button disabled={pairs.length < 2 || unit === ''} onClick={() => void compute()}>
                    Work it out
                </Button>
            </div>
            {result && (
                <p>
                    Turned by <AngleFigure of={result.rotation} /> clockwise, scale{' '}
                    <span className="figure">{result.scale.toFixed(6)}</span>.
                </p>
            )}
            <Failure of={error} />
        </div>
    );
}

function Typed({ project, unit, onPlacing }: Props) {
    const [shift, setShift] = useState<{ north: number | null; east: number | null }>({ north: 0, east: 0 });
    const [turn, setTurn] = useState(0);
    const [error, setError] = useState<Error | null>(null);
    const apply = async () => {
        setError(null);
        try {
            const found = await ask(
                api.POST('/api/v1/projects/{project}/compute-placement', {
                    params: { path: { project: project.id } },
                    body: {
                        unit: (unit || 'm') as Unit,
                        pairs: [],
                        withScale: false,
                        typed: { dNorthing: shift.north ?? 0, dEasting: shift.east ?? 0, rotation: (turn * Math.PI) / 180 },
                    },
                }),
            );
            onPlacing({ placement: found.placement, words: `turned by ${turn}° and shifted as typed` });
        } catch (e) {
            setError(e as Error);
        }
    };
    return (
        <div className="grid gap-2 sm:grid-cols-4 sm:items-end">
            <LengthField label="Shift north" value={shift.north} onValue={(north) => setShift((s) => ({ ...s, north }))} />
            <LengthField label="Shift east" value={shift.east} onValue={(east) => setShift((s) => ({ ...s, east }))} />
            <NumberField label="Turn clockwise about its origin" unit="degrees" value={turn} onValue={setTurn} />
            <Button onClick={() => void apply()}>Place it so</Button>
            <Failure of={error} />
        </div>
    );
}
