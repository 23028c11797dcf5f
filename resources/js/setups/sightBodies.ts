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

/** What a sight is used for, in words. */
export function usedFor(
    s: Pick<SetupState['draft']['sights'][number], 'plan' | 'height' | 'direction' | 'useDistance' | 'slope'>,
    heightOnly: boolean,
): string {
    const distance = s.useDistance && s.slope !== null;
    const inPlan = s.direction && distance ? 'plan' : s.direction ? 'direction' : 'distance';
    const uses = [...(s.plan && !heightOnly && (s.direction || distance) ? [inPlan] : []), ...(s.height ? ['height'] : [])];
    return uses.length === 0 ? 'left out' : uses.join(', ');
}
