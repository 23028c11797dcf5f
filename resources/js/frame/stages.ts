import type { ControlPoint, Design, Live, Mark, Project, StakeoutPoint } from '../api/client';
import type { PlanPlace } from '../plan/PlanMap';
import type { Spot } from '../plan/snap';

export const STAGES = [
    ['prepare', 'Prepare'],
    ['control', 'Control'],
    ['set-up', 'Set up'],
    ['stake', 'Stake'],
    ['as-built', 'As-built'],
    ['hand-over', 'Hand over'],
] as const;

export type StageName = (typeof STAGES)[number][0];

export interface Taken {
    spot: Spot | null;
    place: PlanPlace;
}

/** What every stage is given. */
export interface StageProps {
    project: Project;
    control: ControlPoint[];
    designs: Design[];
    points: StakeoutPoint[];
    marks: Mark[];
    live: Live | undefined;
    target: number | null;
    setTarget: (id: number | null) => void;
    /** picking spots of the drawing */
    picking: boolean;
    setPicking: (on: boolean) => void;
    taken: Taken | null;
    clearTaken: () => void;
    /** the revision whose changes are drawn over the plan */
    changesOf: number | null;
    setChangesOf: (design: number | null) => void;
}
