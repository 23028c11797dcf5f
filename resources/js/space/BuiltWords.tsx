import type { Schemas } from '../api/client';
import { Deviation, Length } from '../parts/Figure';
import { Verdict } from '../parts/Verdict';
import { formatDeviation } from '../units/format';
import { useUnits } from '../units/UnitsContext';

type BuiltPart = Schemas['BuiltPart'];

const CONFORMS = { inside: 'in', outside: 'out', close: 'close' } as const;

/** Whether it is as plumb or as flat as the project asks for. */
function Conforms({ what, is }: { what: string; is: BuiltPart['plumbConforms'] }) {
    return is ? (
        <span>
            {what}: <Verdict of={CONFORMS[is]} />
        </span>
    ) : null;
}

/** How a face or an axis was built: how far before it, how flat, how far out of plumb. */
export function BuiltWords({ part }: { part: BuiltPart }) {
    const { length } = useUnits();
    const side = (v: number) => `${formatDeviation(Math.abs(v), length)} ${v < 0 ? 'behind' : 'in front'}`;
    return (
        <div className="border-t border-rule py-2">
            <div className="font-semibold [overflow-wrap:anywhere]">{part.name}</div>
            {part.kind === 'face' && part.least !== null && part.most !== null && part.mean !== null && (
                <p>
                    {part.shots.length === 1 ? '1 shot' : `${part.shots.length} shots`}: from{' '}
                    <span className="figure">{side(part.least)}</span> to <span className="figure">{side(part.most)}</span>, on average{' '}
                    <span className="figure">{side(part.mean)}</span>.{' '}
                    {part.bow === null ? (
                        part.shots.length < 4 && <span className="text-quiet">Four shots say how flat it is.</span>
                    ) : (
                        <>
                            Flat within <Deviation of={part.bow} />, about the plane that fits best
                            {part.bowByChance !== null && (
                                <>
                                    ; {part.bow > part.bowByChance ? 'a' : 'that proves nothing: a'} flat one shows up to{' '}
                                    <Deviation of={part.bowByChance} /> by the shots alone (95 %)
                                </>
                            )}
                            .
                        </>
                    )}
                </p>
            )}
            {(part.plumbConforms || part.flatConforms) && (
                <p className="flex flex-wrap gap-x-4">
                    <Conforms what="plumb" is={part.plumbConforms} />
                    <Conforms what="flat" is={part.flatConforms} />
                </p>
            )}
            {part.kind === 'axis' && (
                <p>
                    {part.shots.map((s, i) => (
                        <span key={s.markId}>
                            {i > 0 && '; '}
                            <Deviation of={s.before} /> off at <Length of={s.elevation} />
                        </span>
                    ))}
                </p>
            )}
            {part.leans.length > 0 ? (
                <p>
                    Out of plumb{' '}
                    {part.leans.map((l, i) => (
                        <span key={l.toward}>
                            {i > 0 && ', '}
                            <Deviation of={l.metres} /> {l.toward}
                        </span>
                    ))}{' '}
                    over <Length of={part.height} />
                    {part.oneIn !== null && `: 1 in ${Math.round(part.oneIn).toLocaleString('en')}`}
                    {part.uncertain !== null && (
                        <>
                            , ± <Deviation of={part.uncertain} /> (95 %)
                        </>
                    )}
                    .{part.oneIn === null && ' That proves nothing: the shots may be wrong by more. Shoot it farther above and below.'}
                </p>
            ) : (
                part.kind === 'axis' && <p className="text-quiet">A second shot, well above or below, says how far out of plumb.</p>
            )}
            {part.turn !== null && part.turnUncertain !== null && (
                <p>
                    Turned in plan by <Deviation of={Math.abs(part.turn)} /> over <Length of={part.length} />, ±{' '}
                    <Deviation of={part.turnUncertain} />: that is no lean.
                </p>
            )}
        </div>
    );
}
