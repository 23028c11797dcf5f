import { type QueryClient, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { api, ask, type Mark, newKey, Problem, type Schemas, type SetupState } from './client';
import { readingsOf } from './readings';
import { begunAnew, isCurrent, isPrepared, PREPARED } from './revisions';

const path = (project: number) => ({ params: { path: { project } } });

export const useProjects = () => useQuery({ queryKey: ['projects'], queryFn: () => ask(api.GET('/api/v1/projects')) });

/** What every stage of a project shows. */
const queries = {
    project: (project: number) => ({
        queryKey: [project, 'project'],
        queryFn: () => ask(api.GET('/api/v1/projects/{project}', path(project))),
    }),
    control: (project: number) => ({
        queryKey: [project, 'control'],
        queryFn: () => ask(api.GET('/api/v1/projects/{project}/control', path(project))),
    }),
    designs: (project: number) => ({
        queryKey: [project, 'designs'],
        queryFn: () => ask(api.GET('/api/v1/projects/{project}/designs', path(project))),
    }),
    points: (project: number) => ({
        queryKey: [project, 'points'],
        queryFn: () => ask(api.GET('/api/v1/projects/{project}/points', path(project))),
    }),
    marks: (project: number) => ({
        queryKey: [project, 'marks'],
        queryFn: () => ask(api.GET('/api/v1/projects/{project}/marks', path(project))),
    }),
    setup: (project: number) => ({
        queryKey: [project, 'setup'],
        queryFn: () => ask(api.GET('/api/v1/projects/{project}/setup', path(project))),
    }),
};

export const useProject = (project: number) => useQuery(queries.project(project));
export const useControl = (project: number) => useQuery(queries.control(project));
export const useDesigns = (project: number) => useQuery(queries.designs(project));
export const usePoints = (project: number) => useQuery(queries.points(project));
export const useMarks = (project: number) => useQuery(queries.marks(project));
export const useSetup = (project: number) => useQuery(queries.setup(project));

export const useGridLines = (project: number) =>
    useQuery({
        queryKey: [project, 'grid-lines'],
        queryFn: () => ask(api.GET('/api/v1/projects/{project}/grid-lines', path(project))),
    });

export const useGridSpacings = (project: number) =>
    useQuery({
        queryKey: [project, 'grid-spacings'],
        queryFn: () => ask(api.GET('/api/v1/projects/{project}/grid-spacings', path(project))),
    });

/** The checks on the setup that holds. */
export const useChecks = (project: number) =>
    useQuery({
        queryKey: [project, 'checks'],
        queryFn: () => ask(api.GET('/api/v1/projects/{project}/checks', path(project))),
    });

export const useInstruments = (project: number) =>
    useQuery({
        queryKey: [project, 'instruments'],
        queryFn: () => ask(api.GET('/api/v1/projects/{project}/instruments', path(project))),
    });

export const useTargets = (project: number) =>
    useQuery({
        queryKey: [project, 'targets'],
        queryFn: () => ask(api.GET('/api/v1/projects/{project}/targets', path(project))),
    });

export const useCodes = (project: number) =>
    useQuery({
        queryKey: [project, 'codes'],
        queryFn: () => ask(api.GET('/api/v1/projects/{project}/codes', path(project))),
    });

export const useWorklists = (project: number) =>
    useQuery({
        queryKey: [project, 'worklists'],
        queryFn: () => ask(api.GET('/api/v1/projects/{project}/worklists', path(project))),
    });

/** Points that would move because what they were made from has changed. */
export const useProposals = (project: number) =>
    useQuery({
        queryKey: [project, 'proposals'],
        queryFn: () => ask(api.GET('/api/v1/projects/{project}/proposals', path(project))),
    });

/** Asks for all of it at once, before the first of it is drawn. */
export function fetchAhead(client: QueryClient, project: number): void {
    for (const query of Object.values(queries)) {
        void client.prefetchQuery(query(project) as { queryKey: (string | number)[]; queryFn: () => Promise<unknown> });
    }
}

export const useBook = (project: number, open: boolean) =>
    useQuery({
        queryKey: [project, 'book'],
        queryFn: () => ask(api.GET('/api/v1/projects/{project}/field-book', path(project))),
        enabled: open,
    });

/** The instrument as it is now. When the project has changed elsewhere, everything else is asked for again. */
export function useLive(project: number, target: number | null, fast: boolean) {
    const client = useQueryClient();
    const live = useQuery({
        queryKey: ['live', project, target],
        queryFn: () =>
            ask(
                api.GET('/api/v1/projects/{project}/live', {
                    params: { path: { project }, query: target === null ? {} : { target } },
                }),
            ),
        refetchInterval: fast ? 100 : 1000,
        refetchIntervalInBackground: false,
        retry: false,
        placeholderData: (before) => before,
    });
    const revision = live.data?.revision;
    const prepared = live.data?.prepared ?? 0;
    // biome-ignore lint/correctness/useExhaustiveDependencies: what is shown is looked at again with each answer of the instrument
    useEffect(() => {
        const known = client.getQueryData<Schemas['ProjectResource']>([project, 'project'])?.revision;
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

/** Everything of a project is asked for anew. */
function refreshed(client: QueryClient, project: number): Promise<void> {
    begunAnew(project, true);
    return client.invalidateQueries({ queryKey: [project] });
}

/** What the day's work changes is asked for anew: not the points, which may be fifty thousand. */
function remeasured(client: QueryClient, project: number): Promise<void> {
    begunAnew(project, false);
    return client.invalidateQueries({ queryKey: [project], predicate: ({ queryKey }) => !PREPARED.includes(String(queryKey[1])) });
}

/** Something done to the project; afterwards what is shown is asked for anew. */
export function useDeed<I, O>(project: number, deed: (input: I) => Promise<O>) {
    const client = useQueryClient();
    return useMutation({ mutationFn: deed, onSuccess: () => refreshed(client, project) });
}

/** The same where only the day's work changes by it: readings, marks, the setup being made. */
export function useDayDeed<I, O>(project: number, deed: (input: I) => Promise<O>) {
    const client = useQueryClient();
    return useMutation({ mutationFn: deed, onSuccess: () => remeasured(client, project) });
}

function singleFigure(draft: SetupState['draft'], key: string): [string, unknown][] {
    const value = draft[key as keyof typeof draft];
    return value === undefined || value === null || Array.isArray(value) ? [] : [[key, value]];
}

/** Changes of the setup being made, one after another, so that what is typed quickly arrives in its order. */
export function useChangeDraft(project: number) {
    const client = useQueryClient();
    return useMutation({
        scope: { id: `setup ${project}` },
        mutationFn: (body: Schemas['DraftChange']) => {
            // What is measured in another tab meanwhile stays, whatever list is sent from here.
            const draft = client.getQueryData<SetupState>([project, 'setup'])?.draft;
            const seenReadings = draft && readingsOf(draft);
            // A figure that somebody else has changed since it was shown here is not overwritten.
            const seen = draft && Object.fromEntries(Object.keys(body).flatMap((k) => singleFigure(draft, k)));
            return ask(api.PATCH('/api/v1/projects/{project}/setup', { ...path(project), body: { ...body, seenReadings, seen } }));
        },
        onSuccess: (state) => client.setQueryData([project, 'setup'], state),
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

export const turnTo = (project: number, to: { controlId: number } | { pointId: number }) =>
    untilDone(project, ask(api.POST('/api/v1/projects/{project}/instrument/turn', { ...path(project), body: { key: newKey(), ...to } })));

export const measure = (project: number, body: Omit<Schemas['MeasureOrder'], 'key'>) =>
    untilDone(
        project,
        ask(api.POST('/api/v1/projects/{project}/instrument/measure', { ...path(project), body: { key: newKey(), ...body } })),
    );

/** The mark that a measurement was stored as; throws what stands against it. */
export function markOf({ mark, asks }: Schemas['InstructionResource']): Mark {
    if (mark === null) {
        throw new Problem(asks?.message ?? 'It was measured, and not stored. Measure again.', 409, asks?.reason ?? null, {
            ...asks?.evidence,
        });
    }
    return mark;
}
