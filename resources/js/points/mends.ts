import type { Schemas } from '../api/client';

export type Layout = Schemas['ColumnLayout'];

/** What was decided about single rows and about the list as a whole. */
export interface Mends {
    leaveOutLines: number[];
    places: Schemas['RowPlace'][];
    noElevations: boolean;
    accepted: string[];
}
