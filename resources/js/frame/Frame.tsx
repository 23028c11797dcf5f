import { ChartSpline, ChevronsLeft, ChevronsRight } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Navigate, useParams, useSearchParams } from 'react-router';
import { type Aim, api, ask, type Judged, Problem } from '../api/client';
import { lookFor, turnTo, useAims, useControl, useDesigns, useLive, useMarks, usePoints, useProject, useWorklists } from '../api/hooks';
import { GroundBadge } from '../civil/GroundBadge';
import { GroundMenu } from '../civil/GroundMenu';
import { StationLabelsShown } from '../civil/StationLabelsShown';
import { useGround } from '../civil/useGround';
import { FieldBook } from '../fieldbook/FieldBook';
import { LeadStrip } from '../instrument/LeadStrip';
import { Plate } from '../instrument/Plate';
import { Button } from '../parts/Button';
import { LOADING, later } from '../parts/later';
import { BarContext, StepBar } from '../parts/NextStep';
import { Failure, Notice } from '../parts/Notice';
import type { PlanPlace, Want } from '../plan/contract';
import { Plan } from '../plan/Plan';
import { lookAt } from '../plan/shown';
import { type SnapKind, USUAL_SNAPS } from '../plan/snap';
import { EVERYTHING, filterOf, isFiltered } from '../points/filter';
import { StageContext } from '../stage/StageHelp';
import { STAGES, type StageName, type StageProps } from '../stage/stages';
import { FieldLayers } from '../stakeout/FieldLayers';
import { withStakes } from '../stakeout/staked';
import type { PlaceTouched } from '../stakeout/TakeNote';
import { targetPlace } from '../stakeout/target';
import { judgedOf, useMoves } from '../stakeout/useMoves';
import { applyTheme, storedTheme } from '../theme/theme';
import { UnitsContext } from '../units/UnitsContext';
import { JobLine } from './JobLine';
import { SheetEdge } from './SheetEdge';
import { Shortcuts } from './Shortcuts';

const FindPoint = later(() => import('../points/FindPoint').then((m) => m.FindPoint));
const TouchedAlignment = later(() => import('../stakeout/TouchedAlignment').then((m) => m.TouchedAlignment));
const Prepare = later(() => import('./Prepare').then((m) => m.Prepare), LOADING);
const LineFromPoint = later(() => import('../stakeout/TakeNote').then((m) => m.LineFromPoint));
const TakeNote = later(() => import('../stakeout/TakeNote').then((m) => m.TakeNote));
const Control = later(() => import('../control/Control').then((m) => m.Control), LOADING);
const HandOver = later(() => import('../reports/HandOver').then((m) => m.HandOver), LOADING);
const SetUp = later(() => import('../setups/SetUp').then((m) => m.SetUp), LOADING);
const AsBuilt = later(() => import('../stakeout/AsBuilt').then((m) => m.AsBuilt), LOADING);
const Stake = later(() => import('../stakeout/Stake').then((m) => m.Stake), LOADING);
const LookAlong = later(() => import('../civil/LookAlong').then((m) => m.LookAlong));

const PracticeDrawer = later(() => import('../practice/PracticeDrawer').then((m) => m.PracticeDrawer));

const SHEETS: Record<StageName, (props: StageProps) => React.ReactNode> = {
    prepare: Prepare,
    control: Control,
    'set-up': SetUp,
    stake: Stake,
    'as-built': AsBuilt,
    'hand-over': HandOver,
};

/** The one frame of the day: job line, plan, sheet, field book, instrument plate. */
export function Frame() {
    const params = useParams();
    const id = Number(params.project);
    const stage = params.stage as StageName;
    const project = useProject(id);
    if (!Number.isInteger(id) || !STAGES.some(([name]) => name === stage)) {
        return <Navigate to="/projects" replace />;
    }
    if (project.error instanceof Problem) {
        return <Navigate to="/projects" replace />;
    }
    if (!project.data) {
        return <div className="p-8">{project.failureReason ? <Failure of={project.failureReason} /> : 'Opening the project…'}</div>;
    }
    return (
        <UnitsContext value={project.data.units}>
            <OpenProject key={id} id={id} stage={stage} />
        </UnitsContext>
    );
}

