import { CircleDot, LocateFixed, SlidersHorizontal } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { type Aim, api, ask, type Mark, type Schemas, type StakeoutPoint } from '../api/client';
import { lookFor, turnTo, useChecks, useDeed, useSetup, useWorklists } from '../api/hooks';
import { Button, buttonLook } from '../parts/Button';
import { Dialog } from '../parts/Dialog';
import { Choice } from '../parts/Field';
import { Coordinates, Deviation } from '../parts/Figure';
import { later } from '../parts/later';
import { NextStep } from '../parts/NextStep';
import { Failure, Notice } from '../parts/Notice';
import { Verdict } from '../parts/Verdict';
import { isFiltered } from '../points/filter';
import { awayWords } from '../setups/away';
import { MarkResult } from '../setups/MarkResult';
import { SetupDoubt } from '../setups/SetupDoubt';
import { UndoMark } from '../setups/UndoMark';
import { Sheet } from '../stage/Sheet';
import type { StageProps } from '../stage/stages';
import { Changed } from './Changed';
import { FilterLine } from './FilterLine';
import { Guide } from './Guide';
import { type DotOn, MarkedOn } from './MarkedOn';
import { NoGuidance } from './NoGuidance';
import { Offering } from './Offering';
import { OneElevation } from './OneElevation';
import { Provable, ProvableWord } from './Provable';
import { RunStart } from './RunStart';
import { Counts, SaidBy } from './SaidBy';
import { StakeChoices } from './StakeChoices';
import { progressWords } from './staked';
import { TargetChooser } from './TargetChooser';
import { isAnywhere, liveOf, ofAim, ofPoint, type Target, targetOf } from './target';
import { useAimFigure } from './useAimFigure';
import { isUnderWay, useBeginRun, usePutAway, useRun } from './useRun';
import { useStoring } from './useStoring';
import { WhereAmI } from './WhereAmI';

const RunPanel = later(() => import('./RunPanel').then((m) => m.RunPanel));
const ModelTargets = later(() => import('./ModelTargets').then((m) => m.ModelTargets));
const Lath = later(() => import('./Lath').then((m) => m.Lath));
const LookBefore = later(() => import('./LookBefore').then((m) => m.LookBefore));
const LineTools = later(() => import('./LineTools').then((m) => m.LineTools));
const CivilTools = later(() => import('./CivilTools').then((m) => m.CivilTools));
const CivilTargets = later(() => import('./CivilTargets').then((m) => m.CivilTargets));

type Rule = Schemas['StakingChoices']['next'];

/** Leading the pole onto one target after another. */
export function Stake(props: StageProps) {
    if (!props.project.setup) {
        return (
            <Sheet title="Stake">
                <Notice>The instrument has not been set up yet: it does not know where it stands.</Notice>
                <Link data-next className={buttonLook('primary')} to={`/p/${props.project.id}/set-up`}>
                    Set up the instrument
                </Link>
            </Sheet>
        );
    }
    return <Staking {...props} />;
}

