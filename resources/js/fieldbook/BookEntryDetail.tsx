import type { BookEntry } from '../api/client';
import { verdictOf } from '../parts/conformity';
import { Against, AngleFigure, Coordinates, Length, Sided, SidedAngle } from '../parts/Figure';
import { METHODS } from '../parts/foundFrom';
import { besideWords } from '../parts/offsetShot';
import { Photographs } from '../parts/Photographs';
import { Uncertain } from '../parts/Uncertain';
import { Verdict } from '../parts/Verdict';
import { isUsed } from '../setups/residual';
import { useUnits } from '../units/UnitsContext';
import { MendReading } from './MendReading';
import { StrikeMark } from './StrikeMark';

/** What a line of the book rests on: raw reading, corrections, setup, design. */
export function BookEntryDetail({ entry, project }: { entry: BookEntry; project: number }) {
    const { reading, mark, setup } = entry;
    const { length } = useUnits();
    return (
        <div className="grid gap-2 border-l-4 border-chalk bg-paper px-5 py-3">
            {mark && (
                <dl className="grid grid-cols-[9rem_minmax(0,1fr)] gap-x-3 whitespace-normal">
                    <dt>found</dt>
                    <dd>
                        <Coordinates {...mark.found} />
                    </dd>
                    {mark.foundFrom && (
                        <>
                            <dt>several shots</dt>
                            <dd>
                                {METHODS[mark.foundFrom.shot.method].words}
                                {mark.foundFrom.shot.first ? (
                                    <>
                                        : <Length of={mark.foundFrom.shot.first} />
                                    </>
                                ) : null}
                                {mark.foundFrom.shot.second ? (
                                    <>
                                        , <Length of={mark.foundFrom.shot.second} />
                                    </>
                                ) : null}
                            </dd>
                        </>
                    )}
                    {mark.offset && (
                        <>
                            <dt>offset shot</dt>
                            <dd>{besideWords(mark.offset, length)}</dd>
                        </>
                    )}
                    <dt>design</dt>
                    <dd>{mark.design ? <Coordinates {...mark.design} /> : 'none'}</dd>
                    {mark.deviation && (
                        <>
                            <dt>against design</dt>
                            <dd>
                                <Against of={mark.deviation} by={mark} />{' '}
                                <Verdict of={mark.kind === 'check' ? mark.verdict : verdictOf(mark)} />
                            </dd>
                        </>
                    )}
                    {mark.conformance && (
                        <>
                            <dt>uncertain by</dt>
                            <dd>
                                <Uncertain mark={mark} />
                            </dd>
                        </>
                    )}
                    {mark.note !== '' && (
                        <>
                            <dt>note</dt>
                            <dd className="[overflow-wrap:anywhere]">{mark.note}</dd>
                        </>
                    )}
                    <dt>setup</dt>
                    <dd>{mark.setupNumber}</dd>
                </dl>
            )}
            {reading && (
                <dl className="grid grid-cols-[9rem_minmax(0,1fr)] gap-x-3 whitespace-normal">
                    <dt>raw reading</dt>
                    <dd>
                        Hz <AngleFigure of={reading.circle} /> · V <AngleFigure of={reading.zenith} /> · SD <Length of={reading.slope} />{' '}
                        (with {reading.ppmApplied.toFixed(1)} ppm and {(reading.prismConstantApplied * 1000).toFixed(1)} mm applied by the
                        instrument)
                    </dd>
                    <dt>corrections</dt>
                    <dd>
                        {reading.pressure.toFixed(1)} hPa, {reading.temperature.toFixed(1)} °C: {reading.ppm.toFixed(1)} ppm; prism{' '}
                        {(reading.prismConstant * 1000).toFixed(1)} mm; target height <Length of={reading.targetHeight} />
                    </dd>
                    <dt>reduced</dt>
                    <dd>
                        horizontal distance <Length of={reading.distance} /> · axis to prism <Length of={reading.rise} />
                    </dd>
                    <dt>instrument</dt>
                    <dd>{reading.instrument}</dd>
                </dl>
            )}
            {reading && <Photographs project={project} observation={reading.id} adding />}
            {mark && <StrikeMark project={project} mark={mark} />}
            {reading && <MendReading project={project} reading={reading} />}
            {setup && (
                <div>
                    <Coordinates {...setup.setup} /> · instrument height <Length of={setup.setup.instrumentHeight} />
                    {setup.setup.note !== '' && <div className="font-sans">{setup.setup.note}</div>}
                    {setup.residuals.map((r) => (
                        <div key={r.name}>
                            {r.name}
                            {isUsed(r) ? '' : ' (not used)'}: direction <SidedAngle of={r.direction} side="across" />, across{' '}
                            <Sided of={r.across} side="across" />, distance <Sided of={r.distance} side="length" />, height{' '}
                            <Sided of={r.height} side="height" />
                        </div>
                    ))}
                    {setup.cautions.map((c) => (
                        <div key={c} className="font-sans text-open">
                            {c}
                        </div>
                    ))}
                </div>
            )}
        </div>
    );
}
