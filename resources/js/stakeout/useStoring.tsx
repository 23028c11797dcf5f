import { useRef, useState } from 'react';
import { Link } from 'react-router';
import { api, ask, type Judged, type Mark, Problem, type Project, type Schemas } from '../api/client';
import { markOf, measure, useDayDeed } from '../api/hooks';
import { Button, buttonLook } from '../parts/Button';
import { Dialog } from '../parts/Dialog';
import { Deviation, HeightAllowed, Sided } from '../parts/Figure';
import type { OffsetShot } from '../parts/offsetShot';
import { allowedOf, type HeightTolerance } from '../parts/tolerance';
import { Verdict } from '../parts/Verdict';
import { type Target, targetIds } from './target';

type Wish = {
    kind: 'stake' | 'as_built';
    target: Target | null;
    judged?: Judged | null;
    name?: string;
    code?: string;
    note?: string;
    offset?: OffsetShot | null;
    foundFrom?: Schemas['FoundFrom'] | null;
};

/** Measures one of the shots that a place is found from: a reading of its own, and no mark. */
export function useShooting(project: Project, onTaken: (reading: number) => void) {
    return useDayDeed(project.id, async ({ target, name }: { target: Target | null; name: string }) => {
        const done = await measure(project.id, { purpose: 'as_built', sighted: name, ...targetIds(target) });
        onTaken(done.observationId as number);
    });
}

/**
 * Measures on purpose; what is measured is stored where it arrives, whether this page is still there or not. What must be decided first is
 * asked of the person, and sent again under the same key, so that nothing is stored twice.
 */
export function useStoring(project: Project, onStored: (mark: Mark) => void) {
    const body = useRef<Schemas['MarkToStore'] | null>(null);
    const [asked, setAsked] = useState<Problem | null>(null);
    const stored = async (mark: Promise<Mark>) => {
        try {
            onStored(await mark);
            setAsked(null);
        } catch (e) {
            if (e instanceof Problem && (e.reason === 'no_check' || e.reason === 'out_of_tolerance')) {
                setAsked(e);
                return;
            }
            throw e;
        }
    };
    const send = useDayDeed(project.id, () =>
        stored(
            ask(
                api.POST('/api/v1/projects/{project}/marks', {
                    params: { path: { project: project.id } },
                    body: body.current as Schemas['MarkToStore'],
                }),
            ),
        ),
    );
    const begin = useDayDeed(
        project.id,
        async ({ kind, target, judged = null, name = '', code = '', note = '', offset = null, foundFrom = null }: Wish) => {
            const held = targetIds(target);
            const done = await measure(project.id, {
                purpose: kind,
                sighted: name,
                ...held,
                mark: { name, code, judged, note, offset, foundFrom },
            });
            body.current = {
                key: `${done.key}-mark`,
                observationId: done.observationId as number,
                kind,
                ...held,
                judged,
                name,
                code,
                note,
                offset,
                foundFrom,
            };
            await stored(Promise.resolve(done).then(markOf));
        },
    );
    const insist = (flags: Partial<Schemas['MarkToStore']>) => {
        body.current = { ...(body.current as Schemas['MarkToStore']), ...flags };
        send.mutate(undefined);
    };
    const question = (
        <Dialog
            open={asked !== null}
            onClose={() => setAsked(null)}
            title={asked?.reason === 'no_check' ? 'No check shot yet' : 'Out of tolerance'}
        >
            <p className="mb-3">{asked?.message}</p>
            {asked?.reason === 'out_of_tolerance' && (
                <p className="mb-3 text-lg">
                    <Verdict of="out" judged={asked.evidence.judged as Judged} />:{' '}
                    <Deviation of={asked.evidence.plan as number} allowed={asked.evidence.planTolerance as number} /> in plan,{' '}
                    <Sided
                        of={asked.evidence.height as number | null}
                        side="height"
                        none="no height"
                        allowed={allowedOf(asked.evidence as unknown as HeightTolerance, asked.evidence.height as number | null)}
                    />
                    . Tolerance <Deviation of={asked.evidence.planTolerance as number} /> and{' '}
                    <HeightAllowed of={asked.evidence as unknown as HeightTolerance} />.
                </p>
            )}
            <div className="flex flex-wrap justify-end gap-3">
                {asked?.reason === 'no_check' ? (
                    <>
                        <Button className="min-h-16" busy={send.isPending} onClick={() => insist({ withoutCheck: true })}>
                            Store without a check
                        </Button>
                        <Link to={`/p/${project.id}/set-up`} data-next className={buttonLook('primary')}>
                            Take a check shot
                        </Link>
                    </>
                ) : (
                    <>
                        <Button className="min-h-16" busy={send.isPending} onClick={() => insist({ evenOut: true })}>
                            Store, do it again later
                        </Button>
                        <Button className="min-h-16" busy={send.isPending} onClick={() => insist({ evenOut: true, leftSo: true })}>
                            Store and leave it so
                        </Button>
                        <Button kind="primary" onClick={() => setAsked(null)}>
                            Do not store
                        </Button>
                    </>
                )}
            </div>
        </Dialog>
    );
    return {
        busy: begin.isPending || send.isPending,
        error: begin.error ?? send.error,
        store: (wish: Wish) => begin.mutate(wish),
        reset: () => {
            begin.reset();
            send.reset();
            setAsked(null);
        },
        question,
    };
}
