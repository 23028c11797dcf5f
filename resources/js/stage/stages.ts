import type { ControlPoint, Design, Live, Mark, Project, StakeoutPoint } from '../api/client';
import type { Want } from '../plan/contract';
import type { SnapKind } from '../plan/snap';

export const STAGES = [
    ['prepare', 'Prepare'],
    ['control', 'Control'],
    ['set-up', 'Set up'],
    ['stake', 'Stake'],
    ['as-built', 'As-built'],
    ['hand-over', 'Hand over'],
] as const;

export type StageName = (typeof STAGES)[number][0];

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
    want: Want | null;
    setWant: (want: Want | null) => void;
    /** kinds of spots that are offered */
    snaps: ReadonlySet<SnapKind>;
    setSnaps: (snaps: ReadonlySet<SnapKind>) => void;
    /** points chosen, by id */
    chosen: ReadonlySet<number>;
    setChosen: (chosen: ReadonlySet<number>) => void;
    /** the revision whose changes are drawn over the plan */
    changesOf: number | null;
    setChangesOf: (design: number | null) => void;
}
