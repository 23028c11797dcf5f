import { ChevronLeft, ChevronRight, LocateFixed } from 'lucide-react';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { api, ask, type Mark, newKey, type StakeoutPoint } from '../../api/client';
import { turnTo, useDeed } from '../../api/hooks';
import type { StageProps } from '../../frame/stages';
import { Button } from '../../parts/Button';
import { Coordinates } from '../../parts/Figure';
import { Failure, Notice } from '../../parts/Notice';
import { Verdict } from '../../parts/Verdict';
import { Sheet } from '../Sheet';
import { MarkResult } from '../setup/MarkResult';
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
                <Notice>{points.length === 0 ? 'There are no stakeout points yet.' : 'The instrument has not been set up yet: it does not know where it stands.'}</Notice>
                <Link className="inline-flex min-h-16 items-center justify-center bg-chalk px-6 text-lg font-semibold text-white" to={`/p/${project.id}/${to}`}>
                    {points.length === 0 ? 'Make stakeout points' : 'Set up the instrument'}
                </Link>
            </Sheet>
        );
    }
    return <Staking {...props} />;
}

function Staking(props: StageProps) {
    const { project, points, marks, live, target, setTarget } = props;
    const [search, setSearch] = useSearchParams();
    const by = search.get('by') === 'north' ? 'north' : 'instrument';
    const aim = points.find((p) => p.id === target) ?? null;
    const [stored, setStored] = useState<Mark | null>(null);
    const turn = useDeed(project.id, (pointId: number) => turnTo(project.id, { pointId }));
    const choose = (id: number | null) => {
        setTarget(id);
        setStored(null);
        storing.reset();
        if (id !== null) {
            turn.mutate(id);
        }
    };
    const nearest = useDeed(project.id, async () => {
        const from = live?.pole ?? project.setup ?? { northing: 0, easting: 0 };
        const found = await ask(
            api.GET('/api/v1/projects/{project}/nearest-open', {
                params: { path: { project: project.id }, query: { northing: from.northing, easting: from.easting } },
            }),
        );
        choose(found.pointId);
    });
    const storing = useStoring(project, setStored);
    const left = points.filter((p) => p.stakes === 0).length;
    const g = live?.guidance?.target === target ? live.guidance : null;
    return (
        <Sheet
            title={aim ? `Stake ${aim.name}` : 'Stake'}
            next={
                <>
                    {(!aim || stored) && left > 0 && (
                        <Button kind="primary" busy={nearest.isPending} icon={<LocateFixed />} onClick={() => nearest.mutate(undefined)}>
                            Nearest not yet done
                        </Button>
                    )}
                    {aim && !stored && (
                        <Button kind="primary" busy={storing.busy} onClick={() => storing.store({ kind: 'stake', pointId: aim.id })}>
                            {storing.busy ? 'Measuring…' : 'Measure and store'}
                        </Button>
                    )}
                </>
            }
        >
            <Chooser points={points} aim={aim} left={left} onChoose={choose} />
            {left === 0 && <Notice>All {points.length} points are staked: this is the end of the list. Any of them can be chosen and staked again.</Notice>}
            <Failure of={turn.error ?? nearest.error ?? storing.error} />
            {storing.question}
            {stored && <MarkResult mark={stored} latest />}
            {aim && !stored && (
                <>
                    <div className="text-sm text-quiet">
                        <Coordinates {...aim} />
                        {aim.code && <span> · {aim.code}</span>}
                        {aim.stakes > 0 && <span> · staked already, {aim.verdict}</span>}
                    </div>
                    {g ? (
                        <>
                            <ApproachDial guidance={g} planTolerance={project.planTolerance} heightTolerance={project.heightTolerance} up={by} />
                            <Moves guidance={g} by={by} />
                            <div className="flex flex-wrap items-center justify-between gap-2">
                                <Verdict of={g.verdict} />
                                <Button
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
                                    {by === 'north' ? 'Moves toward the instrument' : 'Moves north and east'}
                                </Button>
                            </div>
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

function Chooser({ points, aim, left, onChoose }: { points: StakeoutPoint[]; aim: StakeoutPoint | null; left: number; onChoose: (id: number | null) => void }) {
    const index = aim ? points.indexOf(aim) : -1;
    const step = (by: number) => onChoose(points[(index + by + points.length) % points.length]?.id ?? null);
    return (
        <div className="grid gap-1">
            <div className="flex items-center gap-2">
                <Button kind="bare" aria-label="Previous in the list" onClick={() => step(-1)} icon={<ChevronLeft />} />
                <PointChooser points={points} chosen={aim} onChoose={onChoose} />
                <Button kind="bare" aria-label="Next in the list" onClick={() => step(1)} icon={<ChevronRight />} />
            </div>
            <p className="text-sm text-quiet">
                {left} of {points.length} left to stake. Touch one on the plan, or search the list.
            </p>
        </div>
    );
}

/** Why there is nothing to follow, and what to do. */
function NoGuidance({ live, project, turning, onSearch }: StageProps & { turning: boolean; onSearch: () => void }) {
    const i = live?.instrument;
    const track = useDeed(project.id, () => ask(api.POST('/api/v1/projects/{project}/instrument/track', { params: { path: { project: project.id } }, body: { key: newKey() } })));
    if (turning) {
        return <p className="py-8 text-center text-lg">The instrument turns to the point…</p>;
    }
    const why =
        i?.link !== 'up'
            ? 'The instrument can’t be reached. Its link is being sought again by itself.'
            : (i.trouble ?? (i.locked && !i.tracking ? 'The instrument holds the prism but does not follow it.' : 'The instrument does not see the prism. Stand where it points, or let it search.'));
    return (
        <div className="grid gap-3">
            <Notice kind="caution">{why}</Notice>
            <div className="flex gap-2">
                <Button className="min-h-16 flex-1" onClick={() => track.mutate(undefined)} busy={track.isPending}>
                    Follow the prism
                </Button>
                <Button className="min-h-16 flex-1" onClick={onSearch}>
                    Turn to the point again
                </Button>
            </div>
            <Failure of={track.error} />
        </div>
    );
}
