import { Link } from 'react-router';
import type { Mark, Project } from '../api/client';
import { useChecks } from '../api/hooks';
import { buttonLook } from '../parts/Button';
import { Notice } from '../parts/Notice';

/** What speaks most against going on from this setup: a check that failed, or one that is due, or a direction that nothing checks. */
export function SetupDoubt({ project }: { project: Project }) {
    const checks = useChecks(project.id);
    if (!project.setup || !checks.data) {
        return null;
    }
    const { holds, verdict, due } = checks.data;
    if (holds === false) {
        return <Notice kind="error">{verdict}</Notice>;
    }
    if (holds !== null && due) {
        return <Notice kind="caution">{due}</Notice>;
    }
    return project.setup.method === 'known_direction' ? (
        <Notice kind="caution">The setup’s direction was given, and nothing checks it: what is staked turns with it.</Notice>
    ) : null;
}

/** Before leaving, one more check: what was marked since the last one rests on nothing else. */
export function CheckBeforeLeaving({ project, marks }: { project: Project; marks: Mark[] }) {
    const own = marks.filter((m) => m.setupId === project.setup?.id);
    const last = own[own.length - 1];
    if (!last || last.kind === 'check') {
        return null;
    }
    const since = own.length - 1 - own.map((m) => m.kind).lastIndexOf('check');
    return (
        <Notice kind="caution">
            <p>
                {since} {since === 1 ? 'mark was' : 'marks were'} taken since the last check shot. Take one more before the instrument
                leaves.
            </p>
            <Link className={`${buttonLook('plain')} mt-2`} to={`/p/${project.id}/set-up`}>
                Take one more check
            </Link>
        </Notice>
    );
}
