import { useQuery } from '@tanstack/react-query';
import { Magnet } from 'lucide-react';
import { api, ask, type Live, type Project } from '../api/client';
import { Button } from '../parts/Button';
import { Coordinates, Deviation, Length, Sided } from '../parts/Figure';
import { formatLength } from '../units/format';
import { useUnits } from '../units/UnitsContext';

/** Farther off, what was built is not offered a point: metres, in plan. */
const NEAR = 0.3;

/** The known thing that is nearest to the pole. */
function useAround(project: Project, pole: Live['pole']) {
    // Coordinates of the last reading change with every one; what is nearest is asked for once a second.
    return useQuery({
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
}

/** A point that an as-built shot is plainly of is offered to be held against, at one touch. */
export function NearestOffered({ project, live, onHold }: { project: Project; live: Live; onHold: (point: number) => void }) {
    const near = useAround(project, live.pole).data;
    const { pointId, deviation: d } = near ?? {};
    if (!live.pole || pointId == null || !d || d.plan > NEAR) {
        return null;
    }
    return (
        <Button className="min-h-16" icon={<Magnet />} onClick={() => onHold(pointId)}>
            <span>
                Hold it against {near?.name}, <Deviation of={d.plan} /> away
            </span>
        </Button>
    );
}

/** With nothing chosen: where the pole stands, and how far from the nearest known thing. Nothing is stored. */
export function WhereAmI({ project, live }: { project: Project; live: Live }) {
    const { length } = useUnits();
    const pole = live.pole;
    const near = useAround(project, pole);
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
