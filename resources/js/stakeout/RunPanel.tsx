import { Pause, Play, RotateCcw, SkipForward, Square, Undo2 } from 'lucide-react';
import type { Project } from '../api/client';
import { device } from '../api/device';
import { Button } from '../parts/Button';
import { Deviation, Sided } from '../parts/Figure';
import { NextStep } from '../parts/NextStep';
import { Failure, Notice } from '../parts/Notice';
import { isUnderWay, type Run, type RunStep, useBeginRun, useCommandRun } from './useRun';

const STATES: Record<RunStep['state'], string> = {
    open: 'next',
    aiming: 'aiming',
    marking: 'mark it',
    measuring: 'measuring',
    stored: 'stored',
    out: 'stored, out of tolerance',
    skipped: 'skipped',
};

/** Icon above its word, five in a row. */
const SMALL = 'min-w-0 flex-col gap-0! px-1! py-1 text-sm leading-tight';

const count = (steps: RunStep[], ...states: RunStep['state'][]) => steps.filter((s) => states.includes(s.state)).length;

/** How a run has come along, in a few words. */
export function runWords({ steps, ...run }: Run): string {
    const [out, skipped] = [count(steps, 'out'), count(steps, 'skipped')];
    const [isOver, unreached] = [!isUnderWay({ ...run, steps }), count(steps, 'open', 'aiming', 'marking', 'measuring')];
    return [
        `${count(steps, 'stored', 'out')} of ${steps.length} stored`,
        out > 0 ? `${out} out` : '',
        skipped > 0 ? `${skipped} skipped` : '',
        isOver && unreached > 0 ? `${unreached} not reached` : '',
    ]
        .filter(Boolean)
        .join(', ');
}

/** A run: where it is, what it waits for, and what may be said to it. */
export function RunPanel({ project, run, onPutAway }: { project: Project; run: Run; onPutAway: () => void }) {
    const say = useCommandRun(project.id, run);
    const step = run.steps[run.place];
    const leads = run.leader === device();
    if (!isUnderWay(run)) {
        return <RunEnd project={project} run={run} onPutAway={onPutAway} />;
    }
    const dot = run.settings.mode !== 'prism';
    const tries = run.settings.tries ?? 10;
    return (
        <section aria-label="Run" className="grid gap-2 border-2 border-chalk p-3">
            <div className="flex items-baseline justify-between gap-3">
                <h2 className="min-w-0 truncate text-2xl font-bold">{step?.name ?? 'the end'}</h2>
                <span className="figure shrink-0 text-quiet">
                    {Math.min(run.place + 1, run.steps.length)} of {run.steps.length}
                </span>
            </div>
            {run.state === 'paused' ? (
                <Notice kind="caution">Paused. {run.why}</Notice>
            ) : (
                <p role="status" className="text-lg">
                    {step?.state === 'aiming' &&
                        (dot ? `The dot is brought onto it, try ${step.tries + 1} of ${tries}` : 'The instrument turns to it')}
                    {step?.state === 'marking' && (dot ? 'It holds still: mark it' : 'Bring the pole there')}
                    {step?.state === 'measuring' && 'Measuring…'}
                    {step?.state === 'open' && 'Next…'}
                </p>
            )}
            {/* While it is being aimed the dial says it, newer than this. */}
            {step?.miss && (step.state === 'marking' || step.state === 'measuring') && (
                <p className="text-sm">
                    The dot lies <Deviation of={step.miss.plan} /> off in plan
                    {step.miss.height !== null && (
                        <>
                            , <Sided of={step.miss.height} side="height" />
                        </>
                    )}
                    {run.settings.on === 'wall' && (
                        <>
                            ; it is marked <Deviation of={step.miss.moved} none="" /> from its design
                            {step.miss.through === null ? ', square to the wall' : ', where the wall cuts the line of its pair'}
                        </>
                    )}
                </p>
            )}
            {step?.miss?.moved != null &&
                step.miss.moved > project.planTolerance &&
                (step.state === 'marking' || step.state === 'measuring') && (
                    <Notice kind="caution">
                        The wall stands <Deviation of={step.miss.moved} /> from where it is designed: more than the tolerance. The issued
                        design stays with the mark.
                    </Notice>
                )}
            <p className="text-sm text-quiet">{runWords(run)}</p>
            <Failure of={say.error} />
            {leads ? (
                <>
                    <div className="grid grid-cols-5 gap-1">
                        {run.state === 'running' && (
                            <Button className={SMALL} icon={<Pause />} onClick={() => say.mutate('pause')}>
                                Pause
                            </Button>
                        )}
                        <Button className={SMALL} icon={<SkipForward />} onClick={() => say.mutate('skip')}>
                            Skip
                        </Button>
                        <Button className={SMALL} icon={<Undo2 />} disabled={run.place === 0} onClick={() => say.mutate('back')}>
                            One back
                        </Button>
                        <Button className={SMALL} icon={<RotateCcw />} onClick={() => say.mutate('again')}>
                            Aim again
                        </Button>
                        <Button className={SMALL} icon={<Square />} onClick={() => say.mutate('stop')}>
                            Stop
                        </Button>
                    </div>
                    <NextStep>
                        {run.state === 'paused' ? (
                            <Button kind="primary" icon={<Play />} busy={say.isPending} onClick={() => say.mutate('resume')}>
                                Go on with the run
                            </Button>
                        ) : (
                            <Button
                                kind="primary"
                                busy={say.isPending}
                                disabled={step?.state !== 'marking'}
                                onClick={() => say.mutate('mark')}
                            >
                                {step?.state === 'marking' ? `Marked: store ${step.name}` : STATES[step?.state ?? 'open']}
                            </Button>
                        )}
                    </NextStep>
                </>
            ) : (
                <NextStep>
                    <Button onClick={() => say.mutate('lead')}>Another tablet leads. Lead from here</Button>
                </NextStep>
            )}
        </section>
    );
}

/** What was skipped, and why; to be done again at one touch. */
function RunEnd({ project, run, onPutAway }: { project: Project; run: Run; onPutAway: () => void }) {
    const begin = useBeginRun(project.id, () => undefined);
    const skipped = run.steps.filter((s) => s.state === 'skipped');
    const left = run.steps.length - count(run.steps, 'stored', 'out');
    return (
        <section aria-label="Run" className="grid gap-2 border-2 border-rule p-3">
            <h2 className="font-semibold">
                {run.state === 'ended' ? 'The run is over' : 'The run was stopped'}: {runWords(run)}
            </h2>
            {skipped.length > 0 && (
                <ul className="max-h-48 overflow-auto">
                    {skipped.map((s) => (
                        <li key={s.place} className="flex justify-between gap-3 border-rule border-b py-1">
                            <span className="min-w-0 truncate font-semibold">{s.name}</span>
                            <span className="text-quiet">{s.why}</span>
                        </li>
                    ))}
                </ul>
            )}
            <Button className="justify-self-end" onClick={onPutAway}>
                Put this away
            </Button>
            <Failure of={begin.error} />
            {left > 0 && (
                <Button className="min-h-16" busy={begin.busy} onClick={() => begin.begin({ settings: run.settings, skippedOf: run.id })}>
                    Run over the {left === 1 ? 'one' : left} {left === skipped.length ? 'skipped' : 'left'}
                </Button>
            )}
        </section>
    );
}
