import { type ReactNode, useEffect, useMemo, useState } from 'react';
import { useGridLines } from '../api/hooks';
import type { Elevation } from '../givens/ElevationInput';
import { TouchContext } from '../givens/touch';
import { Button } from '../parts/Button';
import { NextStep } from '../parts/NextStep';
import { Notice } from '../parts/Notice';
import type { PlanFigure } from '../plan/contract';
import { figures, useShow } from '../plan/shown';
import type { StageProps } from '../stage/stages';
import { COLLECTIONS, type CollectionKind, CollectPlaces } from './CollectPlaces';
import { bodyOf, type Draft, draftOf, emptyDraft } from './draft';
import { GivensForm } from './GivensForm';
import { Keep } from './Keep';
import { KINDS, type Kind, type KindSpec } from './kinds';
import type { ComputationProps } from './props';
import { keyOf, type Made, Outcome, Solutions } from './Solutions';
import { useConstruction } from './useConstruction';

/** What is counted from the beginning of a line. */
const FROM_ITS_START: ReadonlySet<Kind> = new Set<Kind>(['along', 'divided', 'every', 'corners']);

const GROUPS = [...new Set(KINDS.map((k) => k.group))];

/** Points by computation: chosen, filled in while it is drawn, kept when told. */
export function Compute({ grid, ...props }: StageProps & { grid: (close: () => void) => ReactNode }) {
    const [kind, setKind] = useState<Kind | `many ${CollectionKind}` | 'grid' | null>(null);
    const close = () => setKind(null);
    if (kind === 'grid') {
        return grid(close);
    }
    const many = COLLECTIONS.find(([k]) => `many ${k}` === kind)?.[0];
    if (many) {
        return <CollectPlaces key={many} {...props} kind={many} onClose={close} />;
    }
    const spec = KINDS.find((k) => k.kind === kind);
    if (!spec) {
        return (
            <div className="grid gap-4 p-4">
                <section>
                    <h2 className="mb-1 text-sm text-quiet">Many at once, from the drawing</h2>
                    <div className="grid grid-cols-2 gap-2">
                        <Button className="justify-start text-left" onClick={() => setKind('grid')}>
                            Grid lines
                        </Button>
                        {COLLECTIONS.map(([k, words]) => (
                            <Button key={k} className="justify-start text-left" onClick={() => setKind(`many ${k}`)}>
                                {words}
                            </Button>
                        ))}
                    </div>
                </section>
                {GROUPS.map((group) => (
                    <section key={group}>
                        <h2 className="mb-1 text-sm text-quiet">{group}</h2>
                        <div className="grid grid-cols-2 gap-2">
                            {KINDS.filter((k) => k.group === group).map((k) => (
                                <Button key={k.kind} className="justify-start text-left" onClick={() => setKind(k.kind)}>
                                    {k.words}
                                </Button>
                            ))}
                        </div>
                    </section>
                ))}
            </div>
        );
    }
    return <Computation key={spec.kind} {...props} spec={spec} onClose={close} />;
}

