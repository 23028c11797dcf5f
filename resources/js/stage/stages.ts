import type { Aim, ControlPoint, Design, Judged, Live, Mark, Project, StakeoutPoint } from '../api/client';
import type { Want } from '../plan/contract';
import type { SnapKind } from '../plan/snap';
import type { Filter } from './pointFilter';

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
    /** whatever the filter of the field stages leaves out */
    allPoints: StakeoutPoint[];
    filter: Filter;
    setFilter: (filter: Filter) => void;
    marks: Mark[];
    live: Live | undefined;
    target: number | null;
    setTarget: (id: number | null) => void;
    /** what was chosen in the field to be staked, and which of it is the target now */
    aims: Aim[];
    aim: Aim | null;
    setAim: (id: number | null) => void;
    moves: Moves;
    setMoves: (moves: Moves) => void;
    /** what counts, where that is not what the target or its code says */
    judged: Judged | null;
    setJudged: (judged: Judged | null) => void;
    /** the spot nearest to the pole is offered while walking; locked: it stays the one it is */
    offering: 'off' | 'on' | 'locked';
    setOffering: (offering: 'off' | 'on' | 'locked') => void;
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

/** How moves are said: as seen facing the instrument, by the site's grid, or along and across a line (its number among the targets). */
export type Moves = 'instrument' | 'north' | number;
