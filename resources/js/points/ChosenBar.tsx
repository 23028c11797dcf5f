import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { api, ask, type StakeoutPoint } from '../api/client';
import { Button } from '../parts/Button';
import { later } from '../parts/later';
import { Failure } from '../parts/Notice';
import { useAskedDeed } from '../parts/useAskedDeed';
import type { DeedProps } from '../stage/deed';
import type { StageProps } from '../stage/stages';
import { AddToWorklist } from '../worklists/AddToWorklist';
import { Elevate } from './Elevate';
import { FromSurface } from './FromSurface';
import { Recode } from './Recode';
import { StationLabels } from './StationLabels';

const Move = later(() => import('./Move').then((m) => m.Move));
const Rename = later(() => import('./Rename').then((m) => m.Rename));

const DEEDS = {
    rename: 'Rename',
    move: 'Move or fit',
    elevation: 'Elevations',
    surface: 'Elevations of a surface',
    stations: 'Station labels',
    code: 'Code',
    worklist: 'Worklist',
} as const;

export type Deed = keyof typeof DEEDS;

const SHEETS: Record<Deed, (props: DeedProps) => React.ReactNode> = {
    rename: Rename,
    move: Move,
    elevation: Elevate,
    surface: FromSurface,
    stations: StationLabels,
    code: Recode,
    worklist: AddToWorklist,
};

/** What is done with the points that were chosen. */
export function ChosenBar(props: StageProps & { found: StakeoutPoint[] }) {
    const { project, points, chosen, setChosen, found } = props;
    const [deed, setDeed] = useState<Deed | null>(null);
    const remove = useAskedDeed(project.id, (ids: number[], evenHeld) =>
        ask(
            api.POST('/api/v1/projects/{project}/points-deletion', {
                params: { path: { project: project.id } },
                body: { ids, evenHeld },
            }),
        ),
    );
    const those = points.filter((p) => chosen.has(p.id));
    if (deed && those.length > 0) {
        const Deed = SHEETS[deed];
        return (
            <section className="grid gap-3 border-2 border-chalk p-3" aria-label={DEEDS[deed]}>
                <div className="flex items-center justify-between gap-2">
                    <h2 className="font-semibold">
                        {DEEDS[deed]}: {those.length} {those.length === 1 ? 'point' : 'points'}
                    </h2>
                    <Button onClick={() => setDeed(null)}>Cancel</Button>
                </div>
                <Deed {...props} those={those} onDone={() => setDeed(null)} />
            </section>
        );
    }
    return (
        <section className="grid gap-2 border-2 border-chalk p-3" aria-label="Chosen points">
            <div className="font-semibold" role="status">
                {those.length === 0 ? 'Touch points on the plan or in the list, or drag a box.' : `${those.length} chosen`}
            </div>
            <div className="flex flex-wrap gap-1">
                <Button className="px-3" onClick={() => setChosen(new Set([...chosen, ...found.map((p) => p.id)]))}>
                    All {found.length} listed
                </Button>
                <Button className="px-3" onClick={() => setChosen(new Set(found.filter((p) => !chosen.has(p.id)).map((p) => p.id)))}>
                    The others
                </Button>
                <Button className="px-3" disabled={those.length === 0} onClick={() => setChosen(new Set())}>
                    None
                </Button>
            </div>
            <div className="flex flex-wrap gap-1">
                {(Object.keys(DEEDS) as Deed[]).map((d) => (
                    <Button key={d} className="px-3" disabled={those.length === 0} onClick={() => setDeed(d)}>
                        {DEEDS[d]}
                    </Button>
                ))}
                <Button
                    className="px-3"
                    disabled={those.length === 0}
                    busy={remove.busy}
                    onClick={() =>
                        remove.mutate(
                            those.map((p) => p.id),
                            () => setChosen(new Set()),
                        )
                    }
                    icon={<Trash2 />}
                >
                    Delete
                </Button>
            </div>
            <Failure of={remove.error} />
            {remove.question}
        </section>
    );
}
