import { useId, useState } from 'react';
import { api, ask, type ControlPoint, Problem, type Project, type Schemas } from '../api/client';
import { useDeed } from '../api/hooks';
import { Button } from '../parts/Button';
import { CheckBox } from '../parts/CheckBox';
import { LengthField, TextField } from '../parts/Field';
import { Failure, Notice } from '../parts/Notice';
import { type Place, PlaceFields } from '../parts/PlaceFields';
import { Step } from '../parts/Step';

const seenOf = ({ id: _, source: __, origin: ___, ...seen }: ControlPoint) => seen;

const intoView = (notice: HTMLElement | null) => notice?.scrollIntoView({ block: 'end' });

/** A place that was touched, to become control: what it is called there, and where it exactly lies. */
export interface TouchedPlace extends Place {
    given: Schemas['GivenPlace'];
    name: string;
    words: string;
}

interface Props {
    project: Project;
    point: ControlPoint | null;
    touched?: TouchedPlace | null;
    onDone: () => void;
}

/** A control point typed by hand, or touched on the plan. */
export function ControlForm({ project, point, touched = null, onDone }: Props) {
    const form = useId();
    const [name, setName] = useState(point?.name ?? touched?.name ?? '');
    const [code, setCode] = useState(point?.code ?? '');
    const [place, setPlace] = useState<Place>({
        northing: point?.northing ?? touched?.northing ?? null,
        easting: point?.easting ?? touched?.easting ?? null,
        elevation: point?.elevation ?? touched?.elevation ?? null,
    });
    const [fixed, setFixed] = useState(point?.heldFixed ?? true);
    const [plan, setPlan] = useState<number | null>(point?.planDeviation ?? null);
    const [height, setHeight] = useState<number | null>(point?.heightDeviation ?? null);
    const { northing, easting, elevation } = place;
    // Typed over, it no longer is the place that was touched.
    const asTouched = touched !== null && northing === touched.northing && easting === touched.easting;
    const keep = useDeed(project.id, (evenDoubtful: boolean) => {
        const body = {
            name,
            code,
            northing: northing ?? 0,
            easting: easting ?? 0,
            elevation,
            description: point?.description ?? '',
            heldFixed: fixed,
            planDeviation: fixed ? null : plan,
            heightDeviation: fixed ? null : height,
            evenDoubtful,
        };
        return point
            ? ask(
                  api.PUT('/api/v1/projects/{project}/control/{control}', {
                      params: { path: { project: project.id, control: point.id } },
                      body: { ...body, place: null, seen: seenOf(point) },
                  }),
              )
            : ask(
                  api.POST('/api/v1/projects/{project}/control', {
                      params: { path: { project: project.id } },
                      body: { ...body, place: asTouched ? touched.given : null },
                  }),
              );
    });
    const doubt = keep.error instanceof Problem && keep.error.reason === 'doubtful' ? keep.error.message : null;
    return (
        <form
            id={form}
            className="grid gap-3"
            onSubmit={(e) => {
                e.preventDefault();
                keep.mutate(false, { onSuccess: onDone });
            }}
        >
            {asTouched && <p className="text-quiet">From {touched.words}</p>}
            <TextField label="Name" value={name} onValue={setName} autoFocus />
            {/* Fields type on while another's answer is on its way: each changes only its own part. */}
            <PlaceFields place={place} onPlace={(part) => setPlace((now) => ({ ...now, ...part }))} />
            <TextField label="Code" value={code} onValue={setCode} />
            <CheckBox label="Held fixed: taken as without error" checked={fixed} onChecked={setFixed} />
            {!fixed && (
                <>
                    <LengthField label="Standard deviation in plan" value={plan} onValue={setPlan} optional />
                    <LengthField label="Standard deviation in height" value={height} onValue={setHeight} optional />
                </>
            )}
            {doubt === null ? (
                <Failure of={keep.error} />
            ) : (
                // Below the fold of a low screen nobody would know why it was not kept.
                <div ref={intoView}>
                    <Notice kind="caution">
                        {doubt}{' '}
                        <Button className="min-h-12" busy={keep.isPending} onClick={() => keep.mutate(true, { onSuccess: onDone })}>
                            It is meant so
                        </Button>
                    </Notice>
                </div>
            )}
            <Step
                type="submit"
                form={form}
                busy={keep.isPending}
                why={name.trim() === '' ? 'It needs a name.' : (northing === null || easting === null) && 'It needs northing and easting.'}
            >
                Keep
            </Step>
        </form>
    );
}
