import type { Mark, StakeoutPoint } from '../api/client';

type Stakes = Pick<StakeoutPoint, 'stakes' | 'verdict' | 'state'>;

const UNTOUCHED: Stakes = { stakes: 0, verdict: null, state: 'open' };

/**
 * The points with how often each was staked and how its last stake came out, by the marks that count now. Points may be fifty thousand, and
 * only those that were staked are made anew.
 */
export function withStakes(points: StakeoutPoint[], marks: Mark[]): StakeoutPoint[] {
    const staked = new Map<number, Stakes>();
    for (const m of marks) {
        if (m.kind === 'stake' && m.pointId !== null) {
            staked.set(m.pointId, {
                stakes: (staked.get(m.pointId)?.stakes ?? 0) + 1,
                verdict: m.verdict,
                state: m.leaves,
            });
        }
    }
    return points.map((p) => {
        const now = staked.get(p.id) ?? UNTOUCHED;
        return p.stakes === now.stakes && p.verdict === now.verdict && p.state === now.state ? p : { ...p, ...now };
    });
}

/** How far a list has come: what was staked out of tolerance is still to be done. */
export function progressWords(points: StakeoutPoint[], skipped = 0): string {
    const redo = points.filter((p) => p.state === 'redo').length;
    const open = points.filter((p) => p.state === 'open').length - skipped;
    return `${open} of ${points.length} left${redo > 0 ? `, ${redo} to redo` : ''}`;
}
