/** A label of one or more rows beside a place, in pixels. */
export interface Labelled {
    x: number;
    y: number;
    rows: readonly string[];
}

/** Where a label stands beside its place: of the text's near edge, y downwards to the middle of its rows. */
export interface Beside {
    x: number;
    y: number;
    align: 'left' | 'right';
}

const ROW = 16;
const LETTER = 7.9;
const CELL = 160;

/** The places tried, the usual one first: below right, above right, below left, above left, and the same one step further. */
export const BESIDE: readonly Beside[] = [1, 2, 3].flatMap((step) =>
    ([14, -14] as const).flatMap((x) =>
        [1, -1].map((side) => ({ x, y: side * (18 + (step - 1) * 2 * ROW), align: x > 0 ? ('left' as const) : ('right' as const) })),
    ),
);

interface Box {
    left: number;
    top: number;
    right: number;
    bottom: number;
}

const meet = (a: Box, b: Box) => a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;

/** Places for labels so that none lies over another, those before first; where all are taken, the usual one. */
export function apart(labels: readonly Labelled[]): Beside[] {
    const taken = new Map<string, Box[]>();
    return labels.map((label) => {
        const isFree = (beside: Beside) => {
            const box = boxOf(label, beside);
            return !cellsOf(box).some((cell) => taken.get(cell)?.some((other) => meet(box, other)));
        };
        const chosen = BESIDE.find(isFree) ?? (BESIDE[0] as Beside);
        const box = boxOf(label, chosen);
        for (const cell of cellsOf(box)) {
            taken.set(cell, [...(taken.get(cell) ?? []), box]);
        }
        return chosen;
    });
}

function boxOf(label: Labelled, beside: Beside): Box {
    const width = Math.max(...label.rows.map((r) => r.length)) * LETTER;
    const height = label.rows.length * ROW;
    const left = label.x + beside.x - (beside.align === 'left' ? 0 : width);
    const top = label.y + beside.y - height / 2;
    return { left, top, right: left + width, bottom: top + height };
}

function cellsOf({ left, top, right, bottom }: Box): string[] {
    const cells: string[] = [];
    for (let i = Math.floor(left / CELL); i <= Math.floor(right / CELL); i++) {
        for (let j = Math.floor(top / CELL); j <= Math.floor(bottom / CELL); j++) {
            cells.push(`${i} ${j}`);
        }
    }
    return cells;
}
