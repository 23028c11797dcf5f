import { Route, SquareDashed } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { Aim, Live, Project, StakeoutPoint } from '../api/client';
import { Button } from '../parts/Button';
import { Dialog } from '../parts/Dialog';
import { later } from '../parts/later';
import { Failure } from '../parts/Notice';
import { boxAsked } from '../plan/shown';
import { useLinesInBox } from './useTaking';

const RunForm = later(() => import('./RunForm').then((m) => m.RunForm));

interface Props {
    project: Project;
    points: StakeoutPoint[];
    listName: string;
    aims: Aim[];
    live: Live | undefined;
}

/** Over what a run is to go by itself: the points of the list, or the ends of lines that are drawn round with a box. */
export function RunStart({ project, points, listName, aims, live }: Props) {
    const [over, setOver] = useState<'points' | Aim[] | null>(null);
    const [drawing, setDrawing] = useState(false);
    const { send: take, asked, leave } = useLinesInBox(project.id, setOver);
    const { mutate } = take;
    useEffect(() => {
        if (drawing) {
            boxAsked.say('run', (box) => {
                setDrawing(false);
                mutate(box);
            });
        }
        return () => boxAsked.say('run', null);
    }, [drawing, mutate]);
    return (
        <>
            {points.length > 0 && (
                <Button icon={<Route />} onClick={() => setOver('points')}>
                    Run over these by itself
                </Button>
            )}
            <Button
                icon={<SquareDashed />}
                busy={take.isPending}
                pressed={drawing}
                title="Both ends of each line in a box, named by the text beside it"
                onClick={() => {
                    leave();
                    setDrawing(!drawing);
                }}
            >
                Run over lines in a box
            </Button>
            {drawing && <p className="w-full text-chalk">Draw a box on the plan, round whole lines.</p>}
            {asked && (
                <fieldset className="w-full border-2 border-chalk p-2">
                    <legend className="px-1">{asked.message}</legend>
                    <div className="flex flex-wrap gap-2">
                        {asked.layers.map((l) => (
                            <Button key={l.id} onClick={() => mutate({ ...asked.box, layerIds: [l.id] })}>
                                {l.name}, {l.count} {l.count === 1 ? 'line' : 'lines'}
                            </Button>
                        ))}
                        <Button onClick={leave}>Cancel</Button>
                    </div>
                </fieldset>
            )}
            <Failure of={take.error} />
            <Dialog open={over !== null} onClose={() => setOver(null)} title="A run by itself">
                {over !== null && (
                    <RunForm
                        project={project}
                        points={points}
                        ends={over === 'points' ? null : over}
                        listName={over === 'points' ? listName : 'Ends of lines'}
                        aims={aims}
                        live={live}
                        onBegun={() => setOver(null)}
                    />
                )}
            </Dialog>
        </>
    );
}
