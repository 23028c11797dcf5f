import { type StationLabels, stationLabels } from '../plan/shown';

const key = (project: number) => `station labels ${project}`;

/** Labels that were asked for stay for this tab: a page that is loaded again has them still. */
export function keepStationLabels(project: number, labels: StationLabels | null): void {
    stationLabels.say('points', labels);
    try {
        labels ? sessionStorage.setItem(key(project), JSON.stringify(labels)) : sessionStorage.removeItem(key(project));
    } catch {
        // A browser that keeps nothing shows them until the page goes.
    }
}

/** Those of the project that is opened now, and none of another. */
export function showKeptStationLabels(project: number): void {
    try {
        stationLabels.say('points', JSON.parse(sessionStorage.getItem(key(project)) ?? 'null') as StationLabels | null);
    } catch {
        stationLabels.say('points', null);
    }
}
