import { Button } from '../parts/Button';
import { NextStep } from '../parts/NextStep';
import { Failure } from '../parts/Notice';
import type { StageProps } from '../stage/stages';
import { canSeek, PrismLost, useSearch } from './PrismLost';

/** Why there is nothing to follow, and what to do. */
export function NoGuidance({
    live,
    project,
    turning,
    anywhere,
    onTurn,
}: StageProps & { turning: boolean; anywhere: boolean; onTurn: () => void }) {
    const search = useSearch(project.id);
    if (turning) {
        return <p className="py-8 text-center text-lg">The instrument turns to the target…</p>;
    }
    return (
        <div className="grid gap-3">
            <PrismLost project={project.id} live={live} searching={!anywhere} />
            {canSeek(live) && (
                <NextStep>
                    {anywhere ? (
                        <Button kind="primary" onClick={() => search.mutate(undefined)} busy={search.isPending}>
                            Search for the prism
                        </Button>
                    ) : (
                        <Button kind="primary" onClick={onTurn}>
                            Turn to the target again
                        </Button>
                    )}
                </NextStep>
            )}
            <Failure of={search.error} />
        </div>
    );
}
