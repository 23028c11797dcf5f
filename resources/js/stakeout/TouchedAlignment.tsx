import type { Aim } from '../api/client';
import { GroundHere } from '../civil/GroundHere';
import { Button } from '../parts/Button';
import { Failure } from '../parts/Notice';
import type { TouchedThing } from '../plan/TouchedNote';
import { useTakeAim } from './useTaking';

interface Props {
    project: number;
    touched: TouchedThing;
    staking: boolean;
    onTaken: (aim: Aim) => void;
    onClose: () => void;
}

/** An alignment that was touched: its figures there, and staking along it. */
export function TouchedAlignment({ project, touched, staking, onTaken, onClose }: Props) {
    const take = useTakeAim(project, (aim) => {
        onClose();
        onTaken(aim);
    });
    const { thing, place } = touched;
    if (thing?.what !== 'alignment') {
        return null;
    }
    return (
        <div className="grid gap-1">
            <GroundHere project={project} place={place} alignment={thing.id} />
            {staking && (
                <Button className="self-start" busy={take.isPending} onClick={() => take.mutate({ civil: { alignmentId: thing.id } })}>
                    Stake along it
                </Button>
            )}
            <Failure of={take.error} />
        </div>
    );
}
