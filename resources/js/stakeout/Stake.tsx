import { ChevronLeft, ChevronRight, LocateFixed } from 'lucide-react';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { api, ask, type Mark, newKey, type StakeoutPoint } from '../api/client';
import { turnTo, useChecks, useCodes, useDeed, useWorklists } from '../api/hooks';
import { Button, buttonLook } from '../parts/Button';
import { Choice } from '../parts/Field';
import { Coordinates } from '../parts/Figure';
import { NextStep } from '../parts/NextStep';
import { Failure, Notice } from '../parts/Notice';
import { Verdict } from '../parts/Verdict';
import { awayWords } from '../setups/away';
import { MarkResult } from '../setups/MarkResult';
import { SetupDoubt } from '../setups/SetupDoubt';
import { Sheet } from '../stage/Sheet';
import type { StageProps } from '../stage/stages';
import { ApproachDial } from './ApproachDial';
import { Moves } from './Moves';
import { PointChooser } from './PointChooser';
import { useStoring } from './useStoring';

/** Leading the pole onto one point after another. */
export function Stake(props: StageProps) {
    const { project, points } = props;
    if (points.length === 0 || !project.setup) {
        const to = points.length === 0 ? 'prepare' : 'set-up';
        return (
            <Sheet title="Stake">
                <Notice>
                    {points.length === 0
                        ? 'There are no stakeout points yet.'
                        : 'The instrument has not been set up yet: it does not know where it stands.'}
                </Notice>
                <Link data-next className={buttonLook('primary')} to={`/p/${project.id}/${to}`}>
                    {points.length === 0 ? 'Make stakeout points' : 'Set up the instrument'}
                </Link>
            </Sheet>
        );
    }
    return <Staking {...props} />;
}

