import { type QueryClient, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useSyncExternalStore } from 'react';
import { api, ask, type BookWanted, type Judged, type Mark, newKey, Problem, queries, type Schemas, type SetupState } from './client';
import { readingsOf } from './readings';
import { begunAnew, isCurrent, isPrepared, PREPARED } from './revisions';

const of = (project: number) => ({ params: { path: { project } } });

export const useProjects = () => queries.useQuery('get', '/api/v1/projects');
export const useProject = (project: number) => queries.useQuery('get', '/api/v1/projects/{project}', of(project));
export const useControl = (project: number) => queries.useQuery('get', '/api/v1/projects/{project}/control', of(project));
export const useDesigns = (project: number) => queries.useQuery('get', '/api/v1/projects/{project}/designs', of(project));
export const usePoints = (project: number) => queries.useQuery('get', '/api/v1/projects/{project}/points', of(project));
export const useMarks = (project: number) => queries.useQuery('get', '/api/v1/projects/{project}/marks', of(project));
/** What was chosen in the field to be staked. */
export const useAims = (project: number) => queries.useQuery('get', '/api/v1/projects/{project}/aims', of(project));
export const useSetup = (project: number) => queries.useQuery('get', '/api/v1/projects/{project}/setup', of(project));
export const useGridLines = (project: number) => queries.useQuery('get', '/api/v1/projects/{project}/grid-lines', of(project));
export const useGridSpacings = (project: number) => queries.useQuery('get', '/api/v1/projects/{project}/grid-spacings', of(project));
/** The check shots on the setup that holds. */
export const useChecks = (project: number) => queries.useQuery('get', '/api/v1/projects/{project}/checks', of(project));
export const useInstruments = (project: number) => queries.useQuery('get', '/api/v1/projects/{project}/instruments', of(project));
export const useTargets = (project: number) => queries.useQuery('get', '/api/v1/projects/{project}/targets', of(project));
export const useCodes = (project: number) => queries.useQuery('get', '/api/v1/projects/{project}/codes', of(project));
export const useWorklists = (project: number) => queries.useQuery('get', '/api/v1/projects/{project}/worklists', of(project));
/** Reports that were issued, the first one first. */
export const useIssues = (project: number) => queries.useQuery('get', '/api/v1/projects/{project}/report-issues', of(project));
/** Columns of the report’s table, and which are kept under a name. */
export const useTableLayouts = (project: number) => queries.useQuery('get', '/api/v1/projects/{project}/table-layouts', of(project));
/** Pictures of readings. */
export const usePhotographs = (project: number) => queries.useQuery('get', '/api/v1/projects/{project}/photographs', of(project));
/** What was put right afterwards. */
export const useCorrections = (project: number, enabled: boolean) =>
    queries.useQuery('get', '/api/v1/projects/{project}/corrections', of(project), { enabled });
/** Who hands over, at the head of what is printed. */
export const useLetterhead = (project: number) => queries.useQuery('get', '/api/v1/projects/{project}/letterhead', of(project));
/** How faces and axes of things were built. */
export const useBuilt = (project: number) => queries.useQuery('get', '/api/v1/projects/{project}/built-parts', of(project));
/** Points that would move because what they were made from has changed. */
export const useProposals = (project: number) => queries.useQuery('get', '/api/v1/projects/{project}/proposals', of(project));
/** Lines of the field book, the newest first; without a wish the latest of all kinds. */
export const useBook = (project: number, wanted: BookWanted = {}) =>
    queries.useQuery(
        'get',
        '/api/v1/projects/{project}/field-book',
        { params: { path: { project }, query: wanted } },
        { placeholderData: (before) => before },
    );

const setupOf = (project: number) => queries.queryOptions('get', '/api/v1/projects/{project}/setup', of(project)).queryKey;

/** The setup as an answer has it, without asking for it again. */
export const showSetup = (client: QueryClient, project: number, state: SetupState): void => {
    client.setQueryData(setupOf(project), state);
};

/** Asks for all that every stage shows at once, before the first of it is drawn. */
export function fetchAhead(client: QueryClient, project: number): void {
    const init = of(project);
    void client.prefetchQuery(queries.queryOptions('get', '/api/v1/projects/{project}', init));
    void client.prefetchQuery(queries.queryOptions('get', '/api/v1/projects/{project}/control', init));
    void client.prefetchQuery(queries.queryOptions('get', '/api/v1/projects/{project}/designs', init));
    void client.prefetchQuery(queries.queryOptions('get', '/api/v1/projects/{project}/points', init));
    void client.prefetchQuery(queries.queryOptions('get', '/api/v1/projects/{project}/marks', init));
    void client.prefetchQuery(queries.queryOptions('get', '/api/v1/projects/{project}/setup', init));
}

