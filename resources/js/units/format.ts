import type { Units } from '../api/client';

/**
 * How figures are written. The browser is one edge of Parlay and the PDF the other: both are held to the same table of examples,
 * core/tests/tables/figures.json.
 */
const US_FOOT = 1200 / 3937;
const INCH_PARTS: Partial<Record<Units['length'], number>> = { ftin8: 8, ftin16: 16, ftin32: 32 };

/** Metres in the unit that a bare number means. */
export const unitMetres = (style: Units['length']): number =>
    style === 'm' ? 1 : style === 'mm' ? 0.001 : style === 'usft' ? US_FOOT : 0.3048;

/** Rounds half away from zero as PHP does, and never writes -0. */
function decimal(value: number, places: number): string {
    // What rounds to nothing may be so small that it is written with an exponent of its own.
    if (Math.abs(value) < 0.5 * 10 ** -places) {
        return (0).toFixed(places);
    }
    const text = (Math.sign(value) * Number(`${Math.round(Number(`${Math.abs(value)}e${places}`))}e-${places}`)).toFixed(places);
    return Number(text) === 0 ? text.replace('-', '') : text;
}

function inchTicks(ticks: number, parts: number): string {
    const whole = Math.floor(ticks / parts);
    let rest = ticks % parts;
    let of = parts;
    if (rest === 0) {
        return `${whole}"`;
    }
    while (rest % 2 === 0) {
        rest /= 2;
        of /= 2;
    }
    return `${whole > 0 ? `${whole} ` : ''}${rest}/${of}"`;
}

/** withFeet null: feet only from a foot on, after rounding. */
function feetInches(metres: number, parts: number, withFeet: true | null): string {
    const ticks = Math.round((Math.abs(metres) / 0.0254) * parts);
    const sign = metres < 0 && ticks > 0 ? '-' : '';
    const feet = Math.floor(ticks / (12 * parts));
    return withFeet || feet > 0 ? `${sign}${feet}' ${inchTicks(ticks - feet * 12 * parts, parts)}` : sign + inchTicks(ticks, parts);
}

export function formatLength(metres: number, style: Units['length']): string {
    const parts = INCH_PARTS[style];
    if (parts !== undefined) {
        return feetInches(metres, parts, true);
    }
    switch (style) {
        case 'mm':
            return `${decimal(metres / 0.001, 0)} mm`;
        case 'ft':
            return `${decimal(metres / 0.3048, 3)} ft`;
        case 'usft':
            return `${decimal(metres / US_FOOT, 3)} ft US`;
        default:
            return `${decimal(metres, 3)} m`;
    }
}

/** Where lengths are in feet, earth is sold by the cubic yard; metres³. */
const CUBIC_YARD = 0.9144 ** 3;

/** A volume; metres³. */
export const formatVolume = (cubic: number, style: Units['length']): string =>
    style === 'm' || style === 'mm' ? `${decimal(cubic, 2)} m³` : `${decimal(cubic / CUBIC_YARD, 2)} yd³`;

/** An area; metres². */
export const formatArea = (square: number, style: Units['length']): string =>
    style === 'm' || style === 'mm'
        ? `${decimal(square, 1)} m²`
        : `${decimal(square / (style === 'usft' ? US_FOOT ** 2 : 0.3048 ** 2), 0)} ft²`;

/** A station is counted in whole metres or feet, whatever lengths are shown in; metres along, from the alignment's zero. */
export function formatStation(metres: number, units: Pick<Units, 'length' | 'station'>): string {
    const metric = units.length === 'm' || units.length === 'mm';
    const unit = metric ? 1 : units.length === 'usft' ? US_FOOT : 0.3048;
    const [step, places] = units.station === '1+000' ? [1000, 3] : [100, 2];
    const value = Number(decimal(Math.abs(metres) / unit, places));
    const whole = Math.floor(value / step);
    const rest = (value - whole * step).toFixed(places).padStart(String(step / 10).length + 1 + places, '0');
    return `${metres < 0 && value > 0 ? '-' : ''}${whole}+${rest}`;
}

/** A metric difference from here on is written as any length. */
const SMALL = 1;

/** A difference: a small one is one step finer in metric, in inches alone in feet-inches. What rounds up to a foot or a metre is written as one. */
export function formatDeviation(metres: number, style: Units['length'], finer = 0): string {
    const parts = INCH_PARTS[style];
    if (parts !== undefined) {
        return feetInches(metres, parts * 2 ** finer, null);
    }
    if (style === 'ft') {
        return `${decimal(metres / 0.3048, 3 + finer)} ft`;
    }
    if (style === 'usft') {
        return `${decimal(metres / US_FOOT, 3 + finer)} ft US`;
    }
    const small = decimal(Math.abs(metres) * 1000, 1 + finer);
    return Number(small) >= SMALL * 1000 ? formatLength(metres, style) : `${decimal(metres * 1000, 1 + finer)} mm`;
}

