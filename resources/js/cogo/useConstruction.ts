import { useQuery } from '@tanstack/react-query';
import { api, ask } from '../api/client';
import type { Elevation } from '../givens/ElevationInput';
import type { Construction } from './draft';
import type { Made } from './Solutions';

/** What a construction gives, worked out anew with every change; nothing while it lacks something or has no solution. */
export function useConstruction(
    project: number,
    construction: Construction | null,
    elevation: Elevation,
): { made: Made | null; error: Error | null } {
    const preview = useQuery({
        queryKey: [project, 'construction', construction, elevation],
        queryFn: () =>
            ask(
                api.POST('/api/v1/projects/{project}/constructions-preview', {
                    params: { path: { project } },
                    body: { construction: construction as Construction, elevation },
                }),
            ),
        enabled: construction !== null,
        retry: false,
        // The figure stays while the next one is on its way.
        placeholderData: (before) => (construction === null ? undefined : before),
    });
    return construction === null
        ? { made: null, error: null }
        : { made: preview.error ? null : (preview.data ?? null), error: preview.error };
}
