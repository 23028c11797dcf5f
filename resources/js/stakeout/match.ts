import type { Schemas } from '../api/client';

type Match = Schemas['ShotMatchEntry'];

/** The point that a shot is taken for: chosen by hand, or the nearest where that is plain and takes no other shot's place. */
export function chosenOf(m: Match, byHand: Record<number, number | null>): number | null {
    const said = byHand[m.markId];
    if (said !== undefined) {
        return m.candidates.some((c) => c.pointId === said) ? said : null;
    }
    const nearest = m.candidates[0];
    return nearest && m.doubt === null && !nearest.built ? nearest.pointId : null;
}

/** All that are taken for a point. */
export const keptOf = (matches: Match[], byHand: Record<number, number | null>): { markId: number; pointId: number }[] =>
    matches.flatMap((m) => {
        const pointId = chosenOf(m, byHand);
        return pointId === null ? [] : [{ markId: m.markId, pointId }];
    });
