import type { Schemas } from '../api/client';
import { Deviation } from '../parts/Figure';
import { Notice } from '../parts/Notice';
import { timeOfDay } from '../units/times';

const WIDTH = 360;
const HEIGHT = 110;
const LEFT = 8;
const BASE = HEIGHT - 22;

/** The checks of the day: how far each came out from its mark, against what was to be expected, and whether the setup holds. */
export function ChecksChart({ checks }: { checks: Schemas['CheckShotsTaken'] }) {
    const list = checks.checks;
    return (
        <div className="grid gap-2" data-holds={String(checks.holds)}>
            <Notice kind={checks.holds === false ? 'error' : checks.holds === null || checks.due ? 'caution' : 'info'}>
                {standing(checks)}
            </Notice>
            {list.length > 0 && <Chart list={list} />}
        </div>
    );
}

/** One sentence: that it no longer holds, or else why a check is due, or else that it holds. */
export function standing({ holds, verdict, due }: Pick<Schemas['CheckShotsTaken'], 'holds' | 'verdict' | 'due'>): string {
    if (holds === false || due === null) {
        return verdict;
    }
    return holds === null ? `${verdict} ${due}` : due;
}

function Chart({ list }: { list: Schemas['CheckShotTaken'][] }) {
    const most = Math.max(...list.map((c) => Math.max(c.shot.plan, c.shot.expectedPlan))) * 1.1;
    const x = (i: number) => LEFT + ((i + 0.5) * (WIDTH - 2 * LEFT)) / list.length;
    const y = (m: number) => BASE - (m / most) * (BASE - 8);
    const half = Math.min(18, (WIDTH - 2 * LEFT) / list.length / 2);
    const last = list[list.length - 1];
    return (
        <figure className="grid gap-1">
            <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full max-w-xl" role="img" aria-label="Checks over the day, in plan">
                <title>Checks over the day, in plan</title>
                <line x1={LEFT} x2={WIDTH - LEFT} y1={BASE} y2={BASE} className="stroke-ink" strokeWidth="1" />
                {list.map((c, i) => (
                    <g key={c.markId}>
                        <line
                            x1={x(i) - half}
                            x2={x(i) + half}
                            y1={y(c.shot.expectedPlan)}
                            y2={y(c.shot.expectedPlan)}
                            className="stroke-quiet"
                            strokeWidth="1.5"
                            strokeDasharray="4 3"
                        />
                        <line x1={x(i)} x2={x(i)} y1={BASE} y2={y(c.shot.plan)} className="stroke-ink" strokeWidth="1" />
                        {c.shot.holds ? (
                            <circle cx={x(i)} cy={y(c.shot.plan)} r="5" className="fill-in" />
                        ) : (
                            <path d={`M${x(i)} ${y(c.shot.plan) - 7} l7 12 h-14 z`} className="fill-out" />
                        )}
                        {(list.length < 10 || i % Math.ceil(list.length / 8) === 0) && (
                            <text x={x(i)} y={HEIGHT - 6} textAnchor="middle" className="fill-ink text-[13px]">
                                {timeOfDay(c.at)}
                            </text>
                        )}
                    </g>
                ))}
            </svg>
            {last && (
                <figcaption className="text-sm">
                    ● holds, ▲ does not; dashed: 95 of 100 good checks stay below. The last, on {last.name}: plan{' '}
                    <Deviation of={last.shot.plan} /> of <Deviation of={last.shot.expectedPlan} />
                    {last.shot.height !== null && last.shot.expectedHeight !== null && (
                        <>
                            , height <Deviation of={Math.abs(last.shot.height)} /> {last.shot.height < 0 ? 'low' : 'high'} of{' '}
                            <Deviation of={last.shot.expectedHeight} />
                        </>
                    )}
                    .
                </figcaption>
            )}
        </figure>
    );
}
