import type { Mark } from '../api/client';
import { offsetWords } from '../civil/Offset';
import { verdictOf } from '../parts/conformity';
import { Against, Coordinates, Length, Sided } from '../parts/Figure';
import { METHODS } from '../parts/foundFrom';
import { besideWords } from '../parts/offsetShot';
import { Photographs } from '../parts/Photographs';
import { allowedOf } from '../parts/tolerance';
import { Uncertain } from '../parts/Uncertain';
import { Verdict } from '../parts/Verdict';
import { formatStation } from '../units/format';
import { timeOfDay } from '../units/times';
import { useUnits } from '../units/UnitsContext';
import { MeasuredAgain } from './MeasuredAgain';
import { UndoMark } from './UndoMark';

/** Where along and beside an alignment a mark was made. */
function Stationed({ aimed }: { aimed: NonNullable<Mark['aimed']> }) {
    const units = useUnits();
    return (
        <>
            : {formatStation(aimed.station ?? 0, units)}
            {(aimed.region ?? 1) > 1 && ` (region ${aimed.region})`}, {offsetWords(aimed.axisOffset ?? 0, units.length)}
        </>
    );
}

/** The parallel that a mark was made to, by its name and by how far beside the line it runs. */
function Parallel({ aimed }: { aimed: NonNullable<Mark['aimed']> }) {
    const { length } = useUnits();
    return (
        <>
            {aimed.parallelName && `, ${aimed.parallelName}`}
            {aimed.parallel !== 0 && ` (${offsetWords(aimed.parallel, length)} of it)`}
        </>
    );
}

interface Props {
    mark: Mark;
    /** just stored: undone at one touch */
    latest: boolean;
    project: number;
    onUndone?: () => void;
}

/** A stored mark: what it is off by, and whether that is in. */
export function MarkResult({ mark, latest, project, onUndone }: Props) {
    const d = mark.deviation;
    const { length } = useUnits();
    return (
        <div className={`grid gap-1 border-t border-rule py-2 ${latest ? 'bg-wash' : ''}`} role={latest ? 'status' : undefined}>
            <div className="flex flex-wrap items-center justify-between gap-2">
                <span className="min-w-0 font-semibold [overflow-wrap:anywhere]">
                    {mark.name} <span className="font-normal text-quiet">{timeOfDay(mark.measuredAt)}</span>
                </span>
                <Verdict
                    of={mark.kind === 'check' ? mark.verdict : verdictOf(mark)}
                    judged={mark.kind === 'check' ? undefined : mark.judged}
                />
                {latest && <UndoMark mark={mark} project={project} onUndone={onUndone} />}
            </div>
            {mark.aimed && (
                <div className="text-sm">
                    {mark.aimed.name}
                    {mark.aimed.kind === 'line' && mark.aimed.along !== null && (
                        <>
                            <Parallel aimed={mark.aimed} />: <Length of={mark.aimed.along} /> from the start,{' '}
                            <Sided of={mark.aimed.offset} side="line" />
                        </>
                    )}
                    {mark.aimed.station !== null && <Stationed aimed={mark.aimed} />}
                </div>
            )}
            {mark.foundFrom && <div className="text-sm">{METHODS[mark.foundFrom.shot.method].words}</div>}
            {mark.note !== '' && <div className="text-sm [overflow-wrap:anywhere]">“{mark.note}”</div>}
            {mark.offset && <div className="text-sm">measured {besideWords(mark.offset, length)}</div>}
            {d ? (
                <div className="text-sm">
                    against {mark.kind === 'check' ? 'the control' : 'design'}:{' '}
                    {mark.judged === 'height' && mark.kind !== 'check' ? (
                        // Where only the height counts there is nothing to be off by in plan.
                        <Sided
                            of={d.height}
                            side="grade"
                            allowed={mark.verdict === 'out' ? allowedOf(mark, d.height) : undefined}
                            none="no design here"
                        />
                    ) : (
                        <Against of={d} by={mark} />
                    )}
                    {mark.kind !== 'check' && (
                        <div className="text-quiet">
                            <Uncertain mark={mark} />
                        </div>
                    )}
                    {mark.leftSo && <span className="text-quiet"> · left so on purpose</span>}
                </div>
            ) : (
                <div className="text-sm">
                    <Coordinates {...mark.found} />
                </div>
            )}
            {latest && mark.kind !== 'check' && <MeasuredAgain project={project} mark={mark} />}
            <Photographs project={project} observation={mark.observationId} adding={latest} />
        </div>
    );
}
