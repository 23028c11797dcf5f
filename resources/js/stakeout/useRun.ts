import { type QueryClient, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { api, ask, newKey, Problem, queries, type Schemas } from '../api/client';
import { device } from '../api/device';
import { useDayDeed } from '../api/hooks';

export type Run = Schemas['RunEntry'];
export type RunStep = Run['steps'][number];

const of = (project: number) => ({ params: { path: { project } } });

const latest = (project: number) => queries.queryOptions('get', '/api/v1/projects/{project}/runs', of(project));

/** The run begun last; null where there was none yet. */
export function useRun(project: number): Run | null {
    return queries.useQuery('get', '/api/v1/projects/{project}/runs', of(project)).data?.[0] ?? null;
}

/** The run whose card was put away on this device: it stays away over reloads. */
export function usePutAway(project: number): [number | null, (run: number) => void] {
    const key = `run put away ${project}`;
    const [put, setPut] = useState<number | null>(() => Number(localStorage.getItem(key)) || null);
    return [
        put,
        (run) => {
            localStorage.setItem(key, String(run));
            setPut(run);
        },
    ];
}

export const isUnderWay = (run: Run | null): boolean => run?.state === 'running' || run?.state === 'paused';

const show = (client: QueryClient, project: number, run: Run) => client.setQueryData(latest(project).queryKey, [run]);

/** Begins a run; what must be decided first is asked, and sent again under the same key. */
export function useBeginRun(project: number, onBegun: (run: Run) => void) {
    const client = useQueryClient();
    const wish = useRef<Schemas['RunToBegin'] | null>(null);
    const [asked, setAsked] = useState<Problem | null>(null);
    const send = useDayDeed(project, async (body: Schemas['RunToBegin']) => {
        wish.current = body;
        try {
            const run = await ask(api.POST('/api/v1/projects/{project}/runs', { ...of(project), body }));
            setAsked(null);
            show(client, project, run);
            onBegun(run);
        } catch (e) {
            if (e instanceof Problem && (e.reason === 'no_check' || e.reason === 'running')) {
                setAsked(e);
                return;
            }
            throw e;
        }
    });
    return {
        busy: send.isPending,
        error: send.error,
        asked,
        begin: (body: Omit<Schemas['RunToBegin'], 'key' | 'leader'>) => send.mutate({ key: newKey(), leader: device(), ...body }),
        insist: () => {
            if (wish.current) {
                const { settings, ...rest } = wish.current;
                const more =
                    asked?.reason === 'no_check' ? { settings: { ...settings, withoutCheck: true } } : { settings, evenRunning: true };
                send.mutate({ ...rest, ...more });
            }
        },
        leave: () => setAsked(null),
    };
}

/** Says something to a run; where another device leads it, that is told. */
export function useCommandRun(project: number, run: Run) {
    const client = useQueryClient();
    return useDayDeed(project, async (what: Schemas['RunCommand']['do']) => {
        const place = what === 'mark' || what === 'skip' || what === 'again' ? run.place : null;
        show(
            client,
            project,
            await ask(
                api.POST('/api/v1/projects/{project}/runs/{run}/commands', {
                    params: { path: { project, run: run.id } },
                    body: { do: what, leader: device(), place },
                }),
            ),
        );
    });
}
