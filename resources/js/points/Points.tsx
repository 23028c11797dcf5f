import { useVirtualizer } from '@tanstack/react-virtual';
import { Crosshair, DraftingCompass, Pencil, Trash2 } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { api, ask, type StakeoutPoint } from '../api/client';
import { useCodes } from '../api/hooks';
import { Button } from '../parts/Button';
import { Dialog } from '../parts/Dialog';
import { TextField } from '../parts/Field';
import { Coordinates, Length } from '../parts/Figure';
import { later } from '../parts/later';
import { NextStep } from '../parts/NextStep';
import { Failure, Notice } from '../parts/Notice';
import { ThumbRail } from '../parts/ThumbRail';
import { useAskedDeed } from '../parts/useAskedDeed';
import { onlyPoints, useShow } from '../plan/shown';
import type { StageProps } from '../stage/stages';
import { ChosenBar } from './ChosenBar';
import { CodesInOut } from './CodesInOut';
import { EVERYTHING, type Filter, FilterFields, filterOf, sharedNames } from './filter';
import { PointsIn } from './PointsIn';

const RecipeSheet = later(() => import('../cogo/RecipeSheet').then((m) => m.RecipeSheet));
const PointForm = later(() => import('./PointForm').then((m) => m.PointForm));
const NewPoint = later(() => import('./NewPoint').then((m) => m.NewPoint));
const PointsOut = later(() => import('./PointsOut').then((m) => m.PointsOut));
const Proposals = later(() => import('./Proposals').then((m) => m.Proposals));

/** One collator for all: making one for each comparison takes a hundred times as long. */
const NUMERIC = new Intl.Collator(undefined, { numeric: true });

const SORTS = {
    made: (a: StakeoutPoint, b: StakeoutPoint) => a.id - b.id,
    name: (a: StakeoutPoint, b: StakeoutPoint) => NUMERIC.compare(a.name, b.name),
    code: (a: StakeoutPoint, b: StakeoutPoint) => NUMERIC.compare(a.code, b.code) || a.id - b.id,
    elevation: (a: StakeoutPoint, b: StakeoutPoint) => (a.elevation ?? -1e9) - (b.elevation ?? -1e9),
};

