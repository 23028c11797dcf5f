import type { Aim, Schemas, Units } from '../api/client';
import { formatLength } from '../units/format';

export type Parallel = Required<Schemas['Parallel']>;

/** How a line is staked, with all that may be left unsaid. */
export type Lay = Required<Omit<Schemas['LineLay'], 'parallels'>> & { parallels: Parallel[] };

export function layOf({ lay }: NonNullable<Aim['line']>): Lay {
    const { reversed = false, heights = 'vertices', elevation = null, parallels = [], parallel = 0 } = lay;
    return {
        reversed,
        heights,
        elevation,
        parallel,
        parallels: parallels.map(({ offset = 0, verticalOffset = 0, name = '' }) => ({ offset, verticalOffset, name })),
    };
}

/** What a parallel is called: its name, how far beside the line, and above or below it. */
export function parallelWords(p: Parallel, length: Units['length']): string {
    const side = p.offset < 0 ? 'left' : 'right';
    const beside = p.offset === 0 ? 'the line itself' : `${formatLength(Math.abs(p.offset), length)} ${side}`;
    const verticalOffset =
        p.verticalOffset === 0 ? '' : `, ${formatLength(Math.abs(p.verticalOffset), length)} ${p.verticalOffset > 0 ? 'above' : 'below'}`;
    return [p.name, `${beside}${verticalOffset}`].filter(Boolean).join(': ');
}
