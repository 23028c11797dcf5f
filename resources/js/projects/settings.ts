import type { Project } from '../api/client';

/** What can be chosen of a project as a whole. */
export type Settings = Pick<
    Project,
    | 'name'
    | 'units'
    | 'planTolerance'
    | 'heightTolerance'
    | 'aboveTolerance'
    | 'plumbOneIn'
    | 'flatTolerance'
    | 'residualLimit'
    | 'acceptance'
    | 'acceptanceLevel'
>;

export const NEW: Settings = {
    name: '',
    units: { length: 'm', angle: 'dms', direction: 'azimuth', order: 'NE', station: '1+000' },
    planTolerance: 0.005,
    heightTolerance: 0.005,
    aboveTolerance: null,
    plumbOneIn: null,
    flatTolerance: null,
    residualLimit: null,
    acceptance: 'simple',
    acceptanceLevel: 0.95,
};

/** The same of a project, without what else it tells. */
export const settingsOf = (of: Settings): Settings =>
    Object.fromEntries(Object.keys(NEW).map((key) => [key, of[key as keyof Settings]])) as unknown as Settings;