function Staking(props: StageProps) {
    const { project, marks, live, target, setTarget } = props;
    const [search, setSearch] = useSearchParams();
    const lists = useWorklists(project.id).data ?? [];
    const list = lists.find((l) => String(l.id) === search.get('list'));
    const byId = new Map(props.points.map((p) => [p.id, p]));
    const points = list ? list.pointIds.flatMap((id) => byId.get(id) ?? []) : props.points;
    const by = search.get('by') === 'north' ? 'north' : 'instrument';
    const aim = points.find((p) => p.id === target) ?? null;
    // A code may have tolerances of its own.
    const own = useCodes(project.id).data?.find((c) => c.code !== '' && c.code === aim?.code);
    const [last, setLast] = useState<Mark | null>(null);
    // The result of another target is not shown beside this one.
    const stored = last !== null && last.pointId === target ? last : null;
    const turn = useDeed(project.id, (pointId: number) => turnTo(project.id, { pointId }));
    const choose = (id: number | null) => {
        setTarget(id);
        setLast(null);
        storing.reset();
        if (id !== null) {
            turn.mutate(id);
        }
    };
    const nearest = useDeed(project.id, async () => {
        const from = live?.pole ?? project.setup ?? { northing: 0, easting: 0 };
        const found = await ask(
            api.GET('/api/v1/projects/{project}/nearest-open', {
                params: {
                    path: { project: project.id },
                    query: { northing: from.northing, easting: from.easting, ...(list ? { list: list.id } : {}) },
                },
            }),
        );
        choose(found.pointId);
    });
    const storing = useStoring(project, setLast);
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
    const skipped = points.filter((p) => p.stakes === 0 && list?.skipped.includes(p.id));
    const left = points.filter((p) => p.stakes === 0).length - skipped.length;
    const g = live?.target === target ? live.guidance : null;
    const lost = useChecks(project.id).data?.holds === false || awayWords(live) !== null;
    return (
        <Sheet
            title={<Chooser points={points} aim={aim} onChoose={choose} />}
            next={
                <>
                    {lost && <SetUpAnew project={project.id} />}
                    {(!aim || stored) && left > 0 && (
                        <Button
                            kind={lost ? 'plain' : 'primary'}
                            busy={nearest.isPending}
                            icon={<LocateFixed />}
                            onClick={() => nearest.mutate(undefined)}
                        >
                            Nearest not yet done
                        </Button>
                    )}
                    {aim && !stored && (
                        <Button
                            className="min-h-16"
                            kind={lost || !g ? 'plain' : 'primary'}
                            busy={storing.busy}
                            onClick={() => storing.store({ kind: 'stake', pointId: aim.id })}
                        >
                            {storing.busy ? 'Measuring…' : 'Measure and store'}
                        </Button>
                    )}
                </>
            }
        >
            {g && !stored && (
                <NextStep as="aside">
                    <div className="grid text-sm">
                        <Verdict of={g.verdict} />
                        <span className="text-quiet">
                            {left} of {points.length} left
                        </span>
                    </div>
                </NextStep>
            )}
            {!g && awayWords(live) === null && <SetupDoubt project={project} />}
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
                    {left} of {points.length} left to stake. Touch one on the plan, or choose it from the list.
                </p>
            )}
            {left === 0 && skipped.length > 0 && (
                <Notice kind="caution">
                    Nothing is left but what was skipped: {skipped.map((p) => p.name).join(', ')}. Choose one to stake it.
                </Notice>
            )}
            {left === 0 && skipped.length === 0 && (
                <Notice>
                    All {points.length} points are staked: this is the end of the list. Any of them can be chosen and staked again.
                </Notice>
            )}
            <Failure of={turn.error ?? nearest.error ?? skip.error ?? storing.error} />
            {storing.question}
            {g && stored && <SetupDoubt project={project} />}
            {stored && <MarkResult mark={stored} latest />}
            {aim && !stored && (
                <>
                    <div className="truncate text-[0.8rem] text-quiet">
                        <Coordinates {...aim} />
                        {aim.code && <span> · {aim.code}</span>}
                        {aim.stakes > 0 && <span> · staked already, {aim.verdict}</span>}
                    </div>
                    {g ? (
                        <>
                            <div className="flex flex-wrap items-center gap-x-5 gap-y-1">
                                <ApproachDial
                                    guidance={g}
                                    planTolerance={own?.planTolerance ?? project.planTolerance}
                                    heightTolerance={own?.heightTolerance ?? project.heightTolerance}
                                    up={by}
                                />
                                <Moves guidance={g} by={by} />
                            </div>
                            {/* The moves keep their place; where the setup is lost, the bar below says so first. */}
                            <SetupDoubt project={project} />
                            {list && aim.stakes === 0 && (
                                <Button className="self-start" busy={skip.isPending} onClick={() => skip.mutate(aim.id)}>
                                    Skip it for now
                                </Button>
                            )}
                            <Button
                                className="self-start"
                                onClick={() =>
                                    setSearch(
                                        (s) => {
                                            s.set('by', by === 'north' ? 'instrument' : 'north');
                                            return s;
                                        },
                                        { replace: true },
                                    )
                                }
                            >
                                {by === 'north' ? 'Say moves from the instrument' : 'Say moves by north'}
                            </Button>
                        </>
                    ) : (
                        <NoGuidance {...props} turning={turn.isPending} onSearch={() => turn.mutate(aim.id)} />
                    )}
                </>
            )}
            {!aim && marks.some((m) => m.kind === 'stake') && (
                <section aria-label="Staked last">
                    <h2 className="font-semibold">Staked last</h2>
                    {marks
                        .filter((m) => m.kind === 'stake')
                        .slice(-6)
                        .reverse()
                        .map((m) => (
                            <MarkResult key={m.id} mark={m} latest={false} />
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

function Chooser({ points, aim, onChoose }: { points: StakeoutPoint[]; aim: StakeoutPoint | null; onChoose: (id: number | null) => void }) {
    const index = aim ? points.indexOf(aim) : -1;
    const step = (by: number) => onChoose(points[(index + by + points.length) % points.length]?.id ?? null);
    return (
        <span className="flex min-w-0 flex-1 items-center gap-1">
            <span className="sr-only">Stake {aim?.name}</span>
            <Button kind="bare" aria-label="Previous in the list" onClick={() => step(-1)} icon={<ChevronLeft />} />
            <PointChooser points={points} chosen={aim} onChoose={onChoose} />
            <Button kind="bare" aria-label="Next in the list" onClick={() => step(1)} icon={<ChevronRight />} />
        </span>
    );
}

/** Why there is nothing to follow, and what to do. */
function NoGuidance({ live, project, turning, onSearch }: StageProps & { turning: boolean; onSearch: () => void }) {
    const i = live?.instrument;
    const track = useDeed(project.id, () =>
        ask(
            api.POST('/api/v1/projects/{project}/instrument/track', { params: { path: { project: project.id } }, body: { key: newKey() } }),
        ),
    );
    if (turning) {
        return <p className="py-8 text-center text-lg">The instrument turns to the point…</p>;
    }
    const why =
        i?.link !== 'up'
            ? 'The instrument can’t be reached. Its link is being sought again by itself.'
            : (awayWords(live) ??
              i.trouble ??
              (i.locked && !i.tracking
                  ? 'The instrument holds the prism but does not follow it.'
                  : 'The instrument does not see the prism. Stand where it points, or let it search.'));
    return (
        <div className="grid gap-3">
            <Notice kind="caution">{why}</Notice>
            {i?.link === 'up' && awayWords(live) === null && (
                <>
                    <Button className="min-h-16 justify-self-start" onClick={() => track.mutate(undefined)} busy={track.isPending}>
                        Follow the prism
                    </Button>
                    <NextStep>
                        <Button kind="primary" onClick={onSearch}>
                            Turn to the point again
                        </Button>
                    </NextStep>
                </>
            )}
            <Failure of={track.error} />
        </div>
    );
}
