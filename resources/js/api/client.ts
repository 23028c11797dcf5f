import createClient from 'openapi-fetch';
import createQueries from 'openapi-react-query';
import { device, deviceName } from './device';
import type { components, paths } from './generated/schema';
import { heard } from './revisions';

export type Schemas = components['schemas'];
export type Project = Schemas['ProjectResource'];
export type Units = Schemas['Units'];
export type ControlPoint = Schemas['ControlPointResource'];
export type StakeoutPoint = Schemas['PointResource'];
export type Design = Schemas['DesignEntry'];
export type Live = Schemas['Live'];
export type Mark = Schemas['MarkEntry'];
export type Issue = Schemas['IssueEntry'];
export type Aim = Schemas['AimEntry'];
/** Which lines of the field book are wanted. */
export type BookWanted = NonNullable<paths['/api/v1/projects/{project}/field-book']['get']['parameters']['query']>;
export type BookShown = NonNullable<BookWanted['show']>;
/** What of a mark counts. */
export type Judged = Mark['judged'];
export type BookEntry = Schemas['BookEntry'];
export type SetupState = Schemas['SetupState'];
export type Draft = Schemas['DraftChange'];

/** A refusal by the server: a sentence with place and remedy. */
export class Problem extends Error {
    constructor(
        message: string,
        readonly status: number,
        readonly reason: string | null,
        readonly evidence: Record<string, unknown>,
    ) {
        super(message);
    }
}

/** Nobody answered: the request may or may not have been carried out. */
export class ServerLost extends Error {
    constructor() {
        super('Parlay’s server does not answer. What you typed stays here; this page tries again by itself.');
    }
}

/** What a refusal says, as an error to be shown. */
async function problemOf(response: Response): Promise<Problem> {
    const said = (await response.json().catch(() => ({}))) as Partial<Schemas['Problem']>;
    return new Problem(
        said.message ?? `The server refused (${response.status}) without saying why.`,
        response.status,
        said.reason ?? null,
        (said.evidence ?? {}) as Record<string, unknown>,
    );
}

// The page's own way of asking, looked up when it asks: a test puts a server of its own in its place.
export const api = createClient<paths>({ fetch: (request) => globalThis.fetch(request) });

api.use({
    onRequest: ({ request }) => {
        request.headers.set('Parlay-Device', device());
        // A header holds no umlauts.
        request.headers.set('Parlay-Device-Name', encodeURIComponent(deviceName()));
        return request;
    },
    onResponse: async ({ request, response }) => {
        if (request.method === 'GET') {
            heard(request.url, response.headers.get('Parlay-Revision'));
        }
        if (!response.ok) {
            throw await problemOf(response);
        }
    },
    onError: ({ error }) => (error instanceof DOMException && error.name === 'AbortError' ? undefined : new ServerLost()),
});

/** What an address gives, as a query with a key of its own; each throws Problem or ServerLost. */
export const queries = createQueries(api);

/** The data of an answer. */
export async function ask<T>(answer: Promise<{ data?: T }>): Promise<T> {
    return (await answer).data as T;
}

export { newKey } from './device';

export const upload = (project: number, file: File) => send(`/api/v1/projects/${project}/uploads`, file);

export const uploadPacked = (file: File) => send('/api/v1/packed-uploads', file);

async function send(url: string, file: File): Promise<Schemas['Upload']> {
    const body = new FormData();
    body.append('file', file);
    const response = await fetch(url, { method: 'POST', body, headers: { Accept: 'application/json' } }).catch(() => {
        throw new ServerLost();
    });
    if (!response.ok) {
        throw await problemOf(response);
    }
    return response.json();
}
