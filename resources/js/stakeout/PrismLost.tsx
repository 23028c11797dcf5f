import { api, ask, type Live, newKey } from '../api/client';
import { useDeed } from '../api/hooks';
import { Button } from '../parts/Button';
import { Failure, Notice } from '../parts/Notice';
import { awayWords } from '../setups/away';

/** Why the pole is not seen, in words. */
function whyLost(live: Live | undefined): string {
    const i = live?.instrument;
    return i?.link !== 'up'
        ? 'The instrument can’t be reached. Its link is being sought again by itself.'
        : (awayWords(live) ??
              i.trouble ??
              (i.locked && !i.tracking
                  ? 'The instrument holds the prism but does not follow it.'
                  : 'The instrument does not see the prism. Stand where it points, or let it search.'));
}

/** Whether following or searching can bring it back. */
export const canSeek = (live: Live | undefined): boolean => live?.instrument.link === 'up' && awayWords(live) === null;

/** Lets the instrument search for the prism. */
export const useSearch = (project: number) =>
    useDeed(project, () =>
        ask(api.POST('/api/v1/projects/{project}/instrument/search', { params: { path: { project } }, body: { key: newKey() } })),
    );

interface Props {
    project: number;
    live: Live | undefined;
    /** beside following it: a search, where that is not the next step */
    searching: boolean;
}

/** The pole is not seen: why, and what brings it back. */
export function PrismLost({ project, live, searching }: Props) {
    const track = useDeed(project, () =>
        ask(api.POST('/api/v1/projects/{project}/instrument/track', { params: { path: { project } }, body: { key: newKey() } })),
    );
    const search = useSearch(project);
    return (
        <>
            <Notice kind="caution">{whyLost(live)}</Notice>
            {canSeek(live) && (
                <div className="flex flex-wrap gap-2">
                    <Button className="min-h-16" onClick={() => track.mutate(undefined)} busy={track.isPending}>
                        Follow the prism
                    </Button>
                    {searching && (
                        <Button className="min-h-16" onClick={() => search.mutate(undefined)} busy={search.isPending}>
                            Search for the prism
                        </Button>
                    )}
                </div>
            )}
            <Failure of={track.error ?? search.error} />
        </>
    );
}
