import type { Mark, Project } from '../api/client';
import { useChecks } from '../api/hooks';
import { Notice } from '../parts/Notice';

/** What speaks against going on from this setup: a check that failed, a check that is due, a direction that nothing checks. */
export function SetupDoubt({ project }: { project: Project }) {
    const checks = useChecks(project.id);
    if (!project.setup || !checks.data) {
        return null;
    }
    return (
        <>
            {checks.data.holds === false && <Notice kind="error">{checks.data.verdict}</Notice>}
            {checks.data.holds !== null && checks.data.due && <Notice kind="caution">{checks.data.due}</Notice>}
            {project.setup.method === 'known_direction' && (
                <Notice kind="caution">The setup’s direction was given, and nothing checks it: what is staked turns with it.</Notice>
            )}
        </>
    );
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
            {since} {since === 1 ? 'mark was' : 'marks were'} taken since the last check shot. Take one more before the instrument leaves.
        </Notice>
    );
}