function Staking(props: StageProps) {
    const { project, marks, live, setTarget, setAim, aims } = props;
    const [search, setSearch] = useSearchParams();
    const lists = useWorklists(project.id).data ?? [];
    const list = lists.find((l) => String(l.id) === search.get('list'));
    const byId = new Map(props.points.map((p) => [p.id, p]));
    const points = list ? list.pointIds.flatMap((id) => byId.get(id) ?? []) : props.points;
    // What is touched beside the list is led to as well, and said to be beside it.
    const target = targetOf(props);
    const outside = list && target?.kind === 'point' && !list.pointIds.includes(target.point.id);
    const [last, setLast] = useState<{ mark: Mark; of: string } | null>(null);
    // The result of another target is not shown beside this one.
    const stored = last !== null && last.of === target?.key ? last.mark : null;
    const turn = useDeed(project.id, (to: Target) =>
        turnTo(project.id, to.kind === 'point' ? { pointId: to.point.id } : { aimId: to.aim.id }),
    );
    const look = useDeed(project.id, (to: Target) =>
        lookFor(project.id, to.kind === 'point' ? { pointId: to.point.id } : { aimId: to.aim.id }),
    );
    const begin = () => {
        setLast(null);
        storing.reset();
        // What was refused for the target before is not said of this one.
        turn.reset();
        look.reset();
        skip.reset();
    };
    const choose = (point: StakeoutPoint | null) => {
        setTarget(point?.id ?? null);
        begin();
        if (point) {
            look.mutate(ofPoint(point));
        }
    };
    const chooseAim = (aim: Aim) => {
        setAim(aim.id);
        begin();
        if (aim.place) {
            look.mutate(ofAim(aim));
        }
    };
    const { staking } = project;
    const [looking, setLooking] = useState(false);
    const [lath, setLath] = useState<Mark | null>(null);
    const [choosing, setChoosing] = useState(false);
    // Where the next came by itself, the result of the last stays in view.
    const [before, setBefore] = useState<Mark | null>(null);
    const nearest = useDeed(project.id, async (rule: Rule | undefined) => {
        const from = live?.pole ?? project.setup ?? { northing: 0, easting: 0 };
        const found = await ask(
            api.POST('/api/v1/projects/{project}/next-open', {
                params: { path: { project: project.id } },
                body: {
                    northing: from.northing,
                    easting: from.easting,
                    list: list?.id ?? null,
                    only: isFiltered(props.filter) ? points.map((p) => p.id) : [],
                    rule: rule && rule !== 'off' ? rule : 'nearest',
                    after: props.target,
                },
            }),
        );
        // At the end of the list what was staked last stays chosen, and its result in view.
        if (found.pointId !== null || !target) {
            choose(found.pointId === null ? null : (byId.get(found.pointId) ?? null));
        }
    });
    const storing = useStoring(project, (mark) => {
        setLast(target && { mark, of: target.key });
        setLooking(false);
        const on = staking.next !== 'off' && target?.kind === 'point' && mark.verdict !== 'out';
        setBefore(on ? mark : null);
        if (staking.lath) {
            setLath(mark);
        }
        if (on) {
            nearest.mutate(staking.next);
        }
    });
    const skip = useDeed(project.id, async (pointId: number) => {
        if (list) {
            await ask(
                api.POST('/api/v1/projects/{project}/worklists/{list}/skipping', {
                    params: { path: { project: project.id, list: list.id } },
                    body: { pointId },
                }),
            );
        }
        nearest.mutate(undefined);
    });
    const skipped = points.filter((p) => p.state === 'open' && list?.skipped.includes(p.id));
    const left = points.filter((p) => p.state !== 'done').length - skipped.length;
    const said = liveOf(live, target);
    const g = said?.guidance ?? null;
    const lost = useChecks(project.id).data?.holds === false || awayWords(live) !== null;
    useAimFigure(target?.kind === 'aim' ? target.aim : null, aims);
    const run = useRun(project.id);
    const underWay = isUnderWay(run);
    const [putAway, setPutAway] = usePutAway(project.id);
    const dot = useSetup(project.id).data?.draft.dot === true;
    // After a run on a wall the sheet is still about that wall.
    const [dotChosen, setDotOn] = useState<DotOn | null>(null);
    const dotOn: DotOn = dotChosen ?? { on: run?.settings.on ?? 'slab', wallId: run?.settings.wallId ?? null };
    const aimDot = useBeginRun(project.id, () => undefined);
    // Whoever leads or looks on is shown what the run is at.
    const at = underWay ? run?.steps[run.place] : undefined;
    const runs = useRef({ setTarget, setAim });
    runs.current = { setTarget, setAim };
    useEffect(() => {
        if (at?.pointId != null) {
            runs.current.setTarget(at.pointId);
        } else if (at?.aimId != null) {
            runs.current.setAim(at.aimId);
        }
    }, [at?.pointId, at?.aimId]);
    const canAimDot = dot && target !== null && (target.kind === 'point' || target.aim.kind === 'spot' || target.aim.kind === 'place');
    return (
        <Sheet
            title={
                <TargetChooser
                    project={project}
                    points={points}
                    aims={aims}
                    pole={live?.pole ?? null}
                    target={target}
                    onPoint={choose}
                    onAim={chooseAim}
                />
            }
            next={
                <>
                    {lost && <SetUpAnew project={project.id} />}
                    {(!target || stored) && left > 0 && !underWay && (
                        <Button
                            kind={lost || (stored?.kind === 'stake' && target?.kind === 'aim') ? 'plain' : 'primary'}
                            className="min-h-16"
                            busy={nearest.isPending}
                            icon={<LocateFixed />}
                            onClick={() => nearest.mutate(undefined)}
                        >
                            Nearest not yet done
                        </Button>
                    )}
                    {stored && target?.kind === 'aim' && (
                        <Button kind="primary" onClick={begin}>
                            {target.aim.kind === 'line' || target.aim.kind === 'alignment' ? 'On along the line' : 'Once more'}
                        </Button>
                    )}
                    {canAimDot && !underWay && !stored && (
                        <Button
                            kind={lost ? 'plain' : 'primary'}
                            className="min-h-16"
                            busy={aimDot.busy}
                            icon={<CircleDot />}
                            onClick={() =>
                                aimDot.begin({
                                    ...(target.kind === 'point' ? { pointIds: [target.point.id] } : { aimIds: [target.aim.id] }),
                                    settings: { mode: 'dot', ...dotOn },
                                })
                            }
                        >
                            Bring the dot onto it
                        </Button>
                    )}
                    {target && !stored && !underWay && !canAimDot && (
                        <Button
                            className="min-h-16"
                            kind={lost || !g ? 'plain' : 'primary'}
                            busy={storing.busy}
                            onClick={() =>
                                staking.look && g ? setLooking(true) : storing.store({ kind: 'stake', target, judged: props.judged })
                            }
                        >
                            {storing.busy ? 'Measuring…' : 'Measure and store'}
                        </Button>
                    )}
                </>
            }
        >
            {g && said && !stored && !underWay && (
                <NextStep as="aside">
                    <div className="grid text-sm">
                        <Verdict of={g.verdict} judged={said.judged} short={target?.kind === 'aim'} />
                        {target && (
                            <ProvableWord
                                project={project}
                                target={target}
                                judged={said.judged}
                                otherwise={
                                    target.kind === 'point' && <span className="text-quiet">{progressWords(points, skipped.length)}</span>
                                }
                            />
                        )}
                    </div>
                </NextStep>
            )}
            {run && (underWay || (run.steps.length > 1 && (!g || dot) && putAway !== run.id)) && (
                <RunPanel project={project} run={run} onPutAway={() => setPutAway(run.id)} />
            )}
            {aimDot.asked && (
                <Notice kind="caution">
                    {aimDot.asked.message} <Button onClick={aimDot.insist}>Go on all the same</Button>
                </Notice>
            )}
            <Failure of={aimDot.error} />
            {!g && awayWords(live) === null && <SetupDoubt project={project} />}
            {(!g || isFiltered(props.filter)) && <FilterLine {...props} shown={points.length} />}
            {lists.length > 0 && !g && (
                <Choice
                    label="Worklist"
                    value={list ? String(list.id) : ''}
                    options={[['', 'all points'], ...lists.map((l) => [String(l.id), l.name] as const)]}
                    onValue={(id) =>
                        setSearch(
                            (s) => {
                                id === '' ? s.delete('list') : s.set('list', id);
                                return s;
                            },
                            { replace: true },
                        )
                    }
                />
            )}
            {!g && (
                <p className="text-sm text-quiet">
                    {props.points.length === 0 ? 'No points were prepared.' : `${progressWords(points, skipped.length)}.`} Touch a point, a
                    spot or a line on the plan, or choose a name from the list.
                </p>
            )}
            {!target && !underWay && (
                <div className="flex flex-wrap gap-2">
                    <RunStart project={project} points={points} listName={list?.name ?? 'All points'} aims={aims} live={live} />
                    <OneElevation project={project} live={live} onTaken={chooseAim} />
                </div>
            )}
            {!target && !underWay && <CivilTargets project={project} onTaken={chooseAim} />}
            {!target && !underWay && <ModelTargets {...props} onTaken={chooseAim} />}
            {looking && target && live && g && (
                <LookBefore
                    project={project}
                    target={target}
                    live={live}
                    onClose={() => setLooking(false)}
                    onStore={(as) => {
                        setLooking(false);
                        storing.store({ kind: 'stake', target, judged: props.judged, ...as });
                    }}
                />
            )}
            {lath && <Lath mark={lath} lines={staking.lathLines} onClose={() => setLath(null)} />}
            <Dialog open={choosing} onClose={() => setChoosing(false)} title="On the sheet and after a mark">
                <StakeChoices project={project} onKept={() => setChoosing(false)} />
            </Dialog>
            {before && !stored && target?.kind === 'point' && before.pointId !== target.point.id && (
                <div className="flex items-center gap-3 border-rule border-b pb-1 text-sm" role="status">
                    <span className="min-w-0 flex-1 truncate">
                        <b>{before.name}</b> stored: <Verdict of={before.verdict} short judged={before.judged} />{' '}
                        <Deviation of={before.deviation?.plan} none="" />
                    </span>
                    <UndoMark mark={before} project={project.id} onUndone={() => setBefore(null)} />
                    <Button onClick={() => choose(byId.get(before.pointId ?? -1) ?? null)}>Back to it</Button>
                </div>
            )}
            {outside && (
                <Notice kind="caution">
                    {target?.name} is not on the worklist “{list.name}”.
                </Notice>
            )}
            {points.length > 0 && left === 0 && skipped.length > 0 && (
                <Notice kind="caution">
                    Nothing is left but what was skipped: {skipped.map((p) => p.name).join(', ')}. Choose one to stake it.
                </Notice>
            )}
            {points.length > 0 && left === 0 && skipped.length === 0 && target?.kind !== 'aim' && (
                <Notice>
                    All {points.length} points are staked: this is the end of the list. Any of them can be chosen and staked again.
                </Notice>
            )}
            {/* A prism that is followed by now was found after all. */}
            <Failure of={live?.instrument.locked ? null : (turn.error ?? look.error)} />
            <Failure of={nearest.error ?? skip.error ?? storing.error} />
            {storing.question}
            {g && stored && <SetupDoubt project={project} />}
            {stored && <MarkResult mark={stored} latest project={project.id} onUndone={() => setLast(null)} />}
            {target?.kind === 'aim' && target.aim.changed && <Changed project={project.id} aim={target.aim} />}
            {target && !stored && (
                <>
                    {target.kind === 'point' ? (
                        <div className="truncate text-[0.8rem] text-quiet">
                            <Coordinates {...target.point} />
                            {target.point.code && <span> · {target.point.code}</span>}
                            {target.point.stakes > 0 && <span> · staked already, {target.point.verdict}</span>}
                        </div>
                    ) : (
                        target.aim.kind !== 'line' && (
                            <div className="text-[0.8rem] text-quiet">
                                {target.aim.place && <Coordinates {...target.aim.place} />} {target.aim.source}
                            </div>
                        )
                    )}
                    {g && said && !(dot && dotOn.on === 'wall') ? (
                        <>
                            <Guide project={project} target={target} live={{ ...said, guidance: g }} moves={props.moves} />
                            {/* The moves keep their place; where the setup is lost, the bar below says so first. */}
                            <SetupDoubt project={project} />
                            <Provable project={project} target={target} judged={said.judged} />
                        </>
                    ) : dot ? (
                        !underWay && (
                            <p className="text-quiet">
                                {canAimDot && dotOn.on === 'wall'
                                    ? 'On a wall the dot is judged while it is brought onto it: along the wall, and in height.'
                                    : canAimDot
                                      ? 'The red dot has not been brought onto it yet.'
                                      : 'The red dot is brought onto a point, a spot, or a place on a line: go to a place on it.'}
                            </p>
                        )
                    ) : (
                        <NoGuidance
                            {...props}
                            turning={turn.isPending || look.isPending}
                            // Along a line, or at an elevation, one may stand anywhere.
                            anywhere={target.kind === 'aim' && isAnywhere(target.aim)}
                            onTurn={() => turn.mutate(target)}
                        />
                    )}
                    {target.kind === 'aim' && target.aim.line && (
                        <LineTools
                            project={project.id}
                            aim={target.aim}
                            line={target.aim.line}
                            guided={g !== null}
                            onPlaces={(p) => p[0] && chooseAim(p[0])}
                        />
                    )}
                    {target.kind === 'aim' && target.aim.civil && (
                        <CivilTools project={project} target={target} live={live} onTaken={chooseAim} />
                    )}
                    {list && target.kind === 'point' && target.point.state === 'open' && (
                        <Button className="self-start" busy={skip.isPending} onClick={() => skip.mutate(target.point.id)}>
                            Skip it for now
                        </Button>
                    )}
                    <Button className="self-start" icon={<SlidersHorizontal />} onClick={() => setChoosing(true)}>
                        On the sheet and after a mark
                    </Button>
                    {dot && canAimDot && <MarkedOn value={dotOn} onValue={setDotOn} aims={aims} />}
                    <div className="grid grid-cols-2 gap-3">
                        <SaidBy {...props} />
                        <Counts {...props} />
                    </div>
                </>
            )}
            {!target && live && <WhereAmI project={project} live={live} />}
            {!target && <Offering {...props} onTaken={chooseAim} />}
            {!target && (
                <Button className="self-start" icon={<SlidersHorizontal />} onClick={() => setChoosing(true)}>
                    On the sheet and after a mark
                </Button>
            )}
            {!target && marks.some((m) => m.kind === 'stake') && (
                <section aria-label="Staked last">
                    <h2 className="font-semibold">Staked last</h2>
                    {marks
                        .filter((m) => m.kind === 'stake')
                        .slice(-6)
                        .reverse()
                        .map((m) => (
                            <MarkResult key={m.id} mark={m} latest={false} project={project.id} />
                        ))}
                </section>
            )}
        </Sheet>
    );
}

/** The remedy for a setup that no longer holds comes before anything else. */
const SetUpAnew = ({ project }: { project: number }) => (
    <Link data-next className={`${buttonLook('primary')} order-last`} to={`/p/${project}/set-up`}>
        Set up anew
    </Link>
);
