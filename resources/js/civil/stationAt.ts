import type { Alignment } from './hooks';

type Counted = Pick<Alignment, 'from' | 'equations'>;

/** How a place is counted, metres along from the start: its station, and in which region (1 where there is one). Only to be shown. */
export function stationAt({ from, equations }: Counted, along: number): { station: number; region: number } {
    const region = 1 + equations.filter((e) => along >= e.at).length;
    const before = equations[region - 2];
    return { station: before ? before.ahead + along - before.at : from + along, region };
}
