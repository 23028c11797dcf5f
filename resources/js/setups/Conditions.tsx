import { useEffect, useRef, useState } from 'react';
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

/** Heights, air, target and prism. */
export function Conditions({ project, draft, control, barometer, onChange }: Props) {
    const targets = useTargets(project.id);
    const onMark = draft.method === 'known_backsight' || draft.method === 'known_direction';
    return (
        <div className="grid grid-cols-2 gap-3">
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
            <HeightsAndAir draft={draft} barometer={barometer} onChange={onChange} />
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
            <More project={project} draft={draft} onChange={onChange} />
        </div>
    );
}

/** The instrument's height as it was measured: slanted, or straight up. */
export const heightAsItStands = (draft: Props['draft']): Partial<Draft> =>
    draft.heightMode === 'slanted' ? { slantedHeight: draft.slantedHeight } : { instrumentHeight: draft.instrumentHeight };

type Told = Pick<Props, 'draft' | 'barometer' | 'onChange'>;

/** What is measured anew for each setup: told by typing it, or what is still untold all at one touch. It stays in its place, so that nobody is thrown out of a field by having told it. */
function HeightsAndAir({ draft, barometer, onChange }: Told) {
    // What was typed may still be on its way: it is not said again as it was before.
    const typed = useRef(new Set<string>());
    const tell = (part: Partial<Draft>) => {
        for (const field of Object.keys(part)) {
            typed.current.add(field);
        }
        onChange(part);
    };
    const { airDue, heightDue, targetDue } = draft;
    const untold: Partial<Draft> = {
        ...(heightDue ? heightAsItStands(draft) : {}),
        ...(targetDue ? { targetHeight: draft.targetHeight } : {}),
        ...(!airDue ? {} : draft.airMode === 'typed' ? { ppm: draft.ppmTyped } : airAsItStands(draft, barometer)),
    };
    const due = airDue || heightDue || targetDue;
    // biome-ignore lint/correctness/useExhaustiveDependencies: what was told has arrived
    useEffect(() => typed.current.clear(), [airDue, heightDue, targetDue]);
    return (
        <section className={`col-span-2 grid grid-cols-2 gap-3 ${due ? 'border-2 border-open p-2' : ''}`} aria-label="Heights and air">
            {due && (
                <div className="col-span-2 flex items-center gap-2">
                    <p className="min-w-0 flex-1">
                        {(heightDue || targetDue) && 'Heights in grey are only those used last: measure them. '}
                        {airDue && (
                            <>
                                How is the air?{' '}
                                {draft.airAt === null ? 'It was not told yet' : `It was told last on ${dateTime(draft.airAt)}`}: distances
                                would be corrected by <span className="figure">{draft.ppm.toFixed(1)} ppm</span>.
                            </>
                        )}
                    </p>
                    <Button
                        onClick={() => onChange(Object.fromEntries(Object.entries(untold).filter(([field]) => !typed.current.has(field))))}
                    >
                        As below
                    </Button>
                </div>
            )}
            <Heights draft={draft} onChange={tell} />
            <Air draft={draft} barometer={barometer} onChange={tell} />
        </section>
    );
}

function Heights({ draft, onChange }: Pick<Props, 'draft' | 'onChange'>) {
    return (
        <>
            {draft.heightMode === 'slanted' ? (
                <LengthField
                    key="slanted"
                    label="Instrument height, slanted"
                    value={draft.slantedHeight}
                    untold={draft.heightDue}
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
                    untold={draft.heightDue}
                    onValue={(m) => m !== null && onChange({ instrumentHeight: m })}
                    hint="mark to axis, straight up"
                />
            )}
            <LengthField
                key={`target ${draft.targetId}`}
                label="Target height"
                value={draft.targetHeight}
                untold={draft.targetDue}
                onValue={(m) => m !== null && onChange({ targetHeight: m })}
            />
        </>
    );
}

/** hectopascal; 4 hPa make 1 ppm (common practice, no source) */
const BAROMETERS_AGREE = 4;

/** What stands in the fields of the air: where it is asked for, the instrument's own reading of the pressure. */
const airAsItStands = (draft: Told['draft'], barometer: number | null) => ({
    pressure: barometer ?? draft.pressure,
    temperature: draft.temperature,
});

/** The air of the day: asked for at its first sight, and with its age beside it from then on. */
function Air({ draft, barometer, onChange }: Told) {
    const { airMode, airAt, airDue } = draft;
    // Where the air is asked for, the instrument's own reading stands there to be confirmed; typed over, what was typed counts.
    const [taken, setTaken] = useState(false);
    const read = airMode === 'typed' ? null : barometer;
    const stands = airAsItStands(draft, airDue && !taken ? read : null);
    // What stands in the fields is what is taken, whichever of them is typed.
    const tell = (part: Partial<Draft>) => onChange(airDue && airMode !== 'typed' ? { ...stands, ...part } : part);
    const differs = !airDue && read !== null && Math.abs(read - draft.pressure) > BAROMETERS_AGREE;
    return (
        <>
            {airMode === 'typed' ? (
                <NumberField label="Correction" unit="ppm" value={draft.ppmTyped} onValue={(ppm) => onChange({ ppm })} />
            ) : (
                <>
                    <NumberField
                        label="Pressure"
                        unit="hPa"
                        value={stands.pressure}
                        onValue={(hPa) => {
                            setTaken(true);
                            tell({ pressure: hPa });
                        }}
                    />
                    <NumberField
                        label="Temperature"
                        unit="°C"
                        value={stands.temperature}
                        onValue={(celsius) => tell({ temperature: celsius })}
                    />
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
        </>
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
