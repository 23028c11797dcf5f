import './theme/theme.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, RouterProvider } from 'react-router';
import { Problem } from './api/client';
import { fetchAhead } from './api/hooks';
import { Frame } from './frame/Frame';
import { keepFocus } from './frame/keptFocus';
import { fetchTheRest } from './parts/later';
import { Projects } from './projects/Projects';
import { applyTheme, storedTheme } from './theme/theme';

const client = new QueryClient({
    defaultOptions: {
        queries: {
            // What the server refused it refuses again; a lost server is tried until it is back.
            retry: (count, error) => !(error instanceof Problem) && count < 100,
            retryDelay: (count) => Math.min(500 * 2 ** count, 4000),
            refetchOnWindowFocus: true,
            networkMode: 'always',
            staleTime: 2000,
        },
        mutations: { networkMode: 'always' },
    },
});

const router = createBrowserRouter([
    { path: '/', element: <Projects openLast /> },
    { path: '/projects', element: <Projects openLast={false} /> },
    {
        path: '/p/:project/:stage',
        element: <Frame />,
        loader: ({ params }) => {
            if (/^\d{1,15}$/.test(params.project ?? '')) {
                fetchAhead(client, Number(params.project));
            }
            return null;
        },
        // Going from stage to stage within a project asks for nothing anew.
        shouldRevalidate: ({ currentParams, nextParams }) => currentParams.project !== nextParams.project,
        hydrateFallbackElement: <div className="p-8">Opening the project…</div>,
    },
    { path: '*', element: <Projects openLast={false} /> },
]);

applyTheme(storedTheme());
keepFocus();
fetchTheRest();
createRoot(document.getElementById('parlay') as HTMLElement).render(
    <StrictMode>
        <QueryClientProvider client={client}>
            <RouterProvider router={router} />
        </QueryClientProvider>
    </StrictMode>,
);
