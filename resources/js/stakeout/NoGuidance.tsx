import { api, ask, newKey } from '../api/client';
import { useDeed } from '../api/hooks';
import { Button } from '../parts/Button';
import { NextStep } from '../parts/NextStep';
import { Failure, Notice } from '../parts/Notice';
import { awayWords } from '../setups/away';
import type { StageProps } from '../stage/stages';

/** Why there is nothing to follow, and what to do. */
export function NoGuidance({
    live,
    project,
    turning,
    anywhere,
    onTurn,
}: StageProps & { turning: boolean; anywhere: boolean; onTurn: () => void }) {
    const i = live?.instrument;
    const track = useDeed(project.id, () =>
        ask(
            api.POST('/api/v1/projects/{project}/instrument/track', { params: { path: { project: project.id } }, body: { key: newKey() } }),
        ),
    );
    const search = useDeed(project.id, () =>
        ask(
            api.POST('/api/v1/projects/{project}/instrument/search', {
                params: { path: { project: project.id } },
                body: { key: newKey() },
            }),
        ),
    );
    if (turning) {
        return <p className="py-8 text-center text-lg">The instrument turns to the target…</p>;
    }
    const why =
        i?.link !== 'up'
            ? 'The instrument can’t be reached. Its link is being sought again by itself.'
            : (awayWords(live) ??
              i.trouble ??
              (i.locked && !i.tracking
                  ? 'The instrument holds the prism but does not follow it.'
                  : 'The instrument does not see the prism. Stand where it points, or let it search.'));
    return (
        <div className="grid gap-3">
            <Notice kind="caution">{why}</Notice>
            {i?.link === 'up' && awayWords(live) === null && (
                <>
                    <div className="flex flex-wrap gap-2">
                        <Button className="min-h-16" onClick={() => track.mutate(undefined)} busy={track.isPending}>
                            Follow the prism
                        </Button>
                        {!anywhere && (
                            <Button className="min-h-16" onClick={() => search.mutate(undefined)} busy={search.isPending}>
                                Search for the prism
                            </Button>
                        )}
                    </div>
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
                </>
            )}
            <Failure of={track.error ?? search.error} />
        </div>
    );
}
