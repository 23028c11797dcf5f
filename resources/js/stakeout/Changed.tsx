import type { Aim } from '../api/client';
import { Button } from '../parts/Button';
import { Failure, Notice } from '../parts/Notice';
import { useChangeAim } from './useTaking';

/** A revision of the drawing has the target elsewhere. */
export function Changed({ project, aim }: { project: number; aim: Aim }) {
    const change = useChangeAim(project);
    return (
        <Notice kind="caution">
            {aim.changed}{' '}
            <Button busy={change.isPending} onClick={() => change.mutate({ aim, renew: true })}>
                Take it as it is now
            </Button>
            <Failure of={change.error} />
        </Notice>
    );
}
