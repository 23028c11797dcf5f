import type { ControlPoint, Schemas } from '../api/client';
import type { PlanFigure } from '../plan/contract';
import { ellipse, roundTimes } from './ellipse';

/** How well the work would be served from each place of a raster; −1 where too little is seen. */
export interface Raster {
    south: number;
    west: number;
    step: number;
    columns: number;
    /** row by row from the south, metres */
    values: number[];
    /** where one shade ends and the next begins */
    steps: number[];
}

/** So many points are given their figure on the plan. */
const NAMED = 12;

/** The worst ellipse is drawn as large as this part of the work. */
const SHARE = 0.03;

const PIECES = 24;

type Precision = Schemas['PointPrecision'];

/** The ghost, what it sees, and how well it and other places would serve the work. */
export function standFigure(
    ghost: { northing: number; easting: number } | null,
    here: Schemas['StandHere'] | null,
    raster: Raster | null,
    control: ControlPoint[],
    words: (metres: number) => string,
): PlanFigure {
    const figure: PlanFigure = { paths: [], places: [], evidence: [], cells: raster ? cellsOf(raster) : [] };
    if (!ghost) {
        return figure;
    }
    figure.places.push({ ...ghost, label: 'ghost', movable: true });
    if (here) {
        for (const c of control) {
            const as = here.best.includes(c.name) ? 'ray' : here.hidden.includes(c.name) ? 'unused' : null;
            as && figure.evidence?.push({ flat: [ghost.easting, ghost.northing, c.easting, c.northing], as });
        }
        const times = timesOf(here.points);
        for (const p of here.points) {
            figure.evidence?.push({ flat: ellipse(p.position, p.ellipse, times, PIECES), as: 'expected' });
        }
        for (const p of here.points.slice(0, NAMED)) {
            figure.places.push({
                northing: p.position.northing,
                easting: p.position.easting,
                label: words(p.ellipse.major),
                quiet: true,
                bare: true,
                below: true,
            });
        }
    }
    return figure;
}

/** How many times as large as they are the ellipses of points are drawn: the worst is seen beside the whole work. */
export function timesOf(points: Precision[]): number {
    const span = (of: (p: Precision) => number) => Math.max(...points.map(of)) - Math.min(...points.map(of));
    const size = Math.max(
        10,
        span((p) => p.position.northing),
        span((p) => p.position.easting),
    );
    return points.length === 0 ? 1 : roundTimes((SHARE * size) / Math.max(0.0005, ...points.map((p) => p.ellipse.major)));
}

/** Neighbours of one shade in a row are drawn as one. */
function cellsOf({ south, west, step, columns, values, steps }: Raster): NonNullable<PlanFigure['cells']> {
    const cells: NonNullable<PlanFigure['cells']> = [];
    const level = (v: number) => (v < 0 ? -1 : steps.filter((s) => v > s).length);
    for (let i = 0; i < values.length; ) {
        const row = Math.floor(i / columns);
        const shade = level(values[i] ?? -1);
        let end = i + 1;
        while (end < (row + 1) * columns && level(values[end] ?? -1) === shade) {
            end++;
        }
        if (shade >= 0) {
            cells.push({
                northing: south + row * step,
                easting: west + (i % columns) * step,
                height: step,
                width: (end - i) * step,
                level: shade,
            });
        }
        i = end;
    }
    return cells;
}