/** Beside what is allowed of it: one that is out, and would be written like what is allowed, is written finer until it shows. */
export function formatJudged(metres: number, tolerance: number, out: boolean, style: Units['length']): string {
    let finer = 0;
    while (
        out &&
        Math.abs(metres) > tolerance &&
        finer < 6 &&
        formatDeviation(Math.abs(metres), style, finer) === formatDeviation(tolerance, style, finer)
    ) {
        finer++;
    }
    return formatDeviation(metres, style, finer);
}

function dms(radians: number): string {
    let seconds = Math.round((Math.abs(radians) * 180 * 3600) / Math.PI);
    if (radians >= 0 && seconds >= 1_296_000) {
        seconds -= 1_296_000;
    }
    const two = (n: number) => String(n).padStart(2, '0');
    const sign = radians < 0 && seconds > 0 ? '-' : '';
    return `${sign}${Math.floor(seconds / 3600)}°${two(Math.floor(seconds / 60) % 60)}′${two(seconds % 60)}″`;
}

/** What rounds up to a whole turn is none. */
const withinTurn = (text: string, turn: number): string => (Number(text) >= turn ? decimal(Number(text) - turn, 4) : text);

export function formatAngle(radians: number, style: Units['angle']): string {
    switch (style) {
        case 'deg':
            return `${withinTurn(decimal((radians * 180) / Math.PI, 4), 360)}°`;
        case 'gon':
            return `${withinTurn(decimal((radians * 200) / Math.PI, 4), 400)} gon`;
        default:
            return dms(radians);
    }
}

/** From here on a difference is written as any angle: about a degree. */
const SMALL_ANGLE = Math.PI / 180;

export const formatSmallAngle = (radians: number, style: Units['angle']): string =>
    Math.abs(radians) >= SMALL_ANGLE || (style !== 'gon' && Math.round((Math.abs(radians) * 180 * 3600) / Math.PI) >= 3600)
        ? formatAngle(radians, style)
        : style === 'gon'
          ? `${decimal((radians * 200_000) / Math.PI, 1)} mgon`
          : `${decimal((radians * 180 * 3600) / Math.PI, 0)}″`;

export function formatDirection(azimuth: number, units: Pick<Units, 'direction' | 'angle'>): string {
    const turn = 2 * Math.PI;
    const a = ((azimuth % turn) + turn) % turn;
    if (units.direction === 'azimuth') {
        return formatAngle(a, units.angle);
    }
    const north = a <= Math.PI / 2 || a >= 1.5 * Math.PI;
    const off = north ? Math.min(a, turn - a) : Math.abs(Math.PI - a);
    return `${north ? 'N' : 'S'} ${formatAngle(off, units.angle)} ${a <= Math.PI ? 'E' : 'W'}`;
}

/**
 * What a small difference below zero and one above it is called: along northing, along easting, across a sight, along it, in height, beside a
 * line (looking along it), and against a design height.
 */
const SIDES = {
    northing: ['south', 'north'],
    easting: ['west', 'east'],
    across: ['left', 'right'],
    length: ['short', 'long'],
    height: ['low', 'high'],
    line: ['left of it', 'right of it'],
    grade: ['fill', 'cut'],
} as const;

export type Side = keyof typeof SIDES;

/** A difference without its sign, and the word for its side; what rounds to nothing lies on no side. */
export interface SidedFigure {
    figure: string;
    word: string | null;
}

export const inWords = ({ figure, word }: SidedFigure): string => (word === null ? figure : `${figure} ${word}`);

/** @param allowed what is allowed of it, where it is written beside a verdict: one that is out shows it */
export const sidedLength = (metres: number, side: Side, style: Units['length'], allowed?: number): SidedFigure =>
    sided(metres, side, (x) => (allowed === undefined ? formatDeviation(x, style) : formatJudged(x, allowed, true, style)));

export const sidedAngle = (radians: number, side: Side, style: Units['angle']): SidedFigure =>
    sided(radians, side, (x) => formatSmallAngle(x, style));

function sided(value: number, side: Side, format: (x: number) => string): SidedFigure {
    const figure = format(Math.abs(value));
    return { figure, word: figure === format(0) ? null : SIDES[side][value < 0 ? 0 : 1] };
}
