import { useQuery } from '@tanstack/react-query';
import { api, ask, type Live, type Project } from '../api/client';
import { Coordinates, Length, Sided } from '../parts/Figure';
import { formatLength } from '../units/format';
import { useUnits } from '../units/UnitsContext';

/** With nothing chosen: where the pole stands, and how far from the nearest known thing. Nothing is stored. */
export function WhereAmI({ project, live }: { project: Project; live: Live }) {
    const { length } = useUnits();
    const pole = live.pole;
    // Coordinates of the last reading change with every one; what is nearest is asked for once a second.
    const near = useQuery({
        queryKey: [project.id, 'around', Math.floor(Date.now() / 1000)],
        queryFn: () =>
            pole &&
            ask(
                api.GET('/api/v1/projects/{project}/around', {
                    params: {
                        path: { project: project.id },
                        query: {
                            northing: pole.northing,
                            easting: pole.easting,
                            ...(pole.elevation === null ? {} : { elevation: pole.elevation }),
                        },
                    },
                }),
            ),
        enabled: pole !== null,
        placeholderData: (before) => before,
        staleTime: Number.POSITIVE_INFINITY,
        gcTime: 5000,
    });
    if (!pole) {
        return null;
    }
    const d = near.data?.deviation;
    return (
        <section aria-label="Where the pole stands" className="grid gap-1">
            <h2 className="font-semibold">The pole stands at</h2>
            <div className="text-lg">
                <Coordinates {...pole} />
            </div>
            {near.data?.name && d && (
                <p>
                    Nearest: {near.data.what} <b>{near.data.name}</b>, <Length of={d.plan} /> away:{' '}
                    <Sided of={d.northing} side="northing" />, <Sided of={d.easting} side="easting" />,{' '}
                    <Sided of={d.height} side="height" none="no height" /> of it
                </p>
            )}
            {live.by && (
                <p>
                    Beside the line chosen for moves: {formatLength(live.by.along, length)} from its start,{' '}
                    <Sided of={live.by.offset} side="line" />
                </p>
            )}
        </section>
    );
}
