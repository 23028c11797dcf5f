import type { Spot } from './snap';

/** metres: nearer than this to the spot that is offered, no other one is */
const HOLDS = 1;

/** metres: spots farther from the pole are not offered */
export const OFFERED_WITHIN = 10;

const away = (spot: Spot, x: number, y: number) => Math.hypot(spot.x - x, spot.y - y);

/**
 * Which spot is offered to whoever walks: the nearest, but never another one by itself once it is locked, or once the pole is within a
 * metre of it.
 */
export function offerFor(now: Spot | null, locked: boolean, x: number, y: number, near: Spot[]): Spot | null {
    if (now && (locked || away(now, x, y) < HOLDS)) {
        return now;
    }
    let best: Spot | null = null;
    for (const spot of near) {
        if (!best || away(spot, x, y) < away(best, x, y)) {
            best = spot;
        }
    }
    return best;
}
