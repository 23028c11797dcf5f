import type { Schemas, Units } from '../api/client';
import type { Moves } from '../stage/stages';
import { formatDeviation, formatDirection, formatLength, formatStation } from '../units/format';

type Guidance = Schemas['Guidance'];
type OnLine = Schemas['OnLine'];

/** A figure of the sheet: its word, which says the side, and the figure without a sign. */
export interface Move {
    word: string;
    text: string;
}

/** metres: nearer than this, figures are written as differences are */
const NEAR = 0.5;

export const lengthText = (metres: number, style: Units['length']): string =>
    Math.abs(metres) < NEAR ? formatDeviation(Math.abs(metres), style) : formatLength(Math.abs(metres), style);

const heightOf = (raise: number | null, style: Units['length'], words: [string, string]): Move =>
    raise === null ? { word: 'height', text: 'no design' } : { word: words[raise >= 0 ? 0 : 1], text: lengthText(raise, style) };

const signed = (value: number, [below, above]: [string, string], style: Units['length']): Move => ({
    word: value >= 0 ? above : below,
    text: lengthText(value, style),
});

/** How to bring the pole onto a place. */
export function movesTo(g: Guidance, by: Moves, style: Units['length']): Move[] {
    const plan: [number, [string, string]][] =
        typeof by === 'number' && g.ahead !== null && g.aside !== null
            ? [
                  [g.ahead, ['back along the line', 'ahead along the line']],
                  [g.aside, ['to its left', 'to its right']],
              ]
            : by === 'north'
              ? [
                    [g.north, ['south', 'north']],
                    [g.east, ['west', 'east']],
                ]
              : [
                    [g.toward, ['away from instrument', 'toward instrument']],
                    [g.right, ['to your left', 'to your right']],
                ];
    return [...plan.map(([value, words]) => signed(value, words, style)), heightOf(g.raise, style, ['raise', 'lower'])];
}

/** Where the pole stands beside a line: nothing has to be reached along it. */
export function besideLine(
    on: OnLine,
    raise: number | null,
    units: Pick<Units, 'length' | 'station'>,
    at: Schemas['OnAlignment'] | null = null,
): Move[] {
    const style = units.length;
    const along = on.reach === 'before_start' ? 'before the start' : 'from the start';
    const side = lengthText(on.offset, style);
    return [
        at === null
            ? { word: along, text: formatLength(Math.abs(on.along), style) }
            : {
                  word:
                      on.reach === 'beside'
                          ? `station${at.regions > 1 ? `, region ${at.region}` : ''}`
                          : on.reach === 'before_start'
                            ? along
                            : 'beyond the end',
                  text: formatStation(at.station, units),
              },
        { word: side === lengthText(0, style) ? 'on the line' : on.offset < 0 ? 'left of it' : 'right of it', text: side },
        heightOf(raise, style, ['fill', 'cut']),
    ];
}

/** For an elevation nothing counts but the height. */
export const toElevation = (raise: number | null, style: Units['length']): Move[] => [heightOf(raise, style, ['raise', 'lower'])];

/** To the grade of a surface or road: how much is to be cut or filled, and to which height. */
export const toGrade = (raise: number | null, design: number | null, style: Units['length']): Move[] => [
    heightOf(raise, style, ['fill', 'cut']),
    { word: 'design elevation', text: design === null ? 'none here' : formatLength(design, style) },
];

/** What the moves are said from. */
export const saidFrom = (by: Moves): string =>
    by === 'instrument'
        ? 'as you hold the pole and face the instrument'
        : by === 'north'
          ? 'by the site grid'
          : 'looking along the line chosen for moves';

/** Where along the line, in one sentence. */
export function alongWords(on: OnLine, style: Units['length']): string {
    const length = (m: number) => formatLength(Math.abs(m), style);
    const piece =
        on.pieces > 1 || on.radius !== null
            ? `${on.radius === null ? 'straight piece' : `arc, radius ${length(on.radius)}`}${on.pieces > 1 ? `, ${on.piece} of ${on.pieces}` : ''}`
            : '';
    const goesOn = on.radius === null ? 'straight on' : 'on round its arc';
    const where =
        on.reach === 'before_start'
            ? `${length(on.along)} before the start, ${goesOn}; ${length(on.toEnd)} to the end`
            : on.reach === 'beyond_end'
              ? `${length(on.toEnd)} beyond the end, ${goesOn}; ${length(on.along)} from the start`
              : `${length(on.along)} from the start, ${length(on.toEnd)} to the end`;
    return [where, piece].filter(Boolean).join(' · ');
}

type Chosen = Schemas['StakingChoices']['figures'][number];

/** The figures that were chosen for the sheet, for whatever is staked. */
export function chosenFigures(
    chosen: readonly Chosen[],
    g: Guidance,
    by: Moves,
    at: { pole: number | null; design: number | null },
    units: Pick<Units, 'length' | 'direction' | 'angle'>,
): Move[] {
    const { length } = units;
    const height = (word: string, of: number | null): Move => ({ word, text: of === null ? 'none' : formatLength(of, length) });
    const plan = (of: Moves) => movesTo(g, of, length).slice(0, 2);
    const made: Record<Chosen, () => Move[]> = {
        facing: () => plan('instrument'),
        north_east: () => plan('north'),
        along_across: () => (g.ahead === null ? [{ word: 'along and across', text: 'no line' }] : plan(typeof by === 'number' ? by : 0)),
        cut_fill: () => [heightOf(g.raise, length, ['fill', 'cut'])],
        distance: () => [{ word: 'distance', text: lengthText(g.distance, length) }],
        azimuth: () => [{ word: 'direction', text: formatDirection(g.azimuth, units) }],
        elevation: () => [height('elevation', at.pole)],
        design_elevation: () => [height('design elevation', at.design)],
    };
    return chosen.flatMap((c) => made[c]());
}