/** milliseconds */
const RESTING = 1000;

/** What the live answer is to say besides the instrument: the target, what counts of it, and the line that moves are said by. */
export type LiveAsked = { target?: number; aim?: number; by?: number; judged?: Judged };

/** The instrument as it is now. When the project has changed elsewhere, everything else is asked for again. */
export function useLive(project: number, asked: LiveAsked, fast: boolean) {
    const client = useQueryClient();
    const live = useQuery({
        queryKey: ['live', project, asked],
        queryFn: ({ queryKey }) => {
            // In the field the answer comes when the instrument says something, not when the page happens to ask.
            const seen = fast ? client.getQueryData<Schemas['Live']>(queryKey)?.seq : undefined;
            const query = seen === undefined ? asked : { ...asked, since: seen };
            return ask(api.GET('/api/v1/projects/{project}/live', { params: { path: { project }, query } }));
        },
        // Where nobody answers, or nothing is linked, it is not asked all the time.
        refetchInterval: ({ state }) => (fast && !state.error && state.data?.instrument.link === 'up' ? 10 : RESTING),
        refetchIntervalInBackground: false,
        retry: false,
        placeholderData: (before) => before,
    });
    const revision = live.data?.revision;
    const prepared = live.data?.prepared ?? 0;
    // biome-ignore lint/correctness/useExhaustiveDependencies: what is shown is looked at again with each answer of the instrument
    useEffect(() => {
        const known = client.getQueryData<Schemas['ProjectResource']>(
            queries.queryOptions('get', '/api/v1/projects/{project}', of(project)).queryKey,
        )?.revision;
        if (revision === undefined || known === undefined) {
            return;
        }
        if (!isPrepared(project, prepared)) {
            void refreshed(client, project);
        } else if (revision !== known || !isCurrent(project, revision)) {
            void remeasured(client, project);
        }
    }, [revision, prepared, project, client, live.dataUpdatedAt]);
    return live;
}

/** What of a project a query shows: the last word of its address, or of its own key; null where it is none of the project. */
function shownOf(project: number, [first, second, third]: readonly unknown[]): string | null {
    if (first === project) {
        return String(second);
    }
    const path = (third as { params?: { path?: { project?: number } } } | undefined)?.params?.path;
    return first === 'get' && path?.project === project ? (String(second).split('/')[5] ?? 'project') : null;
}

/** Everything of a project is asked for anew. */
export function refreshed(client: QueryClient, project: number): Promise<void> {
    begunAnew(project, true);
    return client.invalidateQueries({ predicate: ({ queryKey }) => shownOf(project, queryKey) !== null });
}

/** What the day's work changes is asked for anew: not the points, which may be fifty thousand. */
export function remeasured(client: QueryClient, project: number): Promise<void> {
    begunAnew(project, false);
    return client.invalidateQueries({
        predicate: ({ queryKey }) => {
            const shown = shownOf(project, queryKey);
            return shown !== null && !PREPARED.includes(shown);
        },
    });
}

/** Something done to the project; afterwards what is shown is asked for anew. */
export function useDeed<I, O>(project: number, deed: (input: I) => Promise<O>, scope?: { id: string }) {
    const client = useQueryClient();
    return useMutation({ mutationFn: deed, scope, onSuccess: () => refreshed(client, project) });
}

/** The same where only the day's work changes by it: readings, marks, the setup being made. */
export function useDayDeed<I, O>(project: number, deed: (input: I) => Promise<O>) {
    const client = useQueryClient();
    return useMutation({ mutationFn: deed, onSuccess: () => remeasured(client, project) });
}

/** Strikes a mark through, or takes the strike back. */
export const useStrike = (project: number) =>
    useDayDeed(project, ({ mark, ...body }: { mark: number; struck: boolean; reason: string; by?: string }) =>
        ask(
            api.POST('/api/v1/projects/{project}/marks/{mark}/strikes', { params: { path: { project, mark } }, body: { by: '', ...body } }),
        ),
    );

