import type { SetupState } from './client';

/** Every reading that the setup being made rests on, further rounds among them. */
export const readingsOf = (draft: SetupState['draft']): number[] => [
    ...draft.sights.flatMap((s) => [s.observationId, ...s.more]),
    ...draft.shots.map((s) => s.observationId),
];
