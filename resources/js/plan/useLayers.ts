import { api, ask, type Design, type Schemas } from '../api/client';
import { useDeed } from '../api/hooks';

/** Layers shown, hidden, not to be picked, or in a colour of our own; kept with the project. */
export function useLayers(project: number, designs: Design[]) {
    const all = designs.flatMap((d) => d.layers.map((l) => l.id));
    const send = useDeed(project, async (changes: Partial<Schemas['LayerChange']>[]) => {
        for (const body of changes.filter((c) => (c.layerIds?.length ?? 0) > 0)) {
            await ask(
                api.PATCH('/api/v1/projects/{project}/layers', {
                    params: { path: { project } },
                    body: { layerIds: [], visible: null, pickable: null, colour: null, ...body },
                }),
            );
        }
    });
    return {
        error: send.error,
        change: (body: Partial<Schemas['LayerChange']>) => send.mutate([body]),
        /** Only these are shown, of all designs. */
        only: (ids: number[]) =>
            send.mutate([
                { layerIds: ids, visible: true },
                { layerIds: all.filter((id) => !ids.includes(id)), visible: false },
            ]),
    };
}
