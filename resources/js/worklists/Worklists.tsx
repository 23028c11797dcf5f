import { ChevronDown, ChevronUp, Printer, Trash2, X } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, ask, type Judged, type Schemas, type StakeoutPoint } from '../api/client';
import { untilFinished, useDeed, useWorklists } from '../api/hooks';
import type { GivenPlace } from '../givens/given';
import { PlaceInput } from '../givens/PlaceInput';
import { TouchContext } from '../givens/touch';
import { Button } from '../parts/Button';
import { Choice } from '../parts/Field';
import { Length } from '../parts/Figure';
import { Failure, Notice } from '../parts/Notice';
import type { PlanFigure } from '../plan/contract';
import { figures, useShow } from '../plan/shown';
import type { StageProps } from '../stage/stages';

type List = Schemas['WorklistResource'];

/** Worklists: points to be staked together, in the order in which one walks over them. */
export function Worklists(props: StageProps) {
    const { project, points, want, setWant } = props;
    const lists = useWorklists(project.id).data ?? [];
    const [open, setOpen] = useState<number | null>(null);
    const list = lists.find((l) => l.id === open);
    const byId = new Map(points.map((p) => [p.id, p]));
    return (
        <TouchContext value={{ want, setWant }}>
            <div className="grid gap-3 p-4">
                {lists.length === 0 && (
                    <Notice>Choose points under Points, by touching them, with a box or by searching, and put them on a worklist.</Notice>
                )}
                <ul>
                    {lists.map((l) => (
                        <li key={l.id} className="border-b border-rule">
                            <button
                                type="button"
                                className="flex min-h-14 w-full cursor-pointer items-center justify-between gap-2 px-2 text-left hover:bg-wash"
                                aria-expanded={open === l.id}
                                onClick={() => setOpen(open === l.id ? null : l.id)}
                            >
                                <span className="min-w-0 truncate font-semibold">{l.name}</span>
                                <Counts list={l} byId={byId} />
                            </button>
                            {open === l.id && list && <OpenList {...props} list={list} byId={byId} />}
                        </li>
                    ))}
                </ul>
            </div>
        </TouchContext>
    );
}

function Counts({ list, byId }: { list: List; byId: Map<number, StakeoutPoint> }) {
    const there = list.pointIds.flatMap((id) => byId.get(id) ?? []);
    const done = there.filter((p) => p.stakes > 0).length;
    const skipped = there.filter((p) => p.stakes === 0 && list.skipped.includes(p.id)).length;
    return (
        <span className="figure shrink-0 text-sm">
            {done} done, {there.length - done - skipped} left
            {skipped > 0 && `, ${skipped} skipped`}
        </span>
    );
}

