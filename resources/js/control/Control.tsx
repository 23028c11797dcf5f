import { useMutation } from '@tanstack/react-query';
import { Crosshair, Pencil, Trash2 } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { api, ask, type ControlPoint, type StakeoutPoint } from '../api/client';
import { Button, buttonLook } from '../parts/Button';
import { Dialog } from '../parts/Dialog';
import { Coordinates, Deviation } from '../parts/Figure';
import { Failure, Notice } from '../parts/Notice';
import { useAskedDeed } from '../parts/useAskedDeed';
import type { PlanTaken } from '../plan/contract';
import { spotBody } from '../plan/snap';
import { placeOf, takenWords } from '../plan/taken';
import { PointsIn } from '../points/PointsIn';
import { PointsOut } from '../points/PointsOut';
import { UndoBar } from '../projects/UndoBar';
import { Sheet } from '../stage/Sheet';
import type { StageProps } from '../stage/stages';
import { ControlForm, type TouchedPlace } from './ControlForm';

/** Control points: from the site surveyor's file, or typed. */
export function Control({ project, control, points, want, setWant }: StageProps) {
    const [edited, setEdited] = useState<ControlPoint | 'new' | null>(null);
    const [touched, setTouched] = useState<TouchedPlace | null>(null);
    const touching = want?.id === 'new-control';
    const find = useMutation({ mutationFn: (taken: PlanTaken) => touchedPlace(project.id, taken, points), onSuccess: setTouched });
    const found = useRef(find.mutate);
    found.current = find.mutate;
    useEffect(() => () => setWant(null), [setWant]);
    const remove = useAskedDeed(project.id, (id: number, evenHeld) =>
        ask(
            api.DELETE('/api/v1/projects/{project}/control/{control}', {
                params: { path: { project: project.id, control: id }, query: { evenHeld } },
            }),
        ),
    );
    return (
        <Sheet
            title="Control"
            next={
                control.length > 1 && (
                    <Link
                        to={`/p/${project.id}/${project.progress.designs > 0 ? 'set-up' : 'prepare'}`}
                        data-next
                        className={buttonLook('primary')}
                    >
                        {project.progress.designs > 0 ? 'Set up the instrument' : 'Bring in a drawing'}
                    </Link>
                )
            }
        >
            {control.length === 0 && <Notice>Bring in the site surveyor’s control first: everything is measured from it.</Notice>}
            <PointsIn project={project} target="control" label="Choose or drop a control file (CSV, text, LandXML, GeoJSON)" />
            {touching && (
                <Notice>
                    Touch a point, a centre, a crossing or a cross of the drawing: it is kept as control, with where it came from.
                </Notice>
            )}
            <Failure of={remove.error ?? find.error} />
            {remove.question}
            <div className="flex flex-wrap gap-2">
                <Button onClick={() => setEdited('new')}>Type one in</Button>
                <Button
                    pressed={touching}
                    icon={<Crosshair />}
                    onClick={() =>
                        setWant(touching ? null : { id: 'new-control', picking: 'place', onTake: (taken) => found.current(taken) })
                    }
                >
                    Touch one on the plan
                </Button>
                {control.length > 0 && <PointsOut project={project} initially="control" />}
                <UndoBar project={project} />
            </div>
            <ul>
                {control.map((c) => (
                    <li key={c.id} className="flex items-center gap-2 border-b border-rule py-1">
                        <div className="min-w-0 flex-1 [overflow-wrap:anywhere]">
                            <span className="font-semibold">{c.name}</span> <span className="text-quiet">{c.code}</span>
                            <div className="text-sm">
                                <Coordinates {...c} />
                            </div>
                            <div className="text-sm text-quiet">
                                {c.heldFixed ? (
                                    'held fixed'
                                ) : (
                                    <>
                                        standard deviation plan <Deviation of={c.planDeviation} none="not known" />, height{' '}
                                        <Deviation of={c.heightDeviation} none="not known" />
                                    </>
                                )}{' '}
                                · {c.source}
                            </div>
                        </div>
                        <Button kind="bare" aria-label={`Change ${c.name}`} onClick={() => setEdited(c)} icon={<Pencil />} />
                        <Button kind="bare" aria-label={`Delete ${c.name}`} onClick={() => remove.mutate(c.id)} icon={<Trash2 />} />
                    </li>
                ))}
            </ul>
            <Dialog open={touched !== null} onClose={() => setTouched(null)} title="New control point">
                {touched && <ControlForm project={project} point={null} touched={touched} onDone={() => setTouched(null)} />}
            </Dialog>
            <Dialog
                open={edited !== null}
                onClose={() => setEdited(null)}
                title={edited === 'new' ? 'New control point' : 'Change control point'}
            >
                {edited && <ControlForm project={project} point={edited === 'new' ? null : edited} onDone={() => setEdited(null)} />}
            </Dialog>
        </Sheet>
    );
}

/** What was touched, with its exact place: of a spot core computes it, a point has it. */
async function touchedPlace(project: number, taken: PlanTaken, points: StakeoutPoint[]): Promise<TouchedPlace> {
    const given = placeOf(taken);
    const words = takenWords(taken);
    const point = points.find((p) => p.id === given?.pointId);
    if (point && given) {
        return {
            given,
            name: point.name,
            words: `stakeout point ${point.name}`,
            northing: point.northing,
            easting: point.easting,
            elevation: point.elevation,
        };
    }
    if (given?.northing != null && given.easting != null) {
        return { given, name: '', words, northing: given.northing, easting: given.easting, elevation: given.elevation ?? null };
    }
    if (!taken.spot || !given) {
        throw new Error('Nothing to take within reach there, or it is control already. Go nearer, or show its layer.');
    }
    const exact = await ask(api.POST('/api/v1/projects/{project}/spots', { params: { path: { project } }, body: spotBody(taken.spot) }));
    return { given, name: '', words: exact.description, northing: exact.northing, easting: exact.easting, elevation: exact.elevation };
}
