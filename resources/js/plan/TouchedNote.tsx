import { Trash2, X } from 'lucide-react';
import type { ReactNode } from 'react';
import { api, ask, type ControlPoint, type Design, type Project, type StakeoutPoint } from '../api/client';
import { useDeed } from '../api/hooks';
import { Button } from '../parts/Button';
import { Coordinates } from '../parts/Figure';
import type { PlanPlace } from './contract';
import type { PlanThing } from './marks';
import { bookOf } from './shown';
import type { Spot, Touched } from './snap';
import { useLayers } from './useLayers';

export interface TouchedThing {
    thing: PlanThing | null;
    drawn: Touched | null;
    place: PlanPlace;
    /** of the drawings, within reach of the touch, the likeliest first */
    spots: Spot[];
    /** in the lower half of the plan, where a note would lie over it */
    low: boolean;
}

interface Props {
    project: Project;
    touched: TouchedThing;
    control: ControlPoint[];
    points: StakeoutPoint[];
    designs: Design[];
    onShow: (places: PlanPlace[]) => void;
    onMoveLabel: (point: StakeoutPoint) => void;
    /** what else may be done with what was touched */
    more?: ReactNode;
    onClose: () => void;
}

/** What the number of a line counts where it was not drawn by a designer but kept here. */
const MADE_HERE = 'leg';

/** What was touched: its name, kind, source and coordinates. */
export function TouchedNote({ project, touched, control, points, designs, onShow, onMoveLabel, more, onClose }: Props) {
    const { thing, drawn, place } = touched;
    const layers = useLayers(project.id, designs);
    const remove = useDeed(project.id, (id: number) =>
        ask(api.DELETE('/api/v1/projects/{project}/designs/{design}', { params: { path: { project: project.id, design: id } } })),
    );
    const design = drawn ? designs.find((d) => d.layers.some((l) => l.id === drawn.layerId)) : undefined;
    const c = thing?.what === 'control' ? control.find((x) => x.id === thing.id) : undefined;
    const p = thing?.what === 'point' ? points.find((x) => x.id === thing.id) : undefined;
    return (
        <div className="absolute bottom-14 left-2 z-10 flex max-w-md items-start gap-3 border border-ink bg-sheet py-2 pl-4" role="status">
            <div className="min-w-0 [overflow-wrap:anywhere]">
                {c && (
                    <>
                        <div className="font-semibold">Control point {c.name}</div>
                        <Coordinates {...c} />
                        <div className="text-sm text-quiet">
                            {c.code && `${c.code} · `}
                            {c.source}
                        </div>
                    </>
                )}
                {p && (
                    <>
                        <div className="font-semibold">Stakeout point {p.name}</div>
                        <Coordinates {...p} />
                        <div className="text-sm text-quiet">
                            {p.code && `${p.code} · `}
                            {p.made || p.origin}
                            {p.stakes > 0 && ` · staked ${p.stakes === 1 ? 'once' : `${p.stakes} times`}`}
                        </div>
                    </>
                )}
                {thing && !c && !p && <div className="font-semibold">{nameOf(thing)}</div>}
                {drawn && (
                    <>
                        <div className="font-semibold">
                            {drawn.kind[0]?.toUpperCase()}
                            {drawn.kind.slice(1)}
                            {drawn.text !== null && ` “${drawn.text}”`} on layer {drawn.layer}
                        </div>
                        <div className="text-sm text-quiet">
                            {design && `${design.name}${design.revision && `, revision ${design.revision}`} · `}
                            {design?.placeWord ?? 'line'} {drawn.place} of {design?.fileName ?? 'the drawing'}
                        </div>
                        <Coordinates {...place} />
                        <div className="mt-1 flex flex-wrap gap-2">
                            <Button
                                onClick={() => {
                                    layers.only([drawn.layerId]);
                                    onClose();
                                }}
                            >
                                Only this layer
                            </Button>
                            <Button
                                onClick={() => {
                                    layers.change({ layerIds: [drawn.layerId], visible: false });
                                    onClose();
                                }}
                            >
                                Hide this layer
                            </Button>
                            {design?.placeWord === MADE_HERE && (
                                <Button
                                    busy={remove.isPending}
                                    onClick={() => remove.mutate(design.id, { onSuccess: onClose })}
                                    icon={<Trash2 />}
                                >
                                    Delete {design.name}
                                </Button>
                            )}
                        </div>
                    </>
                )}
                {thing?.what === 'alignment' && more}
                {(c ?? p) && (
                    <div className="mt-1 flex flex-wrap gap-2">
                        {more}
                        <Button onClick={() => onShow([c ?? p ?? place])}>Go nearer</Button>
                        <Button onClick={() => bookOf.say('touched', (c ?? p)?.name ?? null)}>In the field book</Button>
                        {p && (
                            <Button onClick={() => onMoveLabel(p)}>{p.labelEast === null ? 'Move its label' : 'Put its label back'}</Button>
                        )}
                    </div>
                )}
            </div>
            <Button kind="bare" aria-label="Close" onClick={onClose} icon={<X />} />
        </div>
    );
}

function nameOf(thing: PlanThing): string {
    switch (thing.what) {
        case 'instrument':
            return 'The instrument';
        case 'pole':
            return 'The pole, as last measured';
        case 'mark':
            return `Mark ${thing.name}`;
        case 'alignment':
            return `Alignment ${thing.name}`;
        default:
            return '';
    }
}
