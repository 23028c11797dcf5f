import type { Schemas } from '../../api/client';

export type Layout = Schemas['LayoutBody'];

/** What was decided about single rows and about the list as a whole. */
export interface Mends {
    leaveOutLines: number[];
    places: Schemas['RowPlaceBody'][];
    noElevations: boolean;
    accepted: string[];
}
