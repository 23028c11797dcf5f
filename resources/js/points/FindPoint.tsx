import { useVirtualizer } from '@tanstack/react-virtual';
import { useId, useMemo, useRef, useState } from 'react';
import type { Aim, ControlPoint, Schemas, StakeoutPoint } from '../api/client';
import { Dialog } from '../parts/Dialog';
import { Length } from '../parts/Figure';
import { ThumbRail } from '../parts/ThumbRail';
import type { PlanPlace } from '../plan/contract';
import { toChords } from '../plan/spots';

interface Props {
    title: string;
    points: StakeoutPoint[];
    control?: ControlPoint[];
    /** what was chosen in the field to be staked */
    aims?: Aim[];
    gridLines?: Schemas['GridLineResource'][];
    /** from where it is said how far away each one is */
    from?: PlanPlace | null;
    /** typed already when it opened */
    typed?: string;
    /** what choosing nothing means, where that can be chosen */
    none?: string;
    onPoint: (point: StakeoutPoint | null) => void;
    onControl?: (control: ControlPoint) => void;
    onAim?: (aim: Aim) => void;
    onGridLine?: (id: number) => void;
    onClose: () => void;
}

type Row = {
    key: string;
    name: string;
    says: string;
    words: string;
    point?: StakeoutPoint;
    control?: ControlPoint;
    aim?: Aim;
    gridLine?: number;
};

const ROW = 56;

const STATES = { open: 'not yet staked', redo: 'staked out of tolerance, to redo', done: 'staked' };

const NO_CONTROL: ControlPoint[] = [];

const NO_AIMS: Aim[] = [];

const NO_LINES: Schemas['GridLineResource'][] = [];

const NUMERIC = new Intl.Collator(undefined, { numeric: true });

/** A point or a control point by its name: typed, or by the thumb along the list. */
export function FindPoint({
    title,
    points,
    control = NO_CONTROL,
    aims = NO_AIMS,
    gridLines = NO_LINES,
    from = null,
    typed = '',
    none,
    onPoint,
    onControl,
    onAim,
    onGridLine,
    onClose,
}: Props) {
    const field = useId();
    const [query, setQuery] = useState(typed);
    const scroller = useRef<HTMLDivElement>(null);
    // Put into order once: pages redraw several times a second while the instrument is live.
    const rows = useMemo(() => rowsOf(points, control, aims, gridLines), [points, control, aims, gridLines]);
    const wanted = query.trim().toLowerCase();
    const found = useMemo(() => foundOf(rows, wanted, none), [rows, wanted, none]);
    const choose = (row: Row | undefined) => {
        if (row?.control) {
            onControl?.(row.control);
        } else if (row?.aim) {
            onAim?.(row.aim);
        } else if (row?.gridLine !== undefined) {
            onGridLine?.(row.gridLine);
        } else if (row) {
            onPoint(row.point ?? null);
        }
    };
    const list = useVirtualizer({ count: found.length, getScrollElement: () => scroller.current, estimateSize: () => ROW, overscan: 6 });
    const first = found[0];
    return (
        <Dialog open onClose={onClose} title={title}>
            <form
                className="grid gap-2"
                onSubmit={(e) => {
                    e.preventDefault();
                    choose(first);
                }}
            >
                <label htmlFor={field} className="text-quiet text-sm">
                    Search by name, code or state; Enter takes the first
                </label>
                <input
                    id={field}
                    type="search"
                    className="min-h-12 w-full rounded-sm border-[length:var(--stroke)] border-ink/50 bg-sheet px-3 text-lg"
                    value={query}
                    autoComplete="off"
                    // Who came by typing types on; a thumb gets the list, and no keyboard over it.
                    autoFocus={typed !== ''}
                    onChange={(e) => setQuery(e.target.value)}
                />
                <p className="text-quiet text-sm" role="status">
                    {found.length === 0 ? 'None is called so.' : `${found.length} found`}
                </p>
            </form>
            <div className="flex h-[min(52vh,32rem)] border-rule border-t">
                <div ref={scroller} className="min-w-0 flex-1 overflow-auto">
                    <ul className="relative" style={{ height: list.getTotalSize() }}>
                        {list.getVirtualItems().map((item) => {
                            const row = found[item.index];
                            return (
                                row && (
                                    <li
                                        key={row.key}
                                        className="absolute w-full border-rule border-b"
                                        style={{ top: item.start, height: ROW }}
                                    >
                                        <button
                                            type="button"
                                            className="flex size-full cursor-pointer items-center justify-between gap-3 px-3 text-left hover:bg-wash"
                                            onClick={() => choose(row)}
                                        >
                                            <span className="min-w-0 truncate font-semibold text-lg">{row.name}</span>
                                            <span className="shrink-0 text-quiet text-sm">
                                                {row.says}
                                                {from && <Away from={from} row={row} />}
                                            </span>
                                        </button>
                                    </li>
                                )
                            );
                        })}
                    </ul>
                </div>
                <ThumbRail scroller={scroller} count={found.length} nameOf={(i) => found[i]?.name ?? ''} />
            </div>
        </Dialog>
    );
}