function OpenList({ project, points, control, list, byId }: StageProps & { list: List; byId: Map<number, StakeoutPoint> }) {
    const [from, setFrom] = useState<GivenPlace | null>(null);
    const [way, setWay] = useState<PlanFigure | null>(null);
    useShow(figures, way);
    const [walked, setWalked] = useState<{ length: number; was: number } | null>(null);
    const path = { params: { path: { project: project.id, list: list.id } } };
    const change = useDeed(project.id, (pointIds: number[]) =>
        ask(
            api.PUT('/api/v1/projects/{project}/worklists/{list}', {
                ...path,
                body: { name: list.name, pointIds, expected: list.pointIds, judged: list.judged },
            }),
        ),
    );
    const judge = useDeed(project.id, (judged: Judged | null) =>
        ask(
            api.PUT('/api/v1/projects/{project}/worklists/{list}', {
                ...path,
                body: { name: list.name, pointIds: list.pointIds, expected: list.pointIds, judged },
            }),
        ),
    );
    const walk = useDeed(project.id, async (kind: Schemas['WalkWanted']['kind']) => {
        const asked = (k: typeof kind) =>
            ask(
                api.POST('/api/v1/projects/{project}/walk', {
                    params: { path: { project: project.id } },
                    body: { pointIds: list.pointIds, kind: k, from },
                }),
            );
        const [now, then] = [await asked('asListed'), await asked(kind)];
        await change.mutateAsync(then.pointIds);
        setWalked({ length: then.length, was: now.length });
    });
    const remove = useDeed(project.id, () => ask(api.DELETE('/api/v1/projects/{project}/worklists/{list}', path)));
    const print = useDeed(project.id, async () => {
        const task = await untilFinished(project.id, ask(api.POST('/api/v1/projects/{project}/worklists/{list}/sheet', path)));
        window.open(`/api/v1/projects/${project.id}/reports/${task.id}.pdf`);
    });
    const there = list.pointIds.flatMap((id) => byId.get(id) ?? []);
    const swap = (i: number, k: number) => {
        const ids = there.map((p) => p.id);
        const [a, b] = [ids[i], ids[k]];
        if (a !== undefined && b !== undefined) {
            ids[i] = b;
            ids[k] = a;
            change.mutate(ids);
        }
    };
    return (
        <div className="grid gap-3 px-2 pb-4">
            <div className="flex flex-wrap items-end gap-2">
                <Link
                    className="inline-flex min-h-12 items-center border border-ink/50 px-4 hover:bg-wash"
                    to={`/p/${project.id}/stake?list=${list.id}`}
                >
                    Stake it
                </Link>
                <Button busy={print.isPending} onClick={() => print.mutate(undefined)} icon={<Printer />}>
                    Sheet for the field
                </Button>
                <Button onClick={() => setWay({ paths: [there.flatMap((p) => [p.easting, p.northing])], places: [] })}>
                    Show the walk
                </Button>
                <Button busy={remove.isPending} onClick={() => remove.mutate(undefined)} icon={<Trash2 />}>
                    Delete the list
                </Button>
            </div>
            <Choice
                label="What counts of its marks"
                value={list.judged ?? ''}
                options={[
                    ['', 'as their codes say'],
                    ['plan_and_height', 'plan and height'],
                    ['plan', 'plan only'],
                    ['height', 'height only'],
                ]}
                onValue={(j) => judge.mutate(j === '' ? null : j)}
            />
            <div className="grid gap-2 border-l-2 border-rule pl-3">
                <PlaceInput label="Walk from (empty: the first)" value={from} onValue={setFrom} points={points} control={control} />
                <div className="flex flex-wrap gap-1">
                    <Button className="px-3" busy={walk.isPending} onClick={() => walk.mutate('shortWalk')}>
                        A short walk
                    </Button>
                    <Button className="px-3" busy={walk.isPending} onClick={() => walk.mutate('nearestNext')}>
                        Nearest next
                    </Button>
                    <Button className="px-3" busy={walk.isPending} onClick={() => walk.mutate('byName')}>
                        By name
                    </Button>
                </div>
                {walked && (
                    <p role="status">
                        <Length of={walked.length} /> to walk; before <Length of={walked.was} />.
                    </p>
                )}
            </div>
            <Failure of={change.error ?? walk.error ?? remove.error ?? print.error} />
            <ol>
                {there.map((p, i) => (
                    <li key={p.id} className="flex items-center border-t border-rule">
                        <span className="figure w-9 text-sm text-quiet">{i + 1}</span>
                        <span className="min-w-0 flex-1 truncate">
                            <span className="font-semibold">{p.name}</span> <span className="text-quiet">{p.code}</span>
                            {p.stakes > 0 && <span className="text-quiet"> · done</span>}
                            {p.stakes === 0 && list.skipped.includes(p.id) && <span className="text-open"> · skipped</span>}
                        </span>
                        <Button
                            kind="bare"
                            aria-label={`${p.name} earlier`}
                            disabled={i === 0}
                            onClick={() => swap(i, i - 1)}
                            icon={<ChevronUp />}
                        />
                        <Button
                            kind="bare"
                            aria-label={`${p.name} later`}
                            disabled={i === there.length - 1}
                            onClick={() => swap(i, i + 1)}
                            icon={<ChevronDown />}
                        />
                        <Button
                            kind="bare"
                            aria-label={`${p.name} off the list`}
                            onClick={() => change.mutate(there.filter((q) => q !== p).map((q) => q.id))}
                            icon={<X />}
                        />
                    </li>
                ))}
            </ol>
        </div>
    );
}
