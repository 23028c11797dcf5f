import { useId } from 'react';
import { api, ask, type Schemas } from '../api/client';
import { useDeed } from '../api/hooks';
import { Button } from '../parts/Button';
import { Failure } from '../parts/Notice';
import type { StageProps } from '../stage/stages';
import type { Surface } from './hooks';

/** Single triangles of a surface that was made here, changed by touching them on the plan. */
export function SurfaceEdits({ project, surface, want, setWant }: StageProps & { surface: Surface }) {
    const own = useId();
    const edit = useDeed(project.id, (body: Omit<Schemas['SurfaceEdit'], 'seen'>) =>
        ask(
            api.POST('/api/v1/projects/{project}/surfaces/{surface}/edits', {
                params: { path: { project: project.id, surface: surface.id } },
                body: { ...body, seen: surface.version },
            }),
        ),
    );
    const touch = (deed: 'swap' | 'remove', words: string) => {
        const id = `${own} ${deed}`;
        const active = want?.id === id;
        return (
            <Button
                pressed={active}
                busy={edit.isPending}
                onClick={() =>
                    setWant(
                        active
                            ? null
                            : {
                                  id,
                                  picking: 'place',
                                  onTake: ({ place }) => {
                                      setWant(null);
                                      edit.mutate({ deed, northing: place.northing, easting: place.easting });
                                  },
                              },
                    )
                }
            >
                {active ? 'Touch it on the plan…' : words}
            </Button>
        );
    };
    return (
        <div className="mt-1 flex flex-wrap gap-2">
            {touch('swap', 'Swap an edge')}
            {touch('remove', 'Take out a triangle')}
            <Button busy={edit.isPending} onClick={() => edit.mutate({ deed: 'take_back', northing: 0, easting: 0 })}>
                Take back the last
            </Button>
            <Failure of={edit.error} />
        </div>
    );
}
