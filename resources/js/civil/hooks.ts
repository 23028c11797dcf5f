import { useQuery } from '@tanstack/react-query';
import { api, ask, queries, type Schemas } from '../api/client';

export type Alignment = Schemas['AlignmentEntry'];
export type Surface = Schemas['SurfaceEntry'];
export type Choices = Schemas['CivilChoices'];

const of = (project: number) => ({ params: { path: { project } } });

export const useAlignments = (project: number) => queries.useQuery('get', '/api/v1/projects/{project}/alignments', of(project));
export const useSurfaces = (project: number) => queries.useQuery('get', '/api/v1/projects/{project}/surfaces', of(project));
/** The as-built surface that is growing, if one is. */
export const useBuilds = (project: number) => queries.useQuery('get', '/api/v1/projects/{project}/builds', of(project));

/** Heights of the surfaces that are shown, along an alignment. */
export const useSurfacesAlong = (project: number, alignment: Alignment | null, surfaces: readonly Surface[]) =>
    useQuery({
        queryKey: ['along', project, alignment?.id, alignment?.version, surfaces.map((s) => `${s.id}.${s.version}.${s.visible}`).join()],
        queryFn: () =>
            ask(
                api.GET('/api/v1/projects/{project}/alignments/{alignment}/surfaces', {
                    params: { path: { project, alignment: alignment?.id ?? 0 } },
                }),
            ),
        enabled: alignment !== null,
        staleTime: Number.POSITIVE_INFINITY,
    });

/** What lies across an alignment, to the nearest half metre along it. */
export const useSection = (project: number, alignment: Alignment | null, wanted: Schemas['SectionWanted'], key: string) =>
    useQuery({
        queryKey: ['section', project, alignment?.id, alignment?.version, wanted, key],
        queryFn: () =>
            ask(
                api.POST('/api/v1/projects/{project}/alignments/{alignment}/section', {
                    params: { path: { project, alignment: alignment?.id ?? 0 } },
                    body: wanted,
                }),
            ),
        enabled: alignment !== null,
        placeholderData: (before) => before,
        staleTime: Number.POSITIVE_INFINITY,
    });
/** Drawing, surface and what is shown beside them, kept under a name. */
export const usePhases = (project: number) => queries.useQuery('get', '/api/v1/projects/{project}/phases', of(project));
