import { useQuery } from '@tanstack/react-query';
import { useEffect, useId, useRef, useState } from 'react';
import { api, ask } from '../api/client';
import { useDeed } from '../api/hooks';
import { Button } from '../parts/Button';
import { LengthField, TextField } from '../parts/Field';
import { Coordinates } from '../parts/Figure';
import { Failure, Notice } from '../parts/Notice';
import { Step } from '../parts/Step';
import type { PlanTaken } from '../plan/contract';
import { SnapChoice } from '../plan/SnapChoice';
import { touchedSpot, useShow } from '../plan/shown';
import { type Spot, spotBody } from '../plan/snap';
import { useExactSpot } from '../plan/useExactSpot';
import type { StageProps } from '../stage/stages';
import { nameTaken } from './nameTaken';

/** Making points by touch: the spot touched, its name, code and elevation, one after another. */
export function NewPoint({ project, points, setWant, snaps, setSnaps }: StageProps) {
    const form = useId();
    const [taken, setTaken] = useState<PlanTaken | null>(null);
    const clearTaken = () => setTaken(null);
    useEffect(() => setWant({ id: 'new-point', picking: 'spot', onTake: setTaken }), [setWant]);
    const [prefix, setPrefix] = useState('P');
    const [own, setOwn] = useState<string | null>(null);
    const [code, setCode] = useState('');
    const [elevation, setElevation] = useState<number | null>(null);
    const next = useQuery({
        queryKey: [project.id, 'next', prefix],
        queryFn: () =>
            ask(api.GET('/api/v1/projects/{project}/next-name', { params: { path: { project: project.id }, query: { prefix } } })),
    });
    const spot = taken?.spot ?? null;
    const exact = useExactSpot(project.id, spot);
    // What is to be made stays lit, wherever the pointer goes meanwhile.
    useShow(touchedSpot, spot);
    const button = useRef<HTMLButtonElement>(null);
    const found = spot !== null && exact.data !== undefined;
    // Enter makes what was touched, without looking for the button; who is typing goes on typing.
    useEffect(() => {
        if (found && !(document.activeElement instanceof HTMLInputElement)) {
            button.current?.focus({ preventScroll: true });
        }
    }, [found]);
    const name = own ?? next.data?.name ?? '';
    const make = useDeed(project.id, () =>
        ask(
            api.POST('/api/v1/projects/{project}/points', {
                params: { path: { project: project.id } },
                body: { name, code, elevation, spot: spotBody(spot as Spot) },
            }),
        ),
    );
    const done = () => {
        setOwn(null);
        clearTaken();
    };
    return (
        <form
            id={form}
            className="grid gap-3 border-2 border-chalk p-3"
            aria-label="New point"
            onSubmit={(e) => {
                e.preventDefault();
                make.mutate(undefined, { onSuccess: done });
            }}
        >
            {!taken && <Notice>Touch an end, a middle, a centre or a crossing on the plan.</Notice>}
            {taken && !spot && (
                <Notice kind="caution">
                    Nothing to take within reach there. Go nearer, or show its layer: what is hidden cannot be picked.
                </Notice>
            )}
            {spot && exact.data && (
                <div>
                    <div className="font-semibold">{exact.data.description}</div>
                    <Coordinates
                        northing={exact.data.northing}
                        easting={exact.data.easting}
                        elevation={elevation ?? exact.data.elevation}
                    />
                    {elevation === null && exact.data.caution && <Notice kind="caution">{exact.data.caution}</Notice>}
                </div>
            )}
            <div className="grid grid-cols-2 gap-3">
                <TextField
                    label="Prefix"
                    value={prefix}
                    onValue={(p) => {
                        setPrefix(p);
                        setOwn(null);
                    }}
                />
                <TextField
                    label="Name"
                    value={name}
                    onValue={setOwn}
                    hint={own === null ? 'next free name' : (nameTaken(points, name) ?? undefined)}
                />
                <TextField label="Code" value={code} onValue={setCode} />
                <LengthField label="Elevation" value={elevation} onValue={setElevation} optional hint="empty: as drawn" />
            </div>
            <SnapChoice snaps={snaps} onSnaps={setSnaps} />
            <Failure of={exact.error ?? make.error} />
            <Step
                ref={button}
                type="submit"
                form={form}
                busy={make.isPending}
                why={!spot || !exact.data ? 'Touch a spot first.' : name.trim() === '' ? 'It needs a name.' : nameTaken(points, name)}
                second={
                    <Button className="min-h-16" onClick={() => setWant(null)}>
                        Finish
                    </Button>
                }
            >
                Make {name}
            </Step>
        </form>
    );
}