/** What tells two alike apart on site: of a line what lies nearest of it, along its chords. */
const Away = ({ from, row }: { from: PlanPlace; row: Row }) => {
    const to = row.point ?? row.control ?? row.aim?.place ?? null;
    const line = row.aim?.line?.flat;
    if (line) {
        return (
            <>
                {' · about '}
                <Length of={toChords(line, from.easting, from.northing)} /> away
            </>
        );
    }
    return (
        to && (
            <>
                {' · '}
                <Length of={Math.hypot(to.northing - from.northing, to.easting - from.easting)} /> away
            </>
        )
    );
};

/** Those not yet done first, each kind in the order of names. */
export function rowsOf(
    points: StakeoutPoint[],
    control: ControlPoint[],
    aims: Aim[] = [],
    gridLines: Schemas['GridLineResource'][] = [],
): Row[] {
    const byName = (a: Row, b: Row) => NUMERIC.compare(a.name, b.name);
    const row = (key: string, name: string, says: string): Row => ({ key, name, says, words: `${name} ${says}`.toLowerCase() });
    const point = (p: StakeoutPoint): Row => ({
        ...row(`point ${p.id}`, p.name, [p.code, STATES[p.state], p.description].filter(Boolean).join(' · ')),
        point: p,
    });
    const known = (c: ControlPoint): Row => ({
        ...row(`control ${c.id}`, c.name, [c.code, 'control'].filter(Boolean).join(' · ')),
        control: c,
    });
    return [
        // In the order in which they were touched, whatever they are called.
        ...aims.map((a) => ({ ...row(`aim ${a.id}`, a.name, `${a.kind}, touched`), aim: a })),
        ...points
            .filter((p) => p.state !== 'done')
            .map(point)
            .sort(byName),
        ...points
            .filter((p) => p.state === 'done')
            .map(point)
            .sort(byName),
        ...control.map(known).sort(byName),
        ...gridLines.map((g) => ({ ...row(`grid ${g.id}`, `Grid line ${g.name}`, 'along it'), gridLine: g.id })).sort(byName),
    ];
}

/** A name that is typed whole comes first, then those that begin so, then those that hold it somewhere. */
export function foundOf(rows: Row[], wanted: string, none: string | undefined): Row[] {
    if (wanted === '') {
        return none === undefined ? rows : [{ key: 'none', name: none, says: '', words: '' }, ...rows];
    }
    const rank = (r: Row) => {
        const name = r.name.toLowerCase();
        return name === wanted ? 0 : name.startsWith(wanted) ? 1 : 2;
    };
    const words = wanted.split(/\s+/);
    return rows
        .filter((r) => words.every((w) => r.words.includes(w)))
        .map((r) => [rank(r), r] as const)
        .sort(([a], [b]) => a - b)
        .map(([, r]) => r);
}
