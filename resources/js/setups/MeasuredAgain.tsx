import { useQuery } from '@tanstack/react-query';
import { api, ask, type Mark } from '../api/client';
import { Deviation, Sided } from '../parts/Figure';

/** How a mark differs from the last one of the same thing from another setup; nothing where there is none. */
export function MeasuredAgain({ project, mark }: { project: number; mark: Mark }) {
    const again = useQuery({
        queryKey: [project, 'again', mark.id],
        queryFn: () => ask(api.GET('/api/v1/projects/{project}/marks/{mark}/again', { params: { path: { project, mark: mark.id } } })),
        staleTime: Number.POSITIVE_INFINITY,
    }).data?.again;
    if (!again) {
        return null;
    }
    const { difference: d } = again;
    return (
        <div className="text-sm">
            {again.agrees ? (
                <span className="font-semibold text-in">● as from setup {again.setupNumber}</span>
            ) : (
                <span className="font-semibold text-out">▲ not as from setup {again.setupNumber}</span>
            )}
            : <Sided of={d.northing} side="northing" />, <Sided of={d.easting} side="easting" />, height{' '}
            <Sided of={d.height} side="height" />; up to <Deviation of={again.expectedPlan} /> in plan
            {again.expectedHeight !== null && (
                <>
                    {' '}
                    and <Deviation of={again.expectedHeight} /> in height
                </>
            )}{' '}
            is to be expected.
            {again.agrees ? (
                <>
                    {' '}
                    The mean of both is known to ± <Deviation of={again.meanPlan} />.
                </>
            ) : (
                ' Take a check shot, and look at what moved: the mark, or a tripod.'
            )}
        </div>
    );
}
