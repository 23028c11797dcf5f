import { useEffect, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { api, ask, newKey, type Schemas, type SetupState } from '../api/client';
import { draftScope, untilFinished, useChangeDraft, useChecks, useDeed, useMeasuring, useSetup } from '../api/hooks';
import { readingsOf } from '../api/readings';
import { Button, buttonLook } from '../parts/Button';
import { KeptTextField } from '../parts/Field';
import { Coordinates, Deviation, Length } from '../parts/Figure';
import { Failure, Notice } from '../parts/Notice';
import { figures, useShow } from '../plan/shown';
import { Sheet } from '../stage/Sheet';
import type { StageProps } from '../stage/stages';
import { localZone, timeOfDay } from '../units/times';
import { awayWords } from './away';
import { CheckShot } from './CheckShot';
import { heightAsItStands } from './Conditions';
import { evidenceOf } from './evidence';
import { GridLinesSetup } from './GridLinesSetup';
import { MendedSetups } from './Mended';
import { methodWords } from './Methods';
import { NewControl } from './NewControl';
import { BaselineSetup, GivenDirection } from './OtherMarks';
import { Places } from './Places';
import { Settled } from './Settled';
import { SightedMarks } from './SightedMarks';
import { Sights } from './Sights';
import { Solution } from './Solution';
import { WhereToStand } from './WhereToStand';
import { WhyBad } from './WhyBad';
import { WithoutLink } from './WithoutLink';

/** The ways that sight control. */
const SIGHTS = ['resection', 'known_backsight', 'grid_lines', 'height_only', 'orientation_only'];

/** What is said of a setup whose place was not found but given or kept. */
const KEPT: Record<string, string> = {
    known_backsight: 'The place was given.',
    known_direction: 'Place and direction were given.',
    baseline: 'The place was assumed.',
    height_only: 'Place and orientation are kept from the setup before; the height is new.',
    orientation_only: 'The place is kept from the setup before; the orientation is new.',
};

const FINDS_PLACE = ['resection', 'grid_lines', 'baseline'];

/** Where the instrument stands and which way it faces. */
export function SetUp(props: StageProps) {
    const { project } = props;
    const setup = useSetup(project.id);
    const [again, setAgain] = useState(false);
    const [looking, setLooking] = useState(false);
    if (!setup.data) {
        return <Sheet title="Set up">{setup.failureReason ? <Failure of={setup.failureReason} /> : <p>Loading…</p>}</Sheet>;
    }
    if (looking) {
        return (
            <WhereToStand
                {...props}
                onDone={() => {
                    setLooking(false);
                    setAgain(true);
                }}
            />
        );
    }
    return setup.data.current && !again ? (
        <Holding {...props} state={setup.data} onAgain={() => setAgain(true)} onLook={() => setLooking(true)} />
    ) : (
        <Making {...props} state={setup.data} onDone={() => setAgain(false)} onLook={() => setLooking(true)} />
    );
}

/** The setup that holds, and check shots on it. */
function Holding(props: StageProps & { state: SetupState; onAgain: () => void; onLook: () => void }) {
    const { project, state, onAgain, onLook } = props;
    const s = state.current;
    const checks = useChecks(project.id).data;
    const away = awayWords(props.live);
    const lost = checks?.holds === false || away !== null;
    const proved = checks?.holds === true && !checks.due;
    const print = useDeed(project.id, async (setup: number) => {
        const path = { params: { path: { project: project.id, setup } }, body: { zone: localZone() } };
        const task = await untilFinished(project.id, ask(api.POST('/api/v1/projects/{project}/setups/{setup}/sheet', path)));
        window.open(`/api/v1/projects/${project.id}/reports/${task.id}.pdf`);
    });
    return (
        s && (
            <Sheet
                title="Set up"
                next={
                    lost ? (
                        <Button kind="primary" onClick={onAgain}>
                            Set up anew
                        </Button>
                    ) : (
                        <Link
                            data-next={proved || undefined}
                            className={proved ? buttonLook('primary') : `${buttonLook('plain')} min-h-16`}
                            to={`/p/${project.id}/stake`}
                        >
                            Stake
                        </Link>
                    )
                }
            >
                {away && <Notice kind="error">{away}</Notice>}
                <section aria-label="Setup that holds">
                    <div className="flex items-start gap-2">
                        <p className="min-w-0 flex-1">
                            Setup {s.number}, since {timeOfDay(s.at)}: {methodWords(s.method)} at {s.stationName}.
                        </p>
                        {!lost && <Button onClick={onAgain}>Set up anew</Button>}
                    </div>
                    {s.note !== '' && <p>{s.note}.</p>}
                    <Coordinates {...s} />
                    {s.passes === false && (
                        <Notice kind="caution">
                            Its sights did not fit each other when it was accepted: how far it may be wrong cannot be said. Set up anew, or
                            mend the reading that is wrong.
                        </Notice>
                    )}
                    <p>
                        {s.planDeviation === null && s.passes !== false && (KEPT[s.method] ?? '')}
                        {s.planDeviation !== null && (
                            <>
                                Standard deviation in plan <Deviation of={s.planDeviation} />
                                {s.heightDeviation !== null && ', '}
                            </>
                        )}
                        {s.heightDeviation !== null && (
                            <>
                                {s.planDeviation === null && ' Standard deviation '}in height <Deviation of={s.heightDeviation} />.
                            </>
                        )}
                    </p>
                    {s.cautions.map((c) => (
                        <p key={c} className="text-open text-sm">
                            {c}
                        </p>
                    ))}
                </section>
                <MendedSetups project={project} />
                {/* Of an instrument that stands elsewhere now, no check says that this setup holds. */}
                {(!away || props.live?.unproven) && <CheckShot {...props} />}
                <SightedMarks project={project} />
                <NewControl {...props} />
                <div className="flex flex-wrap gap-2">
                    <Button busy={print.isPending} onClick={() => print.mutate(s.id)}>
                        Setup sheet as PDF
                    </Button>
                    <Button onClick={onLook}>Where to stand next</Button>
                </div>
                <Failure of={print.error} />
            </Sheet>
        )
    );
}

/** Two marks, proved by the distance between them before the setup hangs on both. */
function Apart({ of: a }: { of: Schemas['MarksApart'] }) {
    const off = a.measured - a.listed;
    return (
        <p className={Math.abs(off) > a.expected ? 'font-semibold text-out' : 'text-sm'}>
            {a.from} and {a.to} lie <Length of={a.measured} /> apart as measured, <Deviation of={Math.abs(off)} />{' '}
            {off < 0 ? 'less' : 'more'} than as listed; up to <Deviation of={a.expected} /> is to be expected.
        </p>
    );
}

/** A setup being made: method, conditions, sights, and what they give. */
function Making(props: StageProps & { state: SetupState; onDone: () => void; onLook: () => void }) {
    const { project, control, state, onDone, onLook } = props;
    const { draft } = state;
    const change = useChangeDraft(project.id);
    // Behind all that was typed before it.
    const accept = useDeed(
        project.id,
        (key: string) =>
            ask(
                api.POST('/api/v1/projects/{project}/setups', {
                    params: { path: { project: project.id } },
                    body: { key, seenReadings: readingsOf(draft) },
                }),
            ),
        draftScope(project.id),
    );
    const measuring = useMeasuring();
    const [key] = useState(newKey);
    const bad = (state.explanations?.length ?? 0) > 0;
    const ready = Boolean(state.solution?.oriented && state.solution.passes !== false && !state.weakness && state.beyondLimit.length === 0);
    const untold = draft.heightDue && state.solution?.station.mark.elevation != null;
    const { setWant } = props;
    const evidence = useMemo(() => evidenceOf(state, control), [state, control]);
    useShow(figures, evidence?.figure ?? null);
    useEffect(() => () => setWant(null), [setWant]);
    return (
        <Sheet
            title={
                <>
                    <span className="mr-auto">Set up</span>
                    {state.current && (
                        <Button className="font-normal text-base" title="It holds until another is accepted" onClick={onDone}>
                            Keep setup {state.current.number}
                        </Button>
                    )}
                </>
            }
            next={
                state.solution?.oriented && (
                    <>
                        {measuring && (
                            <span id={`${key} waits`} className="self-center text-quiet">
                                A sight is being measured.
                            </span>
                        )}
                        {/* What stands in grey has to be told before: here it can be, where the eye is. */}
                        {untold && (
                            <Button
                                kind={ready ? 'primary' : 'plain'}
                                className="min-h-16"
                                // What was typed a moment ago is on its way, and not what is read here.
                                busy={change.isPending}
                                onClick={() => change.mutate(heightAsItStands(draft))}
                            >
                                It stands <Length of={draft.instrumentHeight} /> high
                            </Button>
                        )}
                        <Button
                            kind={ready && !untold ? 'primary' : 'plain'}
                            className="min-h-16"
                            aria-label="Accept this setup"
                            aria-describedby={measuring ? `${key} waits` : undefined}
                            disabled={measuring || untold}
                            busy={accept.isPending}
                            onClick={() => accept.mutate(key, { onSuccess: onDone })}
                        >
                            Accept
                        </Button>
                    </>
                )
            }
        >
            <Settled
                project={project}
                state={state}
                control={control}
                barometer={props.live?.instrument.pressure ?? null}
                onChange={(part) => change.mutate(part)}
            />
            {draft.sights.length + draft.shots.length === 0 && (
                <Button className="justify-self-start" onClick={onLook}>
                    Where to stand
                </Button>
            )}
            <Failure of={change.error ?? accept.error} />
            {draft.method === 'grid_lines' && <GridLinesSetup {...props} onChange={(part) => change.mutateAsync(part)} />}
            {draft.method === 'known_direction' && <GivenDirection {...props} onChange={(part) => change.mutateAsync(part)} />}
            {draft.method === 'baseline' && <BaselineSetup {...props} onChange={(part) => change.mutateAsync(part)} />}
            {SIGHTS.includes(draft.method) && control.length < 2 && (
                <>
                    <Notice>
                        {draft.method === 'grid_lines'
                            ? 'With grid lines no control is needed; where there is some, it can be sighted beside them.'
                            : 'A setup on control needs at least two control points. With none, grid lines or a baseline will do.'}
                    </Notice>
                    <Link data-next className={buttonLook('primary')} to={`/p/${project.id}/control`}>
                        Bring in control
                    </Link>
                </>
            )}
            {SIGHTS.includes(draft.method) && (
                <Sights {...props} state={state} ready={ready || bad} onSights={(sights) => change.mutateAsync({ sights })} />
            )}
            {state.apart && <Apart of={state.apart} />}
            <Places state={state} onChange={(part) => change.mutate(part)} />
            {state.explanations && (
                <WhyBad
                    project={project.id}
                    explanations={state.explanations}
                    draft={draft}
                    control={control}
                    onChange={(part) => change.mutate(part)}
                />
            )}
            {state.solution ? (
                <Solution
                    solution={state.solution}
                    explained={bad}
                    weakness={state.weakness}
                    beyond={{ names: state.beyondLimit, limit: project.residualLimit }}
                    times={evidence?.times ?? null}
                />
            ) : (
                <Notice kind="info">{state.problem}</Notice>
            )}
            {state.solution && FINDS_PLACE.includes(draft.method) && (
                <KeptTextField
                    label="Name of the station"
                    value={draft.stationName}
                    placeholder={draft.nextName}
                    onValue={(stationName) => change.mutate({ stationName })}
                    hint={`It is kept as a point with its uncertainty; ${draft.nextName} where nothing is typed.`}
                />
            )}
            <WithoutLink {...props} draft={draft} />
        </Sheet>
    );
}
