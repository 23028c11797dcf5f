import { useMemo, useState } from 'react';
import { api, ask, type Schemas } from '../api/client';
import { useDeed, useProposals } from '../api/hooks';
import { Button } from '../parts/Button';
import { Length } from '../parts/Figure';
import { Failure, Notice } from '../parts/Notice';
import { figures, useShow } from '../plan/shown';
import type { StageProps } from '../stage/stages';

const MOST_LISTED = 300;
/** A change of height of less is none, metres. */
const RISES = 1e-5;

const NONE: Schemas['Proposal'][] = [];

/** Points whose source has changed: old place and new beside each other, adopted only when told. */
export function Proposals({ project }: StageProps) {
    const proposals = useProposals(project.id).data ?? NONE;
    const [open, setOpen] = useState(false);
    const path = { params: { path: { project: project.id } } };
    const adopt = useDeed(project.id, (ids: number[]) =>
        ask(api.POST('/api/v1/projects/{project}/proposals-adoption', { ...path, body: { ids } })),
    );
    const leave = useDeed(project.id, (ids: number[]) =>
        ask(api.POST('/api/v1/projects/{project}/recipes-dropping', { ...path, body: { ids } })),
    );
    const figure = useMemo(() => {
        if (!open) {
            return null;
        }
        const moves = proposals.flatMap((p) => (p.proposed ? [{ ...p, proposed: p.proposed }] : []));
        return {
            paths: moves.map((p) => [p.now.easting, p.now.northing, p.proposed.easting, p.proposed.northing]),
            places: moves.map((p) => ({ easting: p.proposed.easting, northing: p.proposed.northing, label: `${p.name}, new` })),
        };
    }, [open, proposals]);
    useShow(figures, figure);
    if (proposals.length === 0) {
        return null;
    }
    const able = proposals.filter((p) => p.proposed !== null);
    return (
        <section className="grid gap-2" aria-label="Changed sources">
            <Notice kind="caution">
                What {proposals.length === 1 ? 'one point was' : `${proposals.length} points were`} made from has changed. Nothing has
                moved.
                <Button className="mt-1 ml-2 px-3" onClick={() => setOpen(!open)}>
                    {open ? 'Hide them' : 'Show old and new'}
                </Button>
            </Notice>
            {open && (
                <>
                    {able.length > 1 && (
                        <Button
                            className="justify-self-start"
                            busy={adopt.isPending}
                            onClick={() => adopt.mutate(able.map((p) => p.pointId))}
                        >
                            Adopt all {able.length}
                        </Button>
                    )}
                    <Failure of={adopt.error ?? leave.error} />
                    <ul>
                        {proposals.slice(0, MOST_LISTED).map((p) => (
                            <li key={p.pointId} className="flex items-center gap-2 border-t border-rule py-1">
                                <div className="min-w-0 flex-1">
                                    <div>
                                        <span className="font-semibold">{p.name}</span>{' '}
                                        {p.proposed ? (
                                            <>
                                                moves <Length of={p.distance} />
                                                <Rise from={p.now.elevation} to={p.proposed.elevation} />
                                            </>
                                        ) : (
                                            <span className="text-out">can’t be worked out</span>
                                        )}
                                        {p.stakes > 0 && <span className="text-open"> · has been staked</span>}
                                    </div>
                                    <div className="text-sm text-quiet [overflow-wrap:anywhere]">{p.why}</div>
                                </div>
                                {p.proposed && (
                                    <Button className="px-3" onClick={() => adopt.mutate([p.pointId])}>
                                        Adopt
                                    </Button>
                                )}
                                <Button className="px-3" onClick={() => leave.mutate([p.pointId])}>
                                    Keep its place
                                </Button>
                            </li>
                        ))}
                    </ul>
                    {proposals.length > MOST_LISTED && <p className="text-quiet">and {proposals.length - MOST_LISTED} more</p>}
                </>
            )}
        </section>
    );
}

/** A point may move in its height alone. */
function Rise({ from, to }: { from: number | null; to: number | null }) {
    if (from === null || to === null) {
        return from === to ? null : <>, {to === null ? 'loses its elevation' : 'gets an elevation'}</>;
    }
    return Math.abs(to - from) < RISES ? null : (
        <>
            , <Length of={Math.abs(to - from)} /> {to > from ? 'higher' : 'lower'}
        </>
    );
}
