import { useState } from 'react';
import { Link } from 'react-router';
import type { ControlPoint, Draft, Project, SetupState } from '../api/client';
import { useInstruments, useTargets } from '../api/hooks';
import { Equipment } from '../instrument/Equipment';
import { Button } from '../parts/Button';
import { CheckBox } from '../parts/CheckBox';
import { Choice, LengthField, NumberField } from '../parts/Field';
import { Length } from '../parts/Figure';
import { dateTime } from '../units/times';

interface Props {
    project: Project;
    draft: SetupState['draft'];
    control: ControlPoint[];
    /** what the instrument reads, hectopascal; null where it has none */
    barometer: number | null;
    onChange: (part: Partial<Draft>) => void;
}

/** Heights, target, prism and air. */
export function Conditions({ project, draft, control, barometer, onChange }: Props) {
    const targets = useTargets(project.id);
    const onMark = draft.method === 'known_backsight' || draft.method === 'known_direction';
    return (
        <div className="grid grid-cols-2 gap-3">
            {draft.airDue && <Air draft={draft} barometer={barometer} onChange={onChange} />}
            {onMark && (
                <div className="col-span-2">
                    <Choice
                        label="Instrument stands on"
                        value={String(draft.stationControlId ?? '')}
                        onValue={(id) => onChange({ stationControlId: id === '' ? null : Number(id) })}
                        options={[['', 'choose the control point'], ...control.map((c) => [String(c.id), c.name] as const)]}
                    />
                    <Link className="inline-flex min-h-11 items-center text-chalk underline" to={`/p/${project.id}/control`}>
                        A station that is only assumed is typed in Control
                    </Link>
                </div>
            )}
            {draft.heightMode === 'slanted' ? (
                <LengthField
                    key="slanted"
                    label="Instrument height, slanted"
                    value={draft.slantedHeight}
                    onValue={(m) => m !== null && onChange({ slantedHeight: m })}
                    hint={
                        <>
                            mark to notch; straight up that is <Length of={draft.instrumentHeight} />
                        </>
                    }
                />
            ) : (
                <LengthField
                    label="Instrument height"
                    value={draft.instrumentHeight}
                    onValue={(m) => m !== null && onChange({ instrumentHeight: m })}
                    hint="mark to axis, straight up"
                />
            )}
            <LengthField
                key={`target ${draft.targetId}`}
                label="Target height"
                value={draft.targetHeight}
                onValue={(m) => m !== null && onChange({ targetHeight: m })}
            />
            {(targets.data?.length ?? 0) > 0 && (
                <Choice
                    label="Target"
                    value={String(draft.targetId ?? '')}
                    onValue={(id) => id !== '' && onChange({ targetId: Number(id) })}
                    options={[
                        ['', 'none chosen'],
                        ...(targets.data ?? []).map((t) => [String(t.id), `${t.name}, ${(1000 * t.prismConstant).toFixed(1)} mm`] as const),
                    ]}
                />
            )}
            <NumberField
                key={`constant ${draft.targetId}`}
                label="Prism constant"
                unit="mm"
                value={Number((draft.prismConstant * 1000).toFixed(2))}
                onValue={(mm) => onChange({ prismConstant: mm / 1000 })}
            />
            {!draft.airDue && <Air draft={draft} barometer={barometer} onChange={onChange} />}
            <More project={project} draft={draft} onChange={onChange} />
        </div>
    );
}

/** hectopascal; 4 hPa make 1 ppm (common practice, no source) */
const BAROMETERS_AGREE = 4;

