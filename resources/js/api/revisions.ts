/**
 * How old the oldest answer is that is shown of each project. Things are asked for at once and answered one after another; where something
 * changes between two answers, the page would show the one without it for good, though all that it asks for is the newest since.
 */
const oldest = new Map<number, number>();

export function heard(url: string, header: string | null): void {
    const project = /\/projects\/(\d+)(?:\/|$)/.exec(url)?.[1];
    if (project === undefined || header === null || header === '') {
        return;
    }
    const revision = Number(header);
    const before = oldest.get(Number(project));
    oldest.set(Number(project), before === undefined ? revision : Math.min(before, revision));
}

/** Whether all that is shown is as new as a revision. */
export const isCurrent = (project: number, revision: number): boolean => {
    const shown = oldest.get(project);
    return shown === undefined || shown >= revision;
};

/** Everything is asked for anew: what is shown counts from there. */
export const begunAnew = (project: number): void => {
    oldest.delete(project);
};
