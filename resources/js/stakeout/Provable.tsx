import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { api, ask, type Live, type Project } from '../api/client';
import { Deviation, HeightAllowed } from '../parts/Figure';
import { Notice } from '../parts/Notice';
import type { Target } from './target';

interface Props {
    project: Project;
    target: Target;
    judged: Live['judged'];
}

/** What a mark could prove at best; null where it can be proven, or nobody knows. Asked once for a target. */
function useUnproven({ project, target, judged }: Props) {
    const of = target.kind === 'point' ? { target: target.point.id } : { aim: target.aim.id };
    const best = useQuery({
        queryKey: [project.id, 'provable', of, target.kind === 'aim' ? target.aim.version : 0, judged],
        queryFn: () =>
            ask(api.GET('/api/v1/projects/{project}/provable', { params: { path: { project: project.id }, query: { ...of, judged } } })),
        staleTime: 30_000,
    }).data?.best;
    return best && !best.provable ? best : null;
}

/** Beside the verdict of the moment, in few words; others where it can be proven. */
export function ProvableWord({ otherwise, ...of }: Props & { otherwise: ReactNode }) {
    return useUnproven(of) ? <b className="text-open">◆ setup can’t prove it</b> : otherwise;
}

/** Said before anything is marked: a tolerance that no mark from this setup can prove, however well it is staked. */
export function Provable(of: Props) {
    const best = useUnproven(of);
    if (!best) {
        return null;
    }
    const { planUncertain: plan, heightUncertain: height } = best;
    return (
        <Notice kind="caution">
            This setup can’t prove that tolerance: even dead on, a mark is in with {Math.floor(100 * best.probability)} % (
            {Math.round(1000 * best.level) / 10} % is asked for).{' '}
            {plan !== null && (
                <>
                    Plan ± <Deviation of={plan} /> against <Deviation of={best.planTolerance} />
                </>
            )}
            {plan !== null && height !== null && ', '}
            {height !== null && (
                <>
                    {plan === null && 'Height '}
                    {plan !== null && 'height '}± <Deviation of={height} /> against <HeightAllowed of={best} />
                </>
            )}
            . Stand nearer, or set up on better control.
        </Notice>
    );
}
