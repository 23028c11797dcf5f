import { useId, useState } from 'react';
import { api, ask, type Project, type StakeoutPoint } from '../api/client';
import { useDeed, usePoints } from '../api/hooks';
import { Button } from '../parts/Button';
import { TextField } from '../parts/Field';
import { Failure, Notice } from '../parts/Notice';
import { type Place, PlaceFields } from '../parts/PlaceFields';
import { Step } from '../parts/Step';
import { seenOf } from '../parts/seen';
import { nameTaken } from './nameTaken';

interface Attribute {
    name: string;
    value: string;
}

const put = (list: Attribute[], i: number, value: Attribute) => list.map((a, k) => (k === i ? value : a));

function attributesOf(point: StakeoutPoint | null): Attribute[] {
    const known = JSON.parse(point?.attributes ?? '{}') as Record<string, string>;
    return Object.entries(known).map(([name, value]) => ({ name, value: String(value) }));
}

/** A stakeout point typed in, or changed. */
export function PointForm({ project, point, onDone }: { project: Project; point: StakeoutPoint | null; onDone: () => void }) {
    const form = useId();
    const [name, setName] = useState(point?.name ?? '');
    const [code, setCode] = useState(point?.code ?? '');
    const [description, setDescription] = useState(point?.description ?? '');
    const [attributes, setAttributes] = useState(() => attributesOf(point));
    const [place, setPlace] = useState<Place>({
        northing: point?.northing ?? null,
        easting: point?.easting ?? null,
        elevation: point?.elevation ?? null,
    });
    const { northing, easting, elevation } = place;
    const taken = nameTaken(usePoints(project.id).data ?? [], name, point);
    const keep = useDeed(project.id, () => {
        const body = { name, code, description, northing: northing ?? 0, easting: easting ?? 0, elevation };
        return point
            ? ask(
                  api.PUT('/api/v1/projects/{project}/points/{point}', {
                      params: { path: { project: project.id, point: point.id } },
                      body: { ...body, attributes, seen: point && seenOf(point) },
                  }),
              )
            : ask(api.POST('/api/v1/projects/{project}/points', { params: { path: { project: project.id } }, body }));
    });
    const moved = point !== null && point.origin !== 'typed' && (northing !== point.northing || easting !== point.easting);
    return (
        <form
            id={form}
            className="grid gap-3"
            onSubmit={(e) => {
                e.preventDefault();
                keep.mutate(undefined, { onSuccess: onDone });
            }}
        >
            <TextField label="Name" value={name} onValue={setName} autoFocus hint={taken ?? undefined} />
            {/* Fields type on while another's answer is on its way: each changes only its own part. */}
            <PlaceFields place={place} onPlace={(part) => setPlace((now) => ({ ...now, ...part }))} />
            <TextField label="Code" value={code} onValue={setCode} />
            <TextField label="Description" value={description} onValue={setDescription} />
            {point && (
                <fieldset className="grid gap-2">
                    {attributes.map((a, i) => (
                        // biome-ignore lint/suspicious/noArrayIndexKey: an attribute is known by its place while its name is typed
                        <div key={i} className="grid grid-cols-2 gap-2">
                            <TextField
                                label="Attribute"
                                value={a.name}
                                onValue={(v) => setAttributes(put(attributes, i, { ...a, name: v }))}
                            />
                            <TextField
                                label="Value"
                                value={a.value}
                                onValue={(v) => setAttributes(put(attributes, i, { ...a, value: v }))}
                            />
                        </div>
                    ))}
                    <div className="flex gap-2">
                        <Button onClick={() => setAttributes([...attributes, { name: '', value: '' }])}>Another attribute</Button>
                        {attributes.length > 0 && <Button onClick={() => setAttributes(attributes.slice(0, -1))}>Without the last</Button>}
                    </div>
                </fieldset>
            )}
            {point && point.stakes > 0 && (
                <Notice kind="caution">This point has been staked. Its stakes keep the design they were staked to.</Notice>
            )}
            {moved && <Notice kind="caution">Moved by hand, it no longer comes from the drawing.</Notice>}
            <Failure of={keep.error} />
            <Step
                type="submit"
                form={form}
                busy={keep.isPending}
                why={
                    name.trim() === ''
                        ? 'It needs a name.'
                        : (taken ?? ((northing === null || easting === null) && 'It needs northing and easting.'))
                }
            >
                Keep
            </Step>
        </form>
    );
}
