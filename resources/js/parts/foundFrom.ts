import type { Schemas } from '../api/client';

export type HiddenShot = Required<Schemas['HiddenShot']>;

interface Method {
    label: string;
    /** what each shot is aimed at, in order */
    shots: string[];
    /** lengths that are taped, the second one where it must be */
    first?: string;
    second?: { label: string; needed: boolean };
    /** of a stored mark */
    words: string;
}

/** How a place is found from several shots. */
export const METHODS: Record<HiddenShot['method'], Method> = {
    two_tapes: {
        label: 'two tapes',
        shots: ['where the first tape begins', 'where the second tape begins'],
        first: 'Tape from the first shot',
        second: { label: 'Tape from the second shot', needed: true },
        words: 'found by two tapes',
    },
    wall_corner: {
        label: 'corner of two walls',
        shots: ['on the first wall', 'on the first wall, farther along', 'on the second wall', 'on the second wall, farther along'],
        words: 'found as the corner of two walls',
    },
    round_column: {
        label: 'round column, three shots',
        shots: ['on its face, to the left', 'on its face, in the middle', 'on its face, to the right'],
        words: 'centre of a round column, from three shots',
    },
    column_edges: {
        label: 'round column, edges and front',
        shots: ['at its left edge', 'at its right edge', 'at its front, half way between'],
        words: 'centre of a round column, from its edges and its front',
    },
    rod: {
        label: 'rod with two prisms',
        shots: ['the prism farther from the tip', 'the prism nearer to the tip'],
        first: 'From the nearer prism to the tip',
        second: { label: 'Between the prisms, to check', needed: false },
        words: 'found by a rod with two prisms',
    },
};

/** Whether all that must be taped is. */
export function isTaped(shot: HiddenShot): boolean {
    const { first, second } = METHODS[shot.method];
    return (first === undefined || shot.first > 0) && (!second?.needed || shot.second > 0);
}
