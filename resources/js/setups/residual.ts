import type { Schemas } from '../api/client';

/** A sight counts in plan, in height, or in both. */
export const isUsed = (r: Schemas['SightResidual']): boolean => r.usedForPlan || r.usedForHeight;

/** The sight that fits the others least: with the largest residual beside its own deviation; null where nothing is spare. */
export function worstOf(residuals: Schemas['SightResidual'][]): string | null {
    let [worst, most]: [string | null, number] = [null, 0];
    for (const r of residuals) {
        const times = isUsed(r) ? Math.abs(r.normalised ?? 0) : 0;
        if (times > most) {
            [worst, most] = [r.name, times];
        }
    }
    return worst;
}
