import { X } from 'lucide-react';
import { useMemo, useState } from 'react';
import type { Aim, Schemas } from '../api/client';
import { Button } from '../parts/Button';
import { Failure, Notice } from '../parts/Notice';
import { pieces, touchedSpot, useShow } from '../plan/shown';
import { spotBody } from '../plan/snap';
import type { TouchedThing } from '../plan/TouchedNote';
import { useExactSpot } from '../plan/useExactSpot';
import { useLayers } from '../plan/useLayers';
import type { StageProps } from '../stage/stages';
import { useTakeAim } from './useTaking';

/** A place that a line is to begin at. */
export interface PlaceTouched {
    given: Schemas['GivenPlace'];
    words: string;
}

interface Props extends Pick<StageProps, 'project' | 'designs'> {
    touched: TouchedThing;
    /** an as-built shot is held against it, and it is not staked */
    holding: boolean;
    from: PlaceTouched | null;
    onFrom: (from: PlaceTouched | null) => void;
    onTaken: (aim: Aim) => void;
    onClose: () => void;
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** What of the drawing was touched, named before it is taken: a spot, or the line it lies on. */
export function TakeNote({ project, designs, touched, holding, from, onFrom, onTaken, onClose }: Props) {
    const { drawn, spots, place } = touched;
    const [which, setWhich] = useState(0);
    const take = useTakeAim(project.id, (aim) => {
        onClose();
        onTaken(aim);
    });
    const layers = useLayers(project.id, designs);
    const spot = spots[which % Math.max(1, spots.length)];
    const layerId = spot?.layerId ?? drawn?.layerId;
    const design = designs.find((d) => d.layers.some((l) => l.id === layerId));
    const here: PlaceTouched | null = spot ? { given: { spot: spotBody(spot) }, words: spot.label } : null;
    useShow(touchedSpot, spot ?? null);
    const exact = useExactSpot(project.id, spot ?? null).data;
    useShow(
        pieces,
        useMemo(() => (drawn && !spot ? [{ layerId: drawn.layerId, shape: drawn.shape }] : null), [drawn, spot]),
    );
    const word = holding ? 'Hold it against' : 'Stake';
    const line = (more: Partial<Schemas['AimToTake']> = {}) =>
        drawn &&
        take.mutate({
            line: { shapes: [{ layerId: drawn.layerId, shape: drawn.shape }], whole: true },
            nearNorthing: place.northing,
            nearEasting: place.easting,
            ...more,
        });
    return (
        <section
            // What was touched stays in sight.
            className={`absolute right-2 left-2 z-10 flex max-w-2xl items-start gap-2 border-2 border-chalk bg-sheet py-2 pl-4 ${touched.low ? 'top-2' : 'bottom-14'}`}
            aria-label="Touched"
        >
            <div className="grid min-w-0 flex-1 gap-2">
                <div role="status" className="[overflow-wrap:anywhere]">
                    <div className="font-semibold">
                        {spot ? capital(spot.label) : drawn ? `${capital(drawn.kind)} on ${drawn.layer}` : ''}
                    </div>
                    <div className="text-sm text-quiet">
                        {design?.name}
                        {design?.revision && `, revision ${design.revision}`}
                        {spots.length > 1 && ` · ${(which % spots.length) + 1} of ${spots.length} spots here`}
                    </div>
                    {exact?.caution && <Notice kind="caution">{exact.caution}</Notice>}
                </div>
                <Failure of={take.error} />
                <div className="flex flex-wrap gap-2">
                    {from && here && (
                        <Button
                            kind="primary"
                            busy={take.isPending}
                            onClick={() => take.mutate({ line: { places: [from.given, here.given] } })}
                        >
                            Line from {from.words} to here
                        </Button>
                    )}
                    {here && (
                        <Button
                            kind={from ? 'plain' : 'primary'}
                            className="min-h-16"
                            busy={take.isPending}
                            onClick={() => take.mutate({ place: here.given })}
                        >
                            {word} this {here.words.split(/ of |,/)[0]}
                        </Button>
                    )}
                    {drawn && (
                        <Button kind={here ? 'plain' : 'primary'} className="min-h-16" busy={take.isPending} onClick={() => line()}>
                            {holding ? 'Hold it' : 'Stake'} along the {drawn.kind}
                        </Button>
                    )}
                    {spots.length > 1 && (
                        <Button kind="bare" onClick={() => setWhich(which + 1)}>
                            Next spot here
                        </Button>
                    )}
                    {here && !from && (
                        <Button kind="bare" onClick={() => onFrom(here)}>
                            Line from here
                        </Button>
                    )}
                    {drawn && !holding && (
                        <Button kind="bare" onClick={() => line({ corners: true })} busy={take.isPending}>
                            Its ends and corners
                        </Button>
                    )}
                    {layerId !== undefined && (
                        <>
                            <Button
                                kind="bare"
                                onClick={() => {
                                    layers.only([layerId]);
                                    onClose();
                                }}
                            >
                                Only this layer
                            </Button>
                            <Button
                                kind="bare"
                                onClick={() => {
                                    layers.change({ layerIds: [layerId], visible: false });
                                    onClose();
                                }}
                            >
                                Hide this layer
                            </Button>
                        </>
                    )}
                </div>
            </div>
            <Button
                kind="bare"
                aria-label="Close"
                onClick={() => {
                    onFrom(null);
                    onClose();
                }}
                icon={<X />}
            />
        </section>
    );
}

/** For a point or control that was touched: a line begins or ends there. */
export function LineFromPoint({
    project,
    control,
    points,
    touched,
    from,
    onFrom,
    onTaken,
    onClose,
}: Omit<Props, 'designs' | 'holding'> & Pick<StageProps, 'control' | 'points'>) {
    const take = useTakeAim(project.id, (aim) => {
        onClose();
        onTaken(aim);
    });
    const { thing } = touched;
    const known =
        thing?.what === 'point'
            ? points.find((p) => p.id === thing.id)
            : thing?.what === 'control'
              ? control.find((c) => c.id === thing.id)
              : undefined;
    if (!known || (thing?.what !== 'point' && thing?.what !== 'control')) {
        return null;
    }
    const here: PlaceTouched = { given: thing.what === 'point' ? { pointId: known.id } : { controlId: known.id }, words: known.name };
    return (
        <>
            {from ? (
                <Button kind="primary" busy={take.isPending} onClick={() => take.mutate({ line: { places: [from.given, here.given] } })}>
                    Line from {from.words} to {known.name}
                </Button>
            ) : (
                <Button
                    onClick={() => {
                        onFrom(here);
                        onClose();
                    }}
                >
                    Line from here
                </Button>
            )}
            <Failure of={take.error} />
        </>
    );
}
