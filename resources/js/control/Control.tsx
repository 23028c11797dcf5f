import { Pencil, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, ask, type ControlPoint } from '../api/client';
import { Button, buttonLook } from '../parts/Button';
import { Dialog } from '../parts/Dialog';
import { Coordinates, Deviation } from '../parts/Figure';
import { Failure, Notice } from '../parts/Notice';
import { useAskedDeed } from '../parts/useAskedDeed';
import { PointsIn } from '../points/PointsIn';
import { PointsOut } from '../points/PointsOut';
import { UndoBar } from '../projects/UndoBar';
import { Sheet } from '../stage/Sheet';
import type { StageProps } from '../stage/stages';
import { ControlForm } from './ControlForm';

/** Control points: from the site surveyor's file, or typed. */
export function Control({ project, control }: StageProps) {
    const [edited, setEdited] = useState<ControlPoint | 'new' | null>(null);
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
            <Failure of={remove.error} />
            {remove.question}
            <div className="flex flex-wrap gap-2">
                <Button onClick={() => setEdited('new')}>Type one in</Button>
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
