import { useQuery } from '@tanstack/react-query';
import { api, ask } from '../api/client';
import { type Spot, spotBody } from './snap';

/** Where a touched spot lies exactly, how it is called, and what is doubted of it: core says so. */
export const useExactSpot = (project: number, spot: Spot | null) =>
    useQuery({
        queryKey: ['spot', project, spot],
        queryFn: () => ask(api.POST('/api/v1/projects/{project}/spots', { params: { path: { project } }, body: spotBody(spot as Spot) })),
        enabled: spot !== null,
        retry: false,
    });