function singleFigure(draft: SetupState['draft'], key: string): [string, unknown][] {
    const value = draft[key as keyof typeof draft];
    return value === undefined || value === null || Array.isArray(value) ? [] : [[key, value]];
}

/** What is done to the setup being made waits for what was done to it before. */
export const draftScope = (project: number) => ({ id: `setup ${project}` });

/** Changes of the setup being made, one after another, so that what is typed quickly arrives in its order. */
export function useChangeDraft(project: number) {
    const client = useQueryClient();
    return useMutation({
        scope: draftScope(project),
        mutationFn: (body: Schemas['DraftChange']) => {
            // What is measured in another tab meanwhile stays, whatever list is sent from here.
            const draft = client.getQueryData<SetupState>(setupOf(project))?.draft;
            const seenReadings = draft && readingsOf(draft);
            // A figure that somebody else has changed since it was shown here is not overwritten.
            const seen = draft && Object.fromEntries(Object.keys(body).flatMap((k) => singleFigure(draft, k)));
            return ask(api.PATCH('/api/v1/projects/{project}/setup', { ...of(project), body: { ...body, seenReadings, seen } }));
        },
        onSuccess: (state) => showSetup(client, project, state),
    });
}

/** Follows an instruction of the instrument until it is done; throws its reason where it was refused. */
export async function untilDone(
    project: number,
    started: Promise<Schemas['InstructionResource']>,
): Promise<Schemas['InstructionResource']> {
    let state = await started;
    while (state.state === 'queued' || state.state === 'sent') {
        await new Promise((go) => setTimeout(go, 100));
        state = await ask(
            api.GET('/api/v1/projects/{project}/instructions/{instruction}', { params: { path: { project, instruction: state.id } } }),
        );
    }
    if (state.state !== 'done') {
        throw new Error(state.why ?? 'The instrument did not do it and gave no reason. Try again.');
    }
    return state;
}

/** Follows longer work until it has ended. */
export async function untilFinished(project: number, started: Promise<Schemas['TaskResource']>): Promise<Schemas['TaskResource']> {
    let task = await started;
    while (task.state === 'waiting' || task.state === 'running') {
        await new Promise((go) => setTimeout(go, 250));
        task = await ask(api.GET('/api/v1/projects/{project}/tasks/{task}', { params: { path: { project, task: task.id } } }));
    }
    if (task.state !== 'done') {
        throw new Error(task.error ?? 'It could not be done.');
    }
    return task;
}

type TurnedTo = { controlId: number } | { pointId: number } | { aimId: number };

export const turnTo = (project: number, to: TurnedTo, keepLock = false) =>
    untilDone(
        project,
        ask(api.POST('/api/v1/projects/{project}/instrument/turn', { ...of(project), body: { key: newKey(), keepLock, ...to } })),
    );

/** A target was chosen: where the instrument holds the prism it goes on following it, or else it looks there. */
export const lookFor = (project: number, to: TurnedTo): Promise<unknown> =>
    turnTo(project, to, true).catch((e: unknown) => {
        // Whoever only looks on chooses what to look at, and is told at the top of the page who leads.
        if (!(e instanceof Problem && e.reason === 'led')) {
            throw e;
        }
    });

/** How many measurements this page waits for. */
let underWay = 0;
const watchers = new Set<() => void>();
const measuringNow = (by: number): void => {
    underWay += by;
    for (const w of watchers) {
        w();
    }
};

/** A measurement this page asked for has not come in yet. */
export const useMeasuring = (): boolean =>
    useSyncExternalStore(
        (watch) => {
            watchers.add(watch);
            return () => watchers.delete(watch);
        },
        () => underWay > 0,
    );

export async function measure(project: number, body: Omit<Schemas['MeasureOrder'], 'key'>): Promise<Schemas['InstructionResource']> {
    measuringNow(1);
    try {
        return await untilDone(
            project,
            ask(api.POST('/api/v1/projects/{project}/instrument/measure', { ...of(project), body: { key: newKey(), ...body } })),
        );
    } finally {
        measuringNow(-1);
    }
}

/** The mark that a measurement was stored as; throws what stands against it. */
export function markOf({ mark, asks }: Schemas['InstructionResource']): Mark {
    if (mark === null) {
        throw new Problem(asks?.message ?? 'It was measured, and not stored. Measure again.', 409, asks?.reason ?? null, {
            ...asks?.evidence,
        });
    }
    return mark;
}
