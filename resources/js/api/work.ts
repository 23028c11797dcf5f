import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useRef, useState } from 'react';
import { api, ask, Problem, type Schemas } from './client';
import { refreshed } from './hooks';

type Task = Schemas['TaskResource'];

/** Longer work that runs beside the page: how far it has come, and a way to stop it. */
export interface Work {
    busy: boolean;
    part: number;
    doing: string;
    error: Error | null;
    cancel: () => void;
    clear: () => void;
    /** Follows it to its end; null where it failed, was stopped or asks something, which then stands in error. */
    run: (started: Promise<Task>) => Promise<Task | null>;
}

const PAUSE_MS = 200;

export function useWork(project: number): Work {
    const client = useQueryClient();
    const [state, setState] = useState({ busy: false, part: 0, doing: '', error: null as Error | null });
    const current = useRef(0);
    const run = useCallback(
        async (started: Promise<Task>) => {
            setState({ busy: true, part: 0, doing: '', error: null });
            try {
                let task = await started;
                current.current = task.id;
                while (task.state === 'waiting' || task.state === 'running') {
                    setState({ busy: true, part: task.part, doing: task.doing, error: null });
                    await new Promise((go) => setTimeout(go, PAUSE_MS));
                    task = await ask(api.GET('/api/v1/projects/{project}/tasks/{task}', { params: { path: { project, task: task.id } } }));
                }
                await refreshed(client, project);
                if (task.state === 'done') {
                    setState({ busy: false, part: 1, doing: '', error: null });
                    return task;
                }
                const asks = task.state === 'asks' ? ((task.result ?? {}) as { reason?: string }) : {};
                throw new Problem(task.error ?? 'It could not be done.', task.state === 'asks' ? 409 : 422, asks.reason ?? null, {});
            } catch (error) {
                setState({ busy: false, part: 0, doing: '', error: error as Error });
                return null;
            }
        },
        [client, project],
    );
    return {
        ...state,
        run,
        cancel: () =>
            void api
                .POST('/api/v1/projects/{project}/tasks/{task}/cancel', { params: { path: { project, task: current.current } } })
                .catch(() => undefined),
        clear: () => setState({ busy: false, part: 0, doing: '', error: null }),
    };
}
