import type { Mark } from '../api/client';
import { Against, Coordinates, Length, Sided } from '../parts/Figure';
import { Verdict } from '../parts/Verdict';
import { timeOfDay } from '../units/times';

/** A stored mark: what it is off by, and whether that is in. */
export function MarkResult({ mark, latest }: { mark: Mark; latest: boolean }) {
    const d = mark.deviation;
    return (
        <div className={`grid gap-1 border-t border-rule py-2 ${latest ? 'bg-wash' : ''}`} role={latest ? 'status' : undefined}>
            <div className="flex flex-wrap items-center justify-between gap-2">
                <span className="min-w-0 font-semibold [overflow-wrap:anywhere]">
                    {mark.name} <span className="font-normal text-quiet">{timeOfDay(mark.at)}</span>
                </span>
                <Verdict of={mark.verdict} judged={mark.kind === 'check' ? undefined : mark.judged} />
            </div>
            {mark.aimed && (
                <div className="text-sm">
                    {mark.aimed.name}
                    {mark.aimed.kind === 'line' && mark.aimed.along !== null && (
                        <>
                            {mark.aimed.parallelName && `, ${mark.aimed.parallelName}`}: <Length of={mark.aimed.along} /> from the start,{' '}
                            <Sided of={mark.aimed.right} side="line" />
                        </>
                    )}
                </div>
            )}
            {d ? (
                <div className="text-sm">
                    against {mark.kind === 'check' ? 'the control' : 'design'}:{' '}
                    <Against of={d} plan={mark.planTolerance} height={mark.heightTolerance} />
                    {mark.leftSo && <span className="text-quiet"> · left so on purpose</span>}
                </div>
            ) : (
                <div className="text-sm">
                    <Coordinates {...mark.found} />
                </div>
            )}
        </div>
    );
}
