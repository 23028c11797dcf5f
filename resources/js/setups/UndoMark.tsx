import { Undo2 } from 'lucide-react';
import type { Mark } from '../api/client';
import { useStrike } from '../api/hooks';
import { Button } from '../parts/Button';
import { Failure } from '../parts/Notice';

/** A mark that was stored by mistake, and seen to be at once, is struck at one touch. */
export function UndoMark({ mark, project, onUndone }: { mark: Mark; project: number; onUndone?: () => void }) {
    const strike = useStrike(project);
    return (
        <>
            <Button
                aria-label={`Undo ${mark.name}: strike it`}
                busy={strike.isPending}
                onClick={() =>
                    strike.mutate({ mark: mark.id, struck: true, reason: 'undone right after it was stored' }, { onSuccess: onUndone })
                }
                icon={<Undo2 />}
            >
                Undo
            </Button>
            <Failure of={strike.error} />
        </>
    );
}
