import createClient from 'openapi-fetch';
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
export type BookEntry = Schemas['BookEntry'];
export type SetupState = Schemas['SetupState'];
export type Draft = Schemas['DraftChange'];

export const api = createClient<paths>();

api.use({
    onResponse: ({ request, response }) => {
        if (request.method === 'GET') {
            heard(request.url, response.headers.get('Parlay-Revision'));
        }
    },
});

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

interface Answer<T> {
    data?: T;
    error?: unknown;
    response: Response;
}

/** The data of an answer, or a Problem, or ServerLost. */
export async function ask<T>(answer: Promise<Answer<T>>): Promise<T> {
    let got: Answer<T>;
    try {
        got = await answer;
    } catch {
        throw new ServerLost();
    }
    if (got.response.ok) {
        return got.data as T;
    }
    const body = (typeof got.error === 'object' && got.error !== null ? got.error : {}) as Partial<Schemas['Problem']>;
    throw new Problem(
        body.message ?? `The server refused (${got.response.status}) without saying why.`,
        got.response.status,
        body.reason ?? null,
        (body.evidence ?? {}) as Record<string, unknown>,
    );
}

/** Made once for one wish, so that sending it twice carries it out once. */
export function newKey(): string {
    return Array.from(crypto.getRandomValues(new Uint8Array(16)), (b) => b.toString(16).padStart(2, '0')).join('');
}

export const upload = (project: number, file: File) => send(`/api/v1/projects/${project}/uploads`, file);

export const uploadPacked = (file: File) => send('/api/v1/packed-uploads', file);

async function send(url: string, file: File): Promise<Schemas['Upload']> {
    const form = new FormData();
    form.append('file', file);
    return ask<Schemas['Upload']>(
        fetch(url, { method: 'POST', body: form, headers: { Accept: 'application/json' } }).then(async (response) => {
            const body = await response.json().catch(() => ({}));
            return response.ok ? { data: body, response } : { error: body, response };
        }),
    );
}