/** Whether the practice drawer is open: kept by the tab, over reloads and from stage to stage. */
function usePractising(): [boolean, (on: boolean) => void] {
    const [on, setOn] = useState(() => sessionStorage.getItem('practising') === 'yes');
    return [
        on,
        (next) => {
            sessionStorage.setItem('practising', next ? 'yes' : 'no');
            setOn(next);
        },
    ];
}

const NO_AIMS: Aim[] = [];

const FIELD_STAGES = ['set-up', 'stake', 'as-built'];

function OpenProject({ id, stage }: { id: number; stage: StageName }) {
    const [search, setSearch] = useSearchParams();
    // What an as-built shot is held against is chosen for that shot, and never what was staked last.
    const aim = stage === 'as-built' ? 'against' : 'target';
    const target = search.has(aim) ? Number(search.get(aim)) : null;
    // What was chosen in the field is one or the other: it takes the point's place, and the point takes its.
    const touched = `${aim}-touched`;
    const aimId = search.has(touched) ? Number(search.get(touched)) : null;
    const aimAt = (name: string, to: number | null) =>
        setSearch(
            (s) => {
                s.delete(aim);
                s.delete(touched);
                s.delete('counts');
                to !== null && s.set(name, String(to));
                return s;
            },
            { replace: true },
        );
    const setTarget = (to: number | null) => aimAt(aim, to);
    const setAim = (to: number | null) => aimAt(touched, to);
    // A touch counts before the list, and the list before the code.
    const lists = useWorklists(id).data;
    const judged =
        judgedOf(search.get('counts')) ??
        (stage === 'stake' ? (lists?.find((l) => String(l.id) === search.get('list'))?.judged ?? null) : null);
    const setJudged = (to: Judged | null) =>
        setSearch(
            (s) => {
                to === null ? s.delete('counts') : s.set('counts', to);
                return s;
            },
            { replace: true },
        );
    const [moves, setMoves] = useMoves(id);
    const project = useProject(id);
    const control = useControl(id);
    const designs = useDesigns(id);
    const points = usePoints(id);
    const marks = useMarks(id);
    const aims = useAims(id);
    const asked = useMemo(
        () => ({
            ...(target === null ? {} : { target }),
            ...(aimId === null ? {} : { aim: aimId }),
            ...(typeof moves === 'number' ? { by: moves } : {}),
            ...(judged === null ? {} : { judged }),
        }),
        [target, aimId, moves, judged],
    );
    const live = useLive(id, asked, FIELD_STAGES.includes(stage));
    const [offering, setOffering] = useState<'off' | 'on' | 'locked'>('off');
    const [lineFrom, setLineFrom] = useState<PlaceTouched | null>(null);
    const [theme, setTheme] = useState(storedTheme);
    const [folded, setFolded] = useState(false);
    const [bar, setBar] = useState<HTMLElement | null>(null);
    const [practising, setPractising] = usePractising();
    const [searched, setSearched] = useState<string | null>(null);
    const [want, setWant] = useState<Want | null>(null);
    const [snaps, setSnaps] = useState<ReadonlySet<SnapKind>>(USUAL_SNAPS);
    const [chosen, setChosen] = useState<ReadonlySet<number>>(new Set());
    const [changesOf, setChangesOf] = useState<number | null>(null);
    // A stage begins at its top, wherever the one before was scrolled to.
    const scroller = useRef<HTMLDivElement>(null);
    const part = `${stage} ${search.get('do')}`;
    useEffect(() => void (part && scroller.current?.scrollTo(0, 0)), [part]);
    useEffect(() => {
        void api.POST('/api/v1/projects/{project}/open', { params: { path: { project: id } } }).catch(() => undefined);
    }, [id]);
    const staked = useMemo(
        () => (points.data && marks.data ? withStakes(points.data, marks.data) : (points.data ?? [])),
        [points.data, marks.data],
    );
    const ground = useGround(id, project.data);
    const [along, setAlong] = useState(false);
    const [filter, setFilter] = useState(EVERYTHING);
    // In the field plan, list and steps show the same ones; what is staked now stays, whatever it has become.
    const shown = useMemo(() => {
        const fits = filterOf(filter, staked);
        return FIELD_STAGES.includes(stage) && isFiltered(filter) ? staked.filter((p) => fits(p) || p.id === target) : staked;
    }, [filter, staked, stage, target]);
    if (!project.data) {
        return null;
    }
    const props: StageProps = {
        project: project.data,
        control: control.data ?? [],
        designs: designs.data ?? [],
        points: shown,
        allPoints: staked,
        filter,
        setFilter,
        marks: marks.data ?? [],
        live: live.data,
        target,
        setTarget,
        aims: aims.data ?? NO_AIMS,
        aim: aims.data?.find((a) => a.id === aimId) ?? null,
        setAim,
        moves,
        setMoves,
        judged,
        setJudged,
        offering,
        setOffering,
        want,
        setWant,
        snaps,
        setSnaps,
        chosen,
        setChosen,
        changesOf,
        setChangesOf,
    };
    const staking = stage === 'stake' || stage === 'as-built';
    const aimed = targetPlace(props);
    // What is taken on the plan is the target at once, and the instrument looks for it there, unless it holds the prism.
    const taken = (next: Aim) => {
        setAim(next.id);
        setLineFrom(null);
        if (stage === 'stake' && next.place) {
            void lookFor(id, { aimId: next.id }).catch(() => undefined);
        }
    };
    // A point touched on the plan is a target like one from the list.
    const choosePoint = (point: number) => {
        // Of a line between two points neither is the target.
        if (lineFrom) {
            return;
        }
        if (staking) {
            setTarget(point);
        }
        if (stage === 'stake') {
            void lookFor(id, { pointId: point }).catch(() => undefined);
        }
    };
    // In the field a name that is found is the target; elsewhere the plan goes there and tells what it is.
    const found = (place: PlanPlace, point: number | null) => {
        setSearched(null);
        if (point !== null && staking) {
            choosePoint(point);
        } else {
            lookAt.say('found', { ...place });
        }
    };
    const Sheet = SHEETS[stage];
    const loading = control.isPending || points.isPending || designs.isPending || ground.pending;
    return (
        <div className={`frame ${folded ? 'folded' : ''}`}>
            <a
                href="#sheet"
                className="sr-only focus:not-sr-only focus:absolute focus:top-1 focus:left-1 focus:z-50 focus:inline-flex focus:min-h-12 focus:items-center focus:bg-chalk focus:px-4 focus:text-white"
            >
                To the sheet
            </a>
            <header className="flex flex-wrap items-stretch border-b-2 border-ink bg-sheet" style={{ gridArea: 'line' }}>
                <JobLine project={project.data} stage={stage} search={search} />
                <Plate
                    project={project.data}
                    live={live.data}
                    practising={practising}
                    onPractise={() => setPractising(!practising)}
                    theme={theme}
                    onTheme={(next) => {
                        applyTheme(next);
                        setTheme(next);
                    }}
                    onTurn={
                        stage === 'stake' && (target !== null || props.aim?.place)
                            ? () => turnTo(id, target !== null ? { pointId: target } : { aimId: aimId ?? 0 })
                            : null
                    }
                />
                {FIELD_STAGES.includes(stage) && <LeadStrip project={id} live={live.data} />}
                {live.error && (
                    <div className="w-full border-t border-rule p-2">
                        <Notice kind="error">{live.error.message}</Notice>
                    </div>
                )}
            </header>
            <section className="@container/plan relative min-h-0" style={{ gridArea: 'plan' }} aria-label="The plan and its tools">
                <div className="flex h-full min-h-0 flex-col">
                    <div className="relative min-h-0 flex-1">
                        <Plan
                            {...props}
                            civil={ground.drawn}
                            changesOf={stage === 'prepare' ? changesOf : null}
                            stage={stage}
                            loading={loading}
                            aimAt={aimed}
                            staking={staking}
                            offering={stage === 'stake' ? offering : 'off'}
                            note={
                                staking
                                    ? (what, close) =>
                                          what.thing === null ? (
                                              <TakeNote
                                                  // What was said of one touch is not said of the next.
                                                  key={`${what.place.northing} ${what.place.easting}`}
                                                  {...props}
                                                  touched={what}
                                                  holding={stage === 'as-built'}
                                                  from={lineFrom}
                                                  onFrom={setLineFrom}
                                                  onTaken={taken}
                                                  onClose={close}
                                              />
                                          ) : null
                                    : undefined
                            }
                            moreOf={(what, close) =>
                                what.thing?.what === 'alignment' ? (
                                    <TouchedAlignment
                                        project={id}
                                        touched={what}
                                        staking={stage === 'stake'}
                                        onTaken={taken}
                                        onClose={close}
                                    />
                                ) : staking ? (
                                    <LineFromPoint
                                        {...props}
                                        touched={what}
                                        from={lineFrom}
                                        onFrom={setLineFrom}
                                        onTaken={taken}
                                        onClose={close}
                                    />
                                ) : null
                            }
                            tools={
                                <>
                                    {FIELD_STAGES.includes(stage) && <FieldLayers {...props} />}
                                    <GroundMenu project={project.data} ground={ground} />
                                    {ground.alignments.length > 0 && (
                                        <Button
                                            kind="bare"
                                            className="justify-start!"
                                            aria-label="Along and across"
                                            title="Profile and cross-section"
                                            pressed={along}
                                            onClick={() => setAlong(!along)}
                                            icon={<ChartSpline />}
                                        >
                                            <span className="tool-word" data-word="Along" aria-hidden="true" />
                                        </Button>
                                    )}
                                </>
                            }
                            theme={theme}
                            want={stage === 'prepare' || stage === 'control' || stage === 'set-up' ? want : null}
                            poleCanBeDragged={practising}
                            onChoosePoint={choosePoint}
                            onFind={() => setSearched('')}
                            onPoleDragged={(place) =>
                                void ask(api.POST('/api/v1/practice', { body: { do: 'walk', ...place, atOnce: true } })).catch(
                                    () => undefined,
                                )
                            }
                        />
                        <GroundBadge project={project.data} ground={ground} />
                        <StationLabelsShown project={project.data} points={staked} alignments={ground.alignments} />
                    </div>
                    {along && (
                        <LookAlong
                            project={project.data}
                            ground={ground}
                            live={live.data}
                            aim={props.aim}
                            onClose={() => setAlong(false)}
                        />
                    )}
                </div>
                {practising && <PracticeDrawer {...props} onClose={() => setPractising(false)} />}
            </section>
            <main
                id="sheet"
                tabIndex={-1}
                className="relative flex min-h-0 flex-col border-rule border-t-2 bg-sheet min-[960px]:border-t-0 min-[960px]:border-l-2"
                style={{ gridArea: 'sheet' }}
                aria-label="Sheet"
            >
                <SheetEdge />
                {folded ? null : (
                    <>
                        <div ref={scroller} className="sheet-scroller min-h-0 flex-1 scroll-pt-14 overflow-auto">
                            <BarContext value={bar}>
                                <StageContext value={stage}>{loading ? LOADING : <Sheet {...props} />}</StageContext>
                            </BarContext>
                        </div>
                        <StepBar ref={setBar} />
                    </>
                )}
                <Button
                    kind="bare"
                    className="absolute top-1 right-1 z-10 bg-sheet"
                    aria-label={folded ? 'Unfold the sheet' : 'Fold the sheet away'}
                    onClick={() => setFolded(!folded)}
                    icon={folded ? <ChevronsLeft /> : <ChevronsRight />}
                />
            </main>
            <FieldBook project={project.data} />
            <Shortcuts project={id} onSearch={setSearched} />
            {searched !== null && (
                <FindPoint
                    title="Find a point"
                    points={staked}
                    control={props.control}
                    typed={searched}
                    onPoint={(p) => p && found(p, p.id)}
                    onControl={(c) => found(c, null)}
                    onClose={() => setSearched(null)}
                />
            )}
        </div>
    );
}
