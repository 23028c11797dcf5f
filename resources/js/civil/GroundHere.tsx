import { useQuery } from '@tanstack/react-query';
import { api, ask } from '../api/client';
import { Length } from '../parts/Figure';
import type { PlanPlace } from '../plan/contract';
import { formatLength, formatStation } from '../units/format';
import { useUnits } from '../units/UnitsContext';
import { offsetWords } from './Offset';

interface Props {
    project: number;
    place: PlanPlace;
    /** of this alignment alone; of the nearest where null */
    alignment?: number | null;
}

/** Station, offset, element and heights of a place that was touched. */
export function GroundHere({ project, place, alignment = null }: Props) {
    const units = useUnits();
    const here = useQuery({
        queryKey: ['ground-here', project, place.northing, place.easting],
        queryFn: () =>
            ask(
                api.POST('/api/v1/projects/{project}/ground-here', {
                    params: { path: { project } },
                    body: { northing: place.northing, easting: place.easting },
                }),
            ),
        retry: false,
    }).data;
    const beside = here?.alignments.find((a) => alignment === null || a.id === alignment);
    if (!here || (!beside && here.surfaces.length === 0)) {
        return null;
    }
    const e = beside?.element;
    const radius = (r: number | null) =>
        r === null ? 'straight' : `radius ${formatLength(Math.abs(r), units.length)} ${r > 0 ? 'right' : 'left'}`;
    return (
        <div className="text-sm">
            {beside && e && (
                <p>
                    {alignment === null && `${beside.name}: `}
                    <span className="figure">
                        {formatStation(beside.station, units)}
                        {beside.region > 1 && ` (${beside.region})`}, {offsetWords(beside.offset, units.length)}
                    </span>
                    {beside.elevation !== null && (
                        <>
                            , design <Length of={beside.elevation} />
                        </>
                    )}
                    <span className="block text-quiet">
                        {e.kind === 'line'
                            ? 'straight'
                            : e.kind === 'arc'
                              ? `arc, ${radius(e.radiusFrom)}`
                              : `spiral, ${radius(e.radiusFrom)} to ${radius(e.radiusTo)}${e.parameter === null ? '' : `, A ${formatLength(e.parameter, units.length)}`}`}
                        , <Length of={e.length} /> long
                    </span>
                </p>
            )}
            {here.surfaces.map((s) => (
                <p key={s.id}>
                    {s.name}: <Length of={s.elevation} />
                </p>
            ))}
        </div>
    );
}
