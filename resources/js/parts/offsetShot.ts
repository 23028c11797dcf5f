import type { Mark, Units } from '../api/client';
import { formatLength } from '../units/format';

export type OffsetShot = Required<NonNullable<Mark['offset']>>;

export const ON_THE_PRISM: OffsetShot = { behind: 0, right: 0, up: 0 };

/** The sides of each part, below zero and above it, as one looks from the instrument. */
export const SIDES = { behind: ['before', 'behind'], right: ['left of', 'right of'], up: ['below', 'above'] } as const;

/** How far beside the prism something was measured; empty where the prism stood on it. */
export function besideWords(offset: Mark['offset'], style: Units['length']): string {
    const parts = (['behind', 'right', 'up'] as const)
        .map((k) => [k, offset?.[k] ?? 0] as const)
        .filter(([, metres]) => metres !== 0)
        .map(([k, metres]) => `${formatLength(Math.abs(metres), style)} ${SIDES[k][metres < 0 ? 0 : 1]}`);
    return parts.length === 0 ? '' : `${parts.join(', ')} the prism`;
}
