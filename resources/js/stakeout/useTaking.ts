import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { type Aim, api, ask, newKey, Problem, queries, type Schemas } from '../api/client';
import { useDayDeed } from '../api/hooks';

const of = (project: number) => ({ params: { path: { project } } });

/** Shows targets as an answer has them, without asking for all of them again. */
function useShowAims(project: number) {
    const client = useQueryClient();
    return (aims: Aim[]) => {
        client.setQueryData<Aim[]>(queries.queryOptions('get', '/api/v1/projects/{project}/aims', of(project)).queryKey, (known) => {
            const changed = new Map(aims.map((a) => [a.id, a]));
            const kept = (known ?? []).map((a) => changed.get(a.id) ?? a);
            return [...kept, ...aims.filter((a) => !kept.some((k) => k.id === a.id))];
        });
    };
}

/** Takes a spot, a line or an elevation as what is to be staked. */
export function useTakeAim(project: number, onTaken: (aim: Aim) => void) {
    const show = useShowAims(project);
    return useDayDeed(project, async (body: Omit<Schemas['AimToTake'], 'key'>) => {
        const aim = await ask(api.POST('/api/v1/projects/{project}/aims', { ...of(project), body: { key: newKey(), ...body } }));
        show([aim]);
        onTaken(aim);
    });
}

type Box = Omit<Schemas['LinesInBoxToTake'], 'key'>;

/** Lines of several layers lie in a box: it is said of which they are. */
export interface BoxAsked {
    message: string;
    box: Box;
    layers: { id: number; name: string; count: number }[];
}

/** Takes both ends of each line that lies in a box of the plan; of which layer is asked where there are several. */
export function useLinesInBox(project: number, onTaken: (ends: Aim[]) => void) {
    const show = useShowAims(project);
    const [asked, setAsked] = useState<BoxAsked | null>(null);
    const send = useDayDeed(project, async (box: Box) => {
        setAsked(null);
        try {
            const ends = await ask(api.POST('/api/v1/projects/{project}/aims/in-box', { ...of(project), body: { key: newKey(), ...box } }));
            show(ends);
            onTaken(ends);
        } catch (e) {
            if (!(e instanceof Problem && e.reason === 'layers')) {
                throw e;
            }
            setAsked({ message: e.message, box, layers: e.evidence.layers as BoxAsked['layers'] });
        }
    });
    return { send, asked, leave: () => setAsked(null) };
}

/** Changes how a line is staked, or what the marks of a target are called and judged by. */
export function useChangeAim(project: number) {
    const show = useShowAims(project);
    return useDayDeed(project, async ({ aim, ...change }: { aim: Aim } & Partial<Schemas['AimChange']>) => {
        const { version, series, code, judged } = aim;
        const body = { version, series, code, judged, ...change };
        show([await ask(api.PATCH('/api/v1/projects/{project}/aims/{aim}', { params: { path: { project, aim: aim.id } }, body }))]);
    });
}

/** Makes places along a line, each a target by itself. */
export function usePlacesAlong(project: number, onMade: (aims: Aim[]) => void) {
    const show = useShowAims(project);
    return useDayDeed(project, async ({ line, ...wanted }: { line: Aim } & Omit<Schemas['PlacesOnLine'], 'key' | 'version'>) => {
        const made = await ask(
            api.POST('/api/v1/projects/{project}/aims/{aim}/places', {
                params: { path: { project, aim: line.id } },
                body: { key: newKey(), version: line.version, ...wanted },
            }),
        );
        show(made);
        onMade(made);
    });
}
