import { useState } from 'react';
import { Link } from 'react-router';
import { api, ask, newKey, type SetupState } from '../../api/client';
import { useChangeDraft, useDeed, useSetup } from '../../api/hooks';
import type { StageProps } from '../../frame/stages';
import { Button } from '../../parts/Button';
import { Coordinates, Deviation } from '../../parts/Figure';
import { Failure, Notice } from '../../parts/Notice';
import { Sheet } from '../Sheet';
import { CheckShot } from './CheckShot';
import { Conditions } from './Conditions';
import { Sights } from './Sights';
import { Solution } from './Solution';
import { WhyBad } from './WhyBad';

/** Where the instrument stands and which way it faces. */
export function SetUp(props: StageProps) {
    const { project, control } = props;
    const setup = useSetup(project.id);
    const [again, setAgain] = useState(false);
    if (control.length < 2) {
        return (
            <Sheet title="Set up">
                <Notice>A setup needs at least two control points.</Notice>
                <Link
                    className="inline-flex min-h-16 items-center justify-center bg-chalk px-6 text-lg font-semibold text-white"
                    to={`/p/${project.id}/control`}
                >
                    Bring in control
                </Link>
            </Sheet>
        );
    }
    if (!setup.data) {
        return <Sheet title="Set up">{setup.failureReason ? <Failure of={setup.failureReason} /> : <p>Loading…</p>}</Sheet>;
    }
    return setup.data.current && !again ? (
        <Holding {...props} state={setup.data} onAgain={() => setAgain(true)} />
    ) : (
        <Making {...props} state={setup.data} onDone={() => setAgain(false)} />
    );
}

/** The setup that holds, and check shots on it. */
function Holding(props: StageProps & { state: SetupState; onAgain: () => void }) {
    const { project, state, onAgain } = props;
    const s = state.current;
    return (
        s && (
            <Sheet
                title="Set up"
                next={
                    <>
                        <Button className="min-h-16" onClick={onAgain}>
                            Set up anew
                        </Button>
                        <Link
                            className="inline-flex min-h-16 items-center bg-chalk px-6 text-lg font-semibold text-white"
                            to={`/p/${project.id}/stake`}
                        >
                            Stake
                        </Link>
                    </>
                }
            >
                {props.live?.elsewhere && (
                    <Notice kind="error">
                        The instrument has been set up for {props.live.elsewhere} since: this setup does not hold any more. Set up anew.
                    </Notice>
                )}
                <section aria-label="Setup that holds">
                    <p>
                        Setup {s.id} holds since {s.at.slice(11, 16)} UTC: {s.method.replace('_', ' ')} at {s.stationName}.
                    </p>
                    <Coordinates {...s} />
                    <p>
                        {s.planDeviation === null ? (
                            'The place was given; the orientation has not been checked by a second sight.'
                        ) : (
                            <>
                                Standard deviation in plan <Deviation of={s.planDeviation} />, in height{' '}
                                <Deviation of={s.heightDeviation} none="none" />.
                            </>
                        )}
                    </p>
                </section>
                <CheckShot {...props} />
            </Sheet>
        )
    );
}

/** A setup being made: method, conditions, sights, and what they give. */
function Making(props: StageProps & { state: SetupState; onDone: () => void }) {
    const { project, control, state, onDone } = props;
    const { draft } = state;
    const change = useChangeDraft(project.id);
    const accept = useDeed(project.id, async (key: string) => {
        await ask(api.POST('/api/v1/projects/{project}/setups', { params: { path: { project: project.id } }, body: { key } }));
        await change.mutateAsync({ sights: [] });
    });
    const [key] = useState(newKey);
    return (
        <Sheet
            title="Set up"
            next={
                <>
                    {state.current && (
                        <Button className="min-h-16" onClick={onDone}>
                            Keep setup {state.current.id}
                        </Button>
                    )}
                    <Button
                        kind={state.solution ? 'primary' : 'plain'}
                        className="min-h-16"
                        disabled={!state.solution}
                        busy={accept.isPending}
                        onClick={() => accept.mutate(key, { onSuccess: onDone })}
                    >
                        Accept this setup
                    </Button>
                </>
            }
        >
            <fieldset className="grid grid-cols-2 gap-2">
                <legend className="mb-1 text-sm text-quiet">How the instrument finds its place</legend>
                <Button pressed={draft.method === 'resection'} onClick={() => change.mutate({ method: 'resection' })}>
                    Resection
                </Button>
                <Button pressed={draft.method === 'known_backsight'} onClick={() => change.mutate({ method: 'known_backsight' })}>
                    Known point
                </Button>
            </fieldset>
            <Conditions draft={draft} control={control} onChange={(part) => change.mutate(part)} />
            <Failure of={change.error ?? accept.error} />
            <Sights {...props} draft={draft} onSights={(sights) => change.mutateAsync({ sights })} />
            {state.explanations && (
                <WhyBad
                    explanations={state.explanations}
                    draft={draft}
                    control={control}
                    onSights={(sights) => change.mutate({ sights })}
                />
            )}
            {state.solution ? <Solution solution={state.solution} method={draft.method} /> : <Notice kind="info">{state.problem}</Notice>}
        </Sheet>
    );
}
