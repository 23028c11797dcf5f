import type { Band, Bands } from './surfacePicture';

/** Steps of a depth that people think in. */
const STEPS = [0.01, 0.02, 0.05, 0.1, 0.2, 0.25, 0.5, 1, 2, 5, 10, 20, 50];

/** Darker is higher, or steeper: it is read in grey as well. */
const RAMP: [number, number, number][] = [
    [238, 232, 205],
    [222, 214, 170],
    [203, 194, 140],
    [180, 172, 112],
    [154, 150, 88],
    [126, 127, 70],
    [97, 103, 56],
    [68, 78, 44],
];

const CUT: [number, number, number][] = [
    [247, 214, 178],
    [222, 150, 92],
    [170, 92, 40],
    [106, 48, 16],
];

const FILL: [number, number, number][] = [
    [196, 220, 240],
    [126, 172, 214],
    [64, 118, 174],
    [22, 60, 112],
];

const LEVEL: [number, number, number] = [244, 244, 238];

export interface Legend {
    bands: readonly Band[];
    /** what each stands for: where it begins and ends, without end in one direction */
    ranges: { from: number; to: number; rgb: [number, number, number]; striped: boolean; word: string }[];
    what: Bands;
}

/** Bands of elevation from the lowest to the highest place. */
export function elevationBands(lowest: number, highest: number): Legend {
    const step = STEPS.find((s) => (highest - lowest) / s <= RAMP.length - 1) ?? 100;
    const first = Math.floor(lowest / step) * step;
    const count = Math.max(1, Math.min(RAMP.length, Math.ceil((highest - first) / step - 1e-9)));
    return legendOf(
        'elevation',
        RAMP.slice(0, count).map((rgb, i) => ({ from: first + i * step, to: first + (i + 1) * step, rgb, striped: false, word: '' })),
    );
}

/** Bands of slope, rise over way. */
export function slopeBands(): Legend {
    const limits = [0, 0.005, 0.01, 0.02, 0.04, 0.08, 0.2, 0.5];
    return legendOf(
        'slope',
        limits.map((from, i) => ({
            from,
            to: limits[i + 1] ?? Number.POSITIVE_INFINITY,
            rgb: RAMP[i] as [number, number, number],
            striped: false,
            word: '',
        })),
    );
}

/** Bands of cut and fill: what is within the tolerance stays pale; fill is striped. */
export function cutFillBands(deepest: number, tolerance: number): Legend {
    const step = STEPS.find((s) => s >= tolerance && deepest / s <= CUT.length) ?? 100;
    const fill = FILL.map((rgb, i) => ({
        from: i === FILL.length - 1 ? Number.NEGATIVE_INFINITY : -(i + 1) * step,
        to: i === 0 ? -tolerance : -i * step,
        rgb,
        striped: true,
        word: 'fill',
    })).reverse();
    const cut = CUT.map((rgb, i) => ({
        from: i === 0 ? tolerance : i * step,
        to: i === CUT.length - 1 ? Number.POSITIVE_INFINITY : (i + 1) * step,
        rgb,
        striped: false,
        word: 'cut',
    }));
    return legendOf('cut_fill', [...fill, { from: -tolerance, to: tolerance, rgb: LEVEL, striped: false, word: 'within' }, ...cut]);
}

const legendOf = (what: Bands, ranges: Legend['ranges']): Legend => ({
    what,
    ranges,
    bands: ranges.map(({ from, rgb, striped }) => ({ from, rgb, striped })),
});