/** The stakeout points: made by touching the drawing, listed, searched, changed, deleted. */
export function Points(props: StageProps) {
    const { project, points, designs, want, setWant, chosen, setChosen } = props;
    const picking = want?.id === 'new-point';
    const [choosing, setChoosing] = useState(chosen.size > 0);
    const [filter, setFilter] = useState<Filter>(EVERYTHING);
    const [filtering, setFiltering] = useState(false);
    const [recipe, setRecipe] = useState<StakeoutPoint | null>(null);
    const latest = useRef(chosen);
    latest.current = chosen;
    const turn = (id: number) => {
        const next = new Set(latest.current);
        next.has(id) ? next.delete(id) : next.add(id);
        setChosen(next);
    };
    const choose = (on: boolean) => {
        setChoosing(on);
        setChosen(new Set());
        setWant(null);
    };
    // A touch on the plan chooses, unless a field of a sheet waits for one.
    useEffect(() => {
        if (choosing && want === null) {
            setWant({ id: 'choose', picking: 'points', onTake: ({ thing }) => thing?.what === 'point' && turnRef.current(thing.id) });
        }
    }, [choosing, want, setWant]);
    useEffect(() => () => setWant(null), [setWant]);
    const turnRef = useRef(turn);
    turnRef.current = turn;
    const [query, setQuery] = useState('');
    const [sort, setSort] = useState<keyof typeof SORTS>('made');
    const [edited, setEdited] = useState<StakeoutPoint | 'new' | null>(null);
    const [files, setFiles] = useState(points.length === 0);
    const scroller = useRef<HTMLDivElement>(null);
    const remove = useAskedDeed(project.id, (ids: number[], evenHeld) =>
        ask(
            api.POST('/api/v1/projects/{project}/points-deletion', {
                params: { path: { project: project.id } },
                body: { ids, evenHeld },
            }),
        ),
    );
    const codes = useCodes(project.id).data;
    const trades = useMemo(() => new Map(codes?.map((c) => [c.code, `${c.trade} ${c.description}`])), [codes]);
    // Sorted and put into words once; typing only filters.
    const sorted = useMemo(
        () =>
            [...points].sort(SORTS[sort]).map((p) => ({
                p,
                words: `${p.name} ${p.code} ${p.description} ${p.made} ${p.attributes ?? ''} ${trades.get(p.code) ?? ''}`.toLowerCase(),
            })),
        [points, sort, trades],
    );
    const listed = useMemo(() => {
        const wanted = query.toLowerCase().split(/\s+/).filter(Boolean);
        const fits = filterOf(filter, points);
        return sorted.filter(({ p, words }) => wanted.every((w) => words.includes(w)) && fits(p)).map(({ p }) => p);
    }, [sorted, query, filter, points]);
    const shared = useMemo(() => sharedNames(points), [points]);
    // The plan shows what the list shows.
    const narrowed = listed.length < points.length;
    useShow(
        onlyPoints,
        useMemo(() => (narrowed ? new Set(listed.map((p) => p.id)) : null), [narrowed, listed]),
    );
    const rows = useVirtualizer({ count: listed.length, getScrollElement: () => scroller.current, estimateSize: () => 62, overscan: 8 });
    if (recipe) {
        return <RecipeSheet {...props} point={recipe} onClose={() => setRecipe(null)} />;
    }
    return (
        <div className="flex flex-1 flex-col">
            <div className="grid gap-3 p-4 pb-2">
                <Proposals {...props} />
                {choosing && <ChosenBar {...props} found={listed} />}
                {picking ? (
                    <NewPoint {...props} />
                ) : (
                    <>
                        {points.length === 0 && (
                            <Notice>
                                {designs.length === 0
                                    ? 'Bring in a drawing first, or type points in.'
                                    : 'Touch the drawing to make the first stakeout point.'}
                            </Notice>
                        )}
                        <div className="flex flex-wrap gap-2">
                            {designs.length === 0 && (
                                <NextStep as="aside">
                                    <span className="text-quiet">There is no drawing to touch.</span>
                                </NextStep>
                            )}
                            <NextStep as={points.length === 0 ? 'first' : 'second'}>
                                <Button
                                    kind={points.length === 0 && designs.length > 0 ? 'primary' : 'plain'}
                                    className="min-h-16"
                                    disabled={designs.length === 0}
                                    onClick={() => setWant({ id: 'new-point', picking: 'spot', onTake: () => undefined })}
                                    icon={<Crosshair />}
                                >
                                    Make points by touch
                                </Button>
                            </NextStep>
                            <Button className="px-2!" onClick={() => setEdited('new')}>
                                Type one in
                            </Button>
                            <Button className="px-2!" onClick={() => setFiles(!files)} pressed={files}>
                                Points in and out
                            </Button>
                            {points.length > 0 && (
                                <Button className="px-2!" onClick={() => choose(!choosing)} pressed={choosing}>
                                    Choose several
                                </Button>
                            )}
                        </div>
                        {files && (
                            <div className="grid gap-2">
                                <PointsIn
                                    project={project}
                                    target="points"
                                    label="Choose or drop a list of points (CSV, text, LandXML, GeoJSON)"
                                />
                                {points.length > 0 && <PointsOut project={project} initially="points" />}
                                <CodesInOut project={project} />
                            </div>
                        )}
                    </>
                )}
                {points.length > 0 && (
                    <div className="flex items-end gap-2">
                        <div className="flex-1">
                            <TextField label={`Search ${points.length} points`} value={query} onValue={setQuery} type="search" />
                        </div>
                        <Button
                            pressed={filtering}
                            onClick={() => {
                                setFiltering(!filtering);
                                setFilter(EVERYTHING);
                            }}
                        >
                            Filter
                        </Button>
                        <label className="text-sm text-quiet">
                            Sort by
                            <select
                                className="block min-h-12 border border-ink/50 bg-sheet px-2 text-base text-ink"
                                value={sort}
                                onChange={(e) => setSort(e.target.value as keyof typeof SORTS)}
                            >
                                {Object.keys(SORTS).map((s) => (
                                    <option key={s}>{s}</option>
                                ))}
                            </select>
                        </label>
                    </div>
                )}
                {points.length > 0 && filtering && <FilterFields points={points} filter={filter} onFilter={setFilter} />}
                {listed.length < points.length && (
                    <div className="flex items-center justify-between text-sm">
                        {listed.length} of {points.length} found
                        {listed.length > 0 && !choosing && (
                            <Button
                                onClick={() => {
                                    choose(true);
                                    setChosen(new Set(listed.map((p) => p.id)));
                                }}
                            >
                                Choose these {listed.length}
                            </Button>
                        )}
                    </div>
                )}
                <Failure of={remove.error} />
                {remove.question}
            </div>
            <div className="flex min-h-60 flex-1 border-t border-rule" style={{ maxHeight: 'calc(100cqh - 3.2rem)' }}>
                <div ref={scroller} className="min-w-0 flex-1 overflow-auto pr-2 pl-4">
                    <ul className="relative" style={{ height: rows.getTotalSize() }}>
                        {rows.getVirtualItems().map((row) => {
                            const p = listed[row.index];
                            return (
                                p && (
                                    <li
                                        key={p.id}
                                        className="absolute flex w-full items-center border-b border-rule"
                                        style={{ top: row.start, height: row.size }}
                                    >
                                        {choosing && (
                                            <label className="flex min-h-12 min-w-12 items-center justify-center">
                                                <input
                                                    type="checkbox"
                                                    className="size-6"
                                                    aria-label={`Choose ${p.name}`}
                                                    checked={chosen.has(p.id)}
                                                    onChange={() => turn(p.id)}
                                                />
                                            </label>
                                        )}
                                        <div className="min-w-0 flex-1">
                                            <div className="flex justify-between gap-2">
                                                <span className="min-w-0 truncate">
                                                    <span className="font-semibold">{p.name}</span>{' '}
                                                    <span className="text-quiet">
                                                        {p.code}
                                                        {(shared.get(p.name) ?? 0) > 1 &&
                                                            ` · ${shared.get(p.name) === 2 ? 'pair' : `one of ${shared.get(p.name)}`}`}
                                                        {p.stakes > 0 && ' · staked'}
                                                    </span>
                                                </span>
                                                <span className="shrink-0 whitespace-nowrap text-sm">
                                                    El <Length of={p.elevation} />
                                                </span>
                                            </div>
                                            <div className="truncate text-[0.8rem]">
                                                <Coordinates northing={p.northing} easting={p.easting} />
                                            </div>
                                        </div>
                                        {!choosing && ['computed', 'drawing', 'model'].includes(p.origin) && (
                                            <Button
                                                kind="bare"
                                                aria-label={`How ${p.name} was made`}
                                                title="How it was made"
                                                onClick={() => setRecipe(p)}
                                                icon={<DraftingCompass />}
                                            />
                                        )}
                                        <Button
                                            kind="bare"
                                            aria-label={`Change ${p.name}`}
                                            onClick={() => setEdited(p)}
                                            icon={<Pencil />}
                                        />
                                        <Button
                                            kind="bare"
                                            aria-label={`Delete ${p.name}`}
                                            onClick={() => remove.mutate([p.id])}
                                            icon={<Trash2 />}
                                        />
                                    </li>
                                )
                            );
                        })}
                    </ul>
                </div>
                <ThumbRail scroller={scroller} count={listed.length} nameOf={(i) => listed[i]?.name ?? ''} />
            </div>
            <Dialog
                open={edited !== null}
                onClose={() => setEdited(null)}
                title={edited === 'new' ? 'New stakeout point' : 'Change stakeout point'}
            >
                {edited && <PointForm project={project} point={edited === 'new' ? null : edited} onDone={() => setEdited(null)} />}
            </Dialog>
        </div>
    );
}
