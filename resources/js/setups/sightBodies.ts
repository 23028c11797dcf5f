import type { Draft, SetupState } from '../api/client';

export type SightBody = NonNullable<Draft['sights']>[number];
export type ShotBody = NonNullable<Draft['shots']>[number];
export type LineBody = NonNullable<Draft['lines']>[number];

export const sightBodies = (draft: SetupState['draft']): SightBody[] =>
    draft.sights.map(({ controlId, observationId, plan, height, direction, useDistance, more }) => ({
        controlId,
        observationId,
        plan,
        height,
        direction,
        distance: useDistance,
        more,
    }));

export const shotBodies = (draft: SetupState['draft']): ShotBody[] =>
    draft.shots.map(({ line, observationId, used }) => ({ line, observationId, used }));

export const lineBodies = (draft: SetupState['draft']): LineBody[] => draft.lines.map(({ azimuth: _, ...line }) => line);
