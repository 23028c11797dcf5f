import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo } from 'react';
import { api, ask, type Project, type StakeoutPoint } from '../api/client';
import { offsetLabels, stationLabels, useShow, useShown } from '../plan/shown';
import { formatStation } from '../units/format';
import type { Alignment } from './hooks';
import { showKeptStationLabels } from './keptLabels';
import { offsetWords } from './Offset';

interface Props {
    project: Project;
    points: readonly StakeoutPoint[];
    alignments: readonly Alignment[];
}

/** Keeps the labels of station and offset on the plan up to date, whatever stage one is in. */
export function StationLabelsShown({ project, points, alignments }: Props) {
    const wanted = useShown(stationLabels);
    useEffect(() => showKeptStationLabels(project.id), [project.id]);
    const alignment = alignments.find((a) => a.id === wanted?.alignment);
    const found = useQuery({
        queryKey: ['beside', project.id, alignment?.id, alignment?.version, wanted?.points, project.revision],
        queryFn: () =>
            ask(
                api.POST('/api/v1/projects/{project}/alignments/{alignment}/beside', {
                    params: { path: { project: project.id, alignment: alignment?.id ?? 0 } },
                    body: { ids: [...(wanted?.points ?? [])] },
                }),
            ),
        enabled: alignment !== undefined && wanted !== null,
        placeholderData: (before) => before,
    }).data;
    const { units } = project;
    useShow(
        offsetLabels,
        useMemo(() => {
            const byId = new Map(points.map((p) => [p.id, p]));
            return wanted && found && alignment
                ? found.flatMap((b) => {
                      const p = byId.get(b.pointId);
                      const region = b.region > 1 ? ` (${b.region})` : '';
                      return p
                          ? [
                                {
                                    text: `${formatStation(b.station, units)}${region}\n${offsetWords(b.offset, units.length)}`,
                                    easting: p.easting,
                                    northing: p.northing,
                                    moved:
                                        p.labelEast === null || p.labelNorth === null
                                            ? null
                                            : ([p.labelEast, p.labelNorth] as [number, number]),
                                    foot: wanted.feet ? { easting: b.easting, northing: b.northing } : null,
                                },
                            ]
                          : [];
                  })
                : null;
        }, [wanted, found, alignment, points, units]),
    );
    return null;
}