/** One computation, new or of a point that was made by it. */
export function Computation(props: ComputationProps) {
    const { project, points, control, spec, onClose, point, recipe, want, setWant, chosen } = props;
    const [draft, setDraft] = useState<Draft>(() => (recipe ? draftOf(recipe.construction) : emptyDraft(spec)));
    const [elevation, setElevation] = useState<Elevation>(recipe?.elevation ?? { rule: 'asMade', value: 0 });
    /** places decided otherwise than they are by themselves */
    const [toggled, setToggled] = useState<ReadonlySet<string>>(new Set());
    const gridLines = useGridLines(project.id).data ?? [];
    const construction = bodyOf(draft, spec);
    const { made, error } = useConstruction(project.id, construction, elevation);
    const [said, setSaid] = useState('');
    const own = recipe ? keyOf(recipe.letter, recipe.index) : null;
    const [moved, setMoved] = useState<string | null>(own);
    const kept = useMemo(() => keptOf(made, toggled, recipe ? moved : null), [made, toggled, moved, recipe]);
    useShow(
        figures,
        useMemo(() => (made ? figureOf(made, kept, spec.kind) : null), [made, kept, spec.kind]),
    );
    useEffect(() => () => setWant(null), [setWant]);
    const choose = (keys: string[]) => (recipe ? setMoved(keys[0] ?? null) : setToggled((now) => turned(now, keys)));
    return (
        <TouchContext value={{ want, setWant }}>
            <form className="grid gap-4 p-4" aria-label={spec.words} onSubmit={(e) => e.preventDefault()}>
                <div className="flex items-center justify-between gap-2">
                    <h2 className="text-lg font-semibold">{point ? `${point.name}: ${spec.words.toLowerCase()}` : spec.words}</h2>
                    <Button onClick={onClose}>{point ? 'Cancel' : 'Other computations'}</Button>
                </div>
                {said && <Notice>{said}</Notice>}
                <GivensForm
                    spec={spec}
                    draft={draft}
                    onDraft={setDraft}
                    gridLines={gridLines}
                    chosen={chosen}
                    begins={FROM_ITS_START.has(spec.kind)}
                    points={points}
                    control={control}
                />
                <NextStep as="says">
                    {error ? (
                        <p className="font-semibold text-out">▲ {error.message}</p>
                    ) : made ? (
                        <Outcome made={made} kept={kept} figuresOnly={spec.figuresOnly ?? false} onKept={choose} />
                    ) : (
                        <p className="text-quiet">Drawn as soon as everything is given.</p>
                    )}
                </NextStep>
                {made && !spec.figuresOnly && <Solutions made={made} kept={kept} onKept={choose} />}
                {made && construction && !spec.figuresOnly && (
                    <Keep
                        {...props}
                        made={made}
                        construction={construction}
                        elevation={elevation}
                        onElevation={setElevation}
                        kept={kept}
                        onKept={(words) => {
                            setSaid(words);
                            setDraft(emptyAfter(draft, spec));
                            setToggled(new Set());
                        }}
                    />
                )}
            </form>
        </TouchContext>
    );
}

/** After keeping, the same is ready to be done from other places. */
function emptyAfter(draft: Draft, spec: KindSpec): Draft {
    const empty = emptyDraft(spec);
    return { ...draft, places: empty.places, lines: empty.lines, chain: empty.chain };
}

function turned(now: ReadonlySet<string>, keys: string[]): ReadonlySet<string> {
    const next = new Set(now);
    for (const key of keys) {
        next.has(key) ? next.delete(key) : next.add(key);
    }
    return next;
}

/** Of several solutions none is kept before it is chosen; what stands already is left out; for a recipe only the point's own place counts. */
function keptOf(made: Made | null, toggled: ReadonlySet<string>, only: string | null): ReadonlySet<string> {
    const kept = new Set<string>();
    for (const s of made?.solutions ?? []) {
        for (const [i, p] of s.places.entries()) {
            const key = keyOf(s.letter, i);
            const byItself = p.standsAs === null && made?.solutions.length === 1;
            if (only !== null ? key === only : byItself !== toggled.has(key)) {
                kept.add(key);
            }
        }
    }
    return kept;
}

/** Where a line that was worked along begins and ends: easting and northing. */
function endsOf(made: Made, kind: Kind): [[number, number], [number, number]] | null {
    const all = made.solutions[0]?.drawn ?? [];
    // The last piece of a place along and beside is the way from the line to it.
    const drawn = kind === 'along' ? all.slice(0, -1) : all;
    const [first, last] = [drawn[0]?.flat ?? [], drawn.at(-1)?.flat ?? []];
    const n = last.length;
    return first.length < 2 || n < 2
        ? null
        : [
              [first[0] ?? 0, first[1] ?? 0],
              [last[n - 2] ?? 0, last[n - 1] ?? 0],
          ];
}

function figureOf(made: Made, kept: ReadonlySet<string>, kind: Kind): PlanFigure {
    const several = made.solutions.length > 1;
    const start = FROM_ITS_START.has(kind) ? endsOf(made, kind)?.[0] : null;
    return {
        paths: made.solutions.flatMap((s) => s.drawn.map((d) => d.flat)),
        places: [
            ...(start ? [{ easting: start[0], northing: start[1], label: 'start', below: true }] : []),
            ...made.solutions.flatMap((s) =>
                s.places.map((p, i) => ({
                    easting: p.easting,
                    northing: p.northing,
                    label: several ? s.letter : p.word,
                    quiet: !kept.has(keyOf(s.letter, i)),
                })),
            ),
        ],
    };
}
