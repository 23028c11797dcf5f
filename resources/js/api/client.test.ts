// @vitest-environment happy-dom
import { QueryClient } from '@tanstack/react-query';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { api, ask, Problem, queries, ServerLost, upload } from './client';
import { markOf, refreshed, remeasured, showSetup } from './hooks';

const answer = (status: number, body: unknown) =>
    new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });
const answers = (reply: () => Promise<Response>) => vi.stubGlobal('fetch', vi.fn(reply));
const project = () =>
    ask(
        api.GET('/api/v1/projects/{project}', {
            baseUrl: 'http://parlay.test',
            fetch: (request) => fetch(request),
            params: { path: { project: 7 } },
        }),
    );

afterEach(() => vi.unstubAllGlobals());

describe('what the server answers', () => {
    it('is its data', async () => {
        answers(async () => answer(200, { id: 7 }));
        expect(await project()).toEqual({ id: 7 });
    });

    it('is a refusal with its sentence, its reason and the figures it is about', async () => {
        answers(async () => answer(409, { message: 'Out of tolerance.', reason: 'out_of_tolerance', evidence: { plan: 0.05 } }));
        const refused = await project().catch((e: unknown) => e);
        expect(refused).toBeInstanceOf(Problem);
        expect(refused).toMatchObject({ message: 'Out of tolerance.', status: 409, reason: 'out_of_tolerance', evidence: { plan: 0.05 } });
    });

    it('is a refusal also where it says nothing that can be read', async () => {
        answers(async () => new Response('<html>', { status: 502 }));
        await expect(project()).rejects.toMatchObject({ message: 'The server refused (502) without saying why.', reason: null });
        await expect(upload(7, new File(['x'], 'x.csv'))).rejects.toBeInstanceOf(Problem);
    });

    it('is nothing where nobody answers', async () => {
        answers(async () => {
            throw new TypeError('fetch failed');
        });
        await expect(project()).rejects.toBeInstanceOf(ServerLost);
        await expect(upload(7, new File(['x'], 'x.csv'))).rejects.toBeInstanceOf(ServerLost);
    });
});

describe('what is asked for anew', () => {
    const shown = () => {
        const client = new QueryClient();
        const of = (id: number) => ({ params: { path: { project: id } } });
        const keys = {
            project: queries.queryOptions('get', '/api/v1/projects/{project}', of(7)).queryKey,
            points: queries.queryOptions('get', '/api/v1/projects/{project}/points', of(7)).queryKey,
            marks: queries.queryOptions('get', '/api/v1/projects/{project}/marks', of(7)).queryKey,
            preview: [7, 'construction', {}],
            other: queries.queryOptions('get', '/api/v1/projects/{project}/marks', of(8)).queryKey,
            projects: queries.queryOptions('get', '/api/v1/projects').queryKey,
        };
        for (const key of Object.values(keys)) {
            client.setQueryData(key, []);
        }
        const old = () => Object.entries(keys).flatMap(([name, key]) => (client.getQueryState(key)?.isInvalidated ? [name] : []));
        return { client, old };
    };

    it('after a change: all of the project, and nothing of another', async () => {
        const { client, old } = shown();
        await refreshed(client, 7);
        expect(old()).toEqual(['project', 'points', 'marks', 'preview']);
    });

    it('after a mark: what the day changes, and not the points', async () => {
        const { client, old } = shown();
        await remeasured(client, 7);
        expect(old()).toEqual(['project', 'marks', 'preview']);
    });

    it('a setup that came with an answer is shown without being asked for', () => {
        const client = new QueryClient();
        showSetup(client, 7, { problem: null } as never);
        const { queryKey } = queries.queryOptions('get', '/api/v1/projects/{project}/setup', { params: { path: { project: 7 } } });
        expect(client.getQueryData(queryKey)).toEqual({ problem: null });
    });
});

describe('a measurement that was to be stored', () => {
    const done = { id: 1, key: 'k', kind: 'measure', state: 'done', why: null, observationId: 5 };

    it('is the mark it was stored as', () => {
        expect(markOf({ ...done, mark: { id: 3 } as never, asks: null })).toEqual({ id: 3 });
    });

    it('says what must be decided first', () => {
        const asks = { message: 'Out of tolerance.', reason: 'out_of_tolerance', errors: null, evidence: { plan: 0.05 } } as never;
        expect(() => markOf({ ...done, mark: null, asks })).toThrow(
            expect.objectContaining({ reason: 'out_of_tolerance', evidence: { plan: 0.05 } }),
        );
        expect(() => markOf({ ...done, mark: null, asks: null })).toThrow('It was measured, and not stored.');
    });
});
