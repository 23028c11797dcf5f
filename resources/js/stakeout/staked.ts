import type { Mark, StakeoutPoint } from '../api/client';

/**
 * The points with how often each was staked and how its last stake came out, by the marks that count now. Points may be fifty thousand, and
 * only those that were staked are made anew.
 */
export function withStakes(points: StakeoutPoint[], marks: Mark[]): StakeoutPoint[] {
    const staked = new Map<number, { stakes: number; verdict: string }>();
    for (const m of marks) {
        if (m.kind === 'stake' && m.pointId !== null) {
            staked.set(m.pointId, { stakes: (staked.get(m.pointId)?.stakes ?? 0) + 1, verdict: m.verdict });
        }
    }
    return points.map((p) => {
        const { stakes, verdict } = staked.get(p.id) ?? { stakes: 0, verdict: null };
        return p.stakes === stakes && p.verdict === verdict ? p : { ...p, stakes, verdict };
    });
}
