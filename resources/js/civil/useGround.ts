import { useQueries, useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { api, ask, type Project } from '../api/client';
import { cutFillBands, elevationBands, type Legend, slopeBands } from '../plan/bands';
import type { DrawnCivil } from '../plan/contract';
import type { DrawnSurface } from '../plan/SurfaceLayer';
import { meshOf, type SurfaceMesh } from '../plan/surfaceMesh';
import type { Bands, SurfaceLook } from '../plan/surfacePicture';
import { type Alignment, type Surface, useAlignments, useSurfaces } from './hooks';

/** How surfaces are looked at; kept by the tab. */
export interface GroundLook extends SurfaceLook {
    /** metres between contours; 0 for none */
    contours: number;
    /** what is there, in the bands of cut and fill: its depth below or above the active surface */
    there: number | null;
}

const PLAIN: GroundLook = { triangles: false, bands: 'none', arrows: false, contours: 0, there: null };

export interface Ground {
    look: GroundLook;
    setLook: (look: GroundLook) => void;
    alignments: readonly Alignment[];
    surfaces: readonly Surface[];
    active: Surface | null;
    legend: Legend | null;
    drawn: DrawnCivil;
    /** they are on their way: it is too early to show everything */
    pending: boolean;
    loading: boolean;
    error: Error | null;
}

const NONE: never[] = [];

function storedLook(project: number): GroundLook {
    try {
        return { ...PLAIN, ...(JSON.parse(sessionStorage.getItem(`ground ${project}`) ?? '{}') as Partial<GroundLook>) };
    } catch {
        return PLAIN;
    }
}

const tilesQuery = (project: number, surface: Surface) => ({
    queryKey: ['tiles', project, surface.id, surface.version],
    queryFn: async (): Promise<SurfaceMesh> => {
        const response = await fetch(`/api/v1/projects/${project}/surfaces/${surface.id}/tiles/${surface.version}`);
        if (!response.ok) {
            throw new Error('The triangles of the surface could not be fetched. Try again.');
        }
        return meshOf(await response.arrayBuffer());
    },
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
});

/** Alignments and surfaces of the project, and how they are drawn. */
export function useGround(id: number, project: Project | undefined): Ground {
    const alignments = useAlignments(id);
    const surfaces = useSurfaces(id);
    const [look, keep] = useState(() => storedLook(id));
    const setLook = (next: GroundLook) => {
        sessionStorage.setItem(`ground ${id}`, JSON.stringify(next));
        keep(next);
    };
    const all = surfaces.data ?? NONE;
    const active = all.find((s) => s.active) ?? null;
    const cutFill = look.bands === 'cut_fill';
    const there = cutFill ? (all.find((s) => s.id === look.there) ?? all.find((s) => s.kind !== 'design' && s !== active) ?? null) : null;
    // Cut and fill are those of what is there; all else is of the surface that is worked with.
    const subject = cutFill ? there : active;
    const painted = look.triangles || look.arrows || look.bands !== 'none';
    const wanted = useMemo(() => [painted ? subject : null, cutFill ? active : null], [painted, subject, cutFill, active]);
    const meshes = useQueries({
        queries: wanted.flatMap((s) => (s ? [tilesQuery(id, s)] : [])),
        combine: (results) => ({
            data: results.map((r) => r.data),
            loading: results.some((r) => r.isPending),
            error: results.find((r) => r.error)?.error ?? null,
        }),
    });
    const contours = useQuery({
        queryKey: ['contours', id, active?.id, active?.version, look.contours],
        queryFn: () =>
            ask(
                api.POST('/api/v1/projects/{project}/surfaces/{surface}/contours', {
                    params: { path: { project: id, surface: active?.id ?? 0 } },
                    body: { interval: look.contours },
                }),
            ),
        enabled: active !== null && look.contours > 0,
        staleTime: Number.POSITIVE_INFINITY,
        retry: false,
    });
    const verticalOffset = project?.civil.verticalOffset ?? 0;
    const tolerance = project?.heightTolerance ?? 0.005;
    const legend = useMemo(() => legendFor(look.bands, subject, active, tolerance), [look.bands, subject, active, tolerance]);
    const [mesh, against] = meshes.data;
    const drawnSurfaces = useMemo<readonly DrawnSurface[]>(
        () =>
            painted && subject && mesh && (!cutFill || against)
                ? [
                      {
                          mesh,
                          look,
                          bands: legend?.bands ?? NONE,
                          against: cutFill ? (against ?? null) : null,
                          verticalOffset: cutFill ? verticalOffset : 0,
                      },
                  ]
                : NONE,
        [painted, subject, mesh, against, cutFill, look, legend, verticalOffset],
    );
    const shown = alignments.data ?? NONE;
    const drawnAlignments = useMemo(
        () => shown.filter((a) => a.visible).map((a) => ({ id: a.id, name: a.name, line: a.line, marks: a.marks, active: false })),
        [shown],
    );
    const drawnContours = useMemo(
        () => (contours.data && look.contours > 0 ? [{ lines: contours.data.lines, interval: look.contours }] : NONE),
        [contours.data, look.contours],
    );
    const extents = useMemo(() => [...shown.filter((a) => a.visible), ...all.filter((s) => s.visible)].map((x) => x.extent), [shown, all]);
    const drawn = useMemo(
        () => ({ alignments: drawnAlignments, surfaces: drawnSurfaces, contours: drawnContours, extents }),
        [drawnAlignments, drawnSurfaces, drawnContours, extents],
    );
    return {
        look,
        setLook,
        alignments: shown,
        surfaces: all,
        active,
        legend: painted && drawnSurfaces.length > 0 ? legend : null,
        drawn,
        pending: alignments.isPending || surfaces.isPending,
        loading: painted && meshes.loading,
        error: (meshes.error ?? contours.error ?? alignments.error ?? surfaces.error) as Error | null,
    };
}

function legendFor(bands: Bands, subject: Surface | null, active: Surface | null, tolerance: number): Legend | null {
    if (!subject || bands === 'none') {
        return null;
    }
    if (bands === 'elevation') {
        return elevationBands(subject.lowest, subject.highest);
    }
    if (bands === 'slope') {
        return slopeBands();
    }
    const deepest = active ? Math.max(Math.abs(subject.highest - active.lowest), Math.abs(active.highest - subject.lowest)) : 1;
    return cutFillBands(deepest, tolerance);
}
