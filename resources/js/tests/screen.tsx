import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import type { ReactElement } from 'react';
import { afterEach, vi } from 'vitest';
import type { Units } from '../api/client';
import { BarContext } from '../parts/NextStep';
import { UnitsContext } from '../units/UnitsContext';

export { fireEvent, screen, waitFor, within };

export const METRIC: Units = { length: 'm', angle: 'dms', direction: 'azimuth', order: 'NE', station: '1+000' };

export const FEET_INCHES: Units = { ...METRIC, length: 'ftin16', order: 'EN', station: '1+00' };

/** What was asked of the server since the screen was drawn: method, path after the version, body. */
export interface Asked {
    method: string;
    path: string;
    body: unknown;
}

type Answers = Record<string, unknown | ((asked: Asked) => unknown)>;

/** The bar at the foot of the sheet, where the next step stands. */
const bars: HTMLElement[] = [];

afterEach(() => {
    cleanup();
    for (const bar of bars.splice(0)) {
        bar.remove();
    }
    vi.unstubAllGlobals();
});

/** Draws a screen in a document, with a server that gives the answers set for an address ("GET /projects/1/points") and an empty list for others. */
export function draw(element: ReactElement, answers: Answers = {}, units: Units = METRIC): { asked: Asked[] } {
    const asked: Asked[] = [];
    vi.stubGlobal('fetch', async (to: Request | string, init?: RequestInit) => {
        const request = typeof to === 'string' ? new Request(new URL(to, 'http://parlay'), init) : to;
        const one: Asked = {
            method: request.method,
            path: new URL(request.url).pathname.replace('/api/v1', ''),
            body: request.method === 'GET' ? null : await request.json().catch(() => null),
        };
        asked.push(one);
        const set = answers[`${one.method} ${one.path}`] ?? [];
        const answer = typeof set === 'function' ? set(one) : set;
        const refused = answer instanceof Refusal;
        return new Response(JSON.stringify(refused ? { message: answer.message } : answer), {
            status: refused ? 422 : 200,
            headers: { 'Content-Type': 'application/json' },
        });
    });
    const client = new QueryClient({ defaultOptions: { queries: { retry: false }, mutations: { networkMode: 'always' } } });
    const bar = document.body.appendChild(document.createElement('div'));
    bars.push(bar);
    render(
        <QueryClientProvider client={client}>
            <BarContext.Provider value={bar}>
                <UnitsContext.Provider value={units}>{element}</UnitsContext.Provider>
            </BarContext.Provider>
        </QueryClientProvider>,
    );
    return { asked };
}

/** The server refuses with a sentence. */
export class Refusal {
    constructor(readonly message: string) {}
}

/** What the page says, blanks put together as a reader sees them. */
export const said = (): string => (document.body.textContent ?? '').replace(/\s+/g, ' ');
