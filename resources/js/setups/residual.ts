import type { Schemas } from '../api/client';

/** A sight counts in plan, in height, or in both. */
export const isUsed = (r: Schemas['SightResidual']): boolean => r.usedForPlan || r.usedForHeight;
