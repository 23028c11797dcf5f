import { api, ask } from '../api/client';
import type { Curve } from './curves';
import { Shapes } from './shapes';

/** What a layer holds never changes, so it is fetched once. */
export const shapesQuery = (project: number, layer: number) => ({
    queryKey: ['shapes', layer],
    staleTime: Number.POSITIVE_INFINITY,
    queryFn: () =>
        ask(
            api.GET('/api/v1/projects/{project}/layers/{layer}/shapes', {
                params: { path: { project, layer } },
                parseAs: 'arrayBuffer',
            }),
        ) as Promise<unknown> as Promise<ArrayBuffer>,
});

/** The splines of a layer, for those that have any. */
export const curvesQuery = (project: number, layer: number) => ({
    queryKey: ['curves', layer],
    staleTime: Number.POSITIVE_INFINITY,
    queryFn: () =>
        ask(
            api.GET('/api/v1/projects/{project}/layers/{layer}/curves', { params: { path: { project, layer } } }),
        ) as Promise<unknown> as Promise<Curve[]>,
});

/** What a revision changed. */
export const changesQuery = (project: number, design: number, kind: 'added' | 'gone' | 'moved') => ({
    queryKey: ['changes', design, kind],
    staleTime: Number.POSITIVE_INFINITY,
    queryFn: async () => {
        const answer = await api.GET(`/api/v1/projects/{project}/designs/{design}/${kind}`, {
            params: { path: { project, design } },
            parseAs: 'arrayBuffer',
        });
        return { kind, shapes: new Shapes((answer.data as ArrayBuffer | undefined) ?? new ArrayBuffer(0)) };
    },
});