/** The air of the day: asked for at its first sight, and with its age beside it from then on. */
function Air({ draft, barometer, onChange }: Pick<Props, 'draft' | 'barometer' | 'onChange'>) {
    const { airMode, temperature, airAt, airDue } = draft;
    // Where the air is asked for, the instrument's own reading stands there to be confirmed; typed over, what was typed counts.
    const [taken, setTaken] = useState(false);
    const read = airMode === 'typed' ? null : barometer;
    const pressure = airDue && !taken && read !== null ? read : draft.pressure;
    // What stands in the fields is what is taken, whichever of them is typed.
    const tell = (part: Partial<Draft>) => onChange(airDue && airMode !== 'typed' ? { pressure, temperature, ...part } : part);
    const differs = !airDue && read !== null && Math.abs(read - draft.pressure) > BAROMETERS_AGREE;
    return (
        <section className={`col-span-2 grid grid-cols-2 gap-3 ${airDue ? 'border-2 border-open p-2' : ''}`} aria-label="Air">
            {airDue && (
                <div className="col-span-2 flex items-center gap-2">
                    <p className="min-w-0 flex-1">
                        How is the air? {airAt === null ? 'It was not told yet' : `It was told last on ${dateTime(airAt)}`}: distances would
                        be corrected by <span className="figure">{draft.ppm.toFixed(1)} ppm</span>.
                    </p>
                    <Button onClick={() => tell(airMode === 'typed' ? { ppm: draft.ppmTyped } : {})}>As below</Button>
                </div>
            )}
            {airMode === 'typed' ? (
                <NumberField label="Correction" unit="ppm" value={draft.ppmTyped} onValue={(ppm) => onChange({ ppm })} />
            ) : (
                <>
                    <NumberField
                        label="Pressure"
                        unit="hPa"
                        value={pressure}
                        onValue={(hPa) => {
                            setTaken(true);
                            tell({ pressure: hPa });
                        }}
                    />
                    <NumberField label="Temperature" unit="°C" value={temperature} onValue={(celsius) => tell({ temperature: celsius })} />
                </>
            )}
            {airDue && read !== null && <p className="col-span-2 text-quiet text-sm">The pressure is read from the instrument.</p>}
            {differs && (
                <div className="col-span-2 flex items-center gap-2">
                    <p className="min-w-0 flex-1 text-open">
                        The instrument reads <span className="figure">{read.toFixed(1)} hPa</span>.
                    </p>
                    <Button onClick={() => onChange({ pressure: read })}>Take it</Button>
                </div>
            )}
            {!airDue && airAt !== null && (
                <p className="col-span-2 text-quiet text-sm">
                    The air was told on {dateTime(airAt)}: <span className="figure">{draft.ppm.toFixed(1)} ppm</span>
                </p>
            )}
        </section>
    );
}

/** What is seldom changed: instrument, how its height and the air are told, scale. */
function More({ project, draft, onChange }: Pick<Props, 'project' | 'draft' | 'onChange'>) {
    const instruments = useInstruments(project.id);
    const instrument = instruments.data?.find((i) => i.id === draft.instrumentId);
    return (
        <details className="col-span-2">
            <summary className="min-h-12 cursor-pointer content-center">
                Instrument, targets, scale
                {draft.scale !== 1 && (
                    <>
                        : distances are scaled by <span className="figure">{draft.scale}</span>
                    </>
                )}
            </summary>
            <div className="grid grid-cols-2 gap-3 border-rule border-l-2 pl-3">
                <Choice
                    label="Instrument"
                    value={String(draft.instrumentId ?? '')}
                    onValue={(id) => id !== '' && onChange({ instrumentId: Number(id) })}
                    options={[
                        ['', 'as it says of itself'],
                        ...(instruments.data ?? []).map((i) => [String(i.id), `${i.name}, ${i.directionSeconds}″`] as const),
                    ]}
                />
                <Choice
                    label="Its height is measured"
                    value={draft.heightMode}
                    onValue={(heightMode) =>
                        onChange(heightMode === 'slanted' ? { heightMode, slantedHeight: draft.instrumentHeight } : { heightMode })
                    }
                    options={[
                        ['straight', 'straight up'],
                        ['slanted', instrument && instrument.notchRadius > 0 ? 'slanted, to the notch' : 'slanted (needs a notch radius)'],
                    ]}
                />
                <Choice
                    label="Correction of distances"
                    value={draft.airMode}
                    onValue={(airMode) => onChange({ airMode })}
                    options={[
                        ['air', 'from pressure and temperature'],
                        ['typed', 'typed, in ppm'],
                    ]}
                />
                {draft.airMode !== 'typed' && (
                    <NumberField
                        label="Humidity"
                        unit="%"
                        value={Number((draft.humidity * 100).toFixed(1))}
                        onValue={(percent) => onChange({ humidity: percent / 100 })}
                    />
                )}
                <NumberField label="Scale factor" unit="" value={draft.scale} onValue={(scale) => onChange({ scale })} />
                <NumberField
                    label="Coefficient of refraction"
                    unit="k"
                    value={draft.refraction}
                    onValue={(refraction) => onChange({ refraction })}
                />
                <div className="col-span-2">
                    <CheckBox label="Readings are of one face" checked={draft.oneFace} onChecked={(oneFace) => onChange({ oneFace })} />
                </div>
                <p className="col-span-2 text-quiet text-sm">
                    Curvature and refraction are in every height; by day k is about 0.14. One face weighs less than the mean of two, by the
                    root of two.
                </p>
                <div className="col-span-2">
                    <Equipment project={project} />
                </div>
            </div>
        </details>
    );
}
