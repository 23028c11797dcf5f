/**
 * How old the oldest answer is that is shown of each project. Things are asked for at once and answered one after another; where something
 * changes between two answers, the page would show the one without it for good, though all that it asks for is the newest since.
 *
 * Points, control and designs are counted apart: a mark that is stored makes none of them old, and they may be many.
 */
const oldest = new Map<string, number>();

/** What only preparation changes. */
export const PREPARED = [
    'points',
    'control',
    'designs',
    'codes',
    'grid-lines',
    'grid-spacings',
    'instruments',
    'targets',
    'proposals',
    'alignments',
    'surfaces',
    'phases',
];

export function heard(url: string, header: string | null): void {
    const [, project, what = ''] = /\/projects\/(\d+)(?:\/([\w-]+))?/.exec(url) ?? [];
    if (project === undefined || header === null || header === '') {
        return;
    }
    const key = `${project} ${PREPARED.includes(what) ? 'prepared' : 'measured'}`;
    const revision = Number(header);
    oldest.set(key, Math.min(oldest.get(key) ?? revision, revision));
}

const isAsNew = (key: string, revision: number) => (oldest.get(key) ?? revision) >= revision;

/** Whether what only preparation changes is shown as it is since a revision. */
export const isPrepared = (project: number, prepared: number): boolean => isAsNew(`${project} prepared`, prepared);

/** Whether the rest of what is shown is as new as a revision. */
export const isCurrent = (project: number, revision: number): boolean => isAsNew(`${project} measured`, revision);

/** It is asked for anew, all of it or what the day's work changes: what is shown counts from there. */
export const begunAnew = (project: number, all: boolean): void => {
    oldest.delete(`${project} measured`);
    if (all) {
        oldest.delete(`${project} prepared`);
    }
};
