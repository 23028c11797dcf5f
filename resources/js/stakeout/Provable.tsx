import { useQuery } from '@tanstack/react-query';
import { api, ask, type Live, type Project } from '../api/client';
import { Deviation } from '../parts/Figure';
import { Notice } from '../parts/Notice';
import type { Target } from './target';

interface Props {
    project: Project;
    target: Target;
    judged: Live['judged'];
}

/** Said before anything is marked: a tolerance that no mark from this setup can prove, however well it is staked. Asked once for a target. */
export function Provable({ project, target, judged }: Props) {
    const of = target.kind === 'point' ? { target: target.point.id } : { aim: target.aim.id };
    const best = useQuery({
        queryKey: [project.id, 'provable', of, target.kind === 'aim' ? target.aim.version : 0, judged],
        queryFn: () =>
            ask(api.GET('/api/v1/projects/{project}/provable', { params: { path: { project: project.id }, query: { ...of, judged } } })),
        staleTime: 30_000,
    }).data?.best;
    if (!best || best.provable) {
        return null;
    }
    const { planUncertain: plan, heightUncertain: height } = best;
    return (
        <Notice kind="caution">
            The tolerance is tighter than this setup can prove: even dead on, a mark here is in with {Math.floor(100 * best.probability)} %
            ({Math.round(1000 * best.level) / 10} % is asked for).{' '}
            {plan !== null && (
                <>
                    Plan ± <Deviation of={plan} /> against <Deviation of={best.planTolerance} />
                </>
            )}
            {plan !== null && height !== null && ', '}
            {height !== null && (
                <>
                    {plan === null && 'Height '}
                    {plan !== null && 'height '}± <Deviation of={height} /> against <Deviation of={best.heightTolerance} />
                </>
            )}
            . Stand nearer, measure in both faces, or set up on better control.
        </Notice>
    );
}
