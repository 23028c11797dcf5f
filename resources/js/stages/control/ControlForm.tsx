import { useState } from 'react';
import { api, ask, type ControlPoint, type Project } from '../../api/client';
import { useDeed } from '../../api/hooks';
import { Button } from '../../parts/Button';
import { LengthField, TextField } from '../../parts/Field';
import { Failure } from '../../parts/Notice';

/** A control point typed by hand. */
export function ControlForm({ project, point, onDone }: { project: Project; point: ControlPoint | null; onDone: () => void }) {
    const [name, setName] = useState(point?.name ?? '');
    const [code, setCode] = useState(point?.code ?? '');
    const [northing, setNorthing] = useState<number | null>(point?.northing ?? null);
    const [easting, setEasting] = useState<number | null>(point?.easting ?? null);
    const [elevation, setElevation] = useState<number | null>(point?.elevation ?? null);
    const keep = useDeed(project.id, () => {
        const body = { name, code, northing: northing ?? 0, easting: easting ?? 0, elevation, description: point?.description ?? '' };
        return point
            ? ask(
                  api.PUT('/api/v1/projects/{project}/control/{control}', {
                      params: { path: { project: project.id, control: point.id } },
                      body,
                  }),
              )
            : ask(api.POST('/api/v1/projects/{project}/control', { params: { path: { project: project.id } }, body }));
    });
    const pair = [
        <LengthField key="n" label="Northing" value={northing} onValue={setNorthing} />,
        <LengthField key="e" label="Easting" value={easting} onValue={setEasting} />,
    ];
    return (
        <form
            className="grid gap-3"
            onSubmit={(e) => {
                e.preventDefault();
                keep.mutate(undefined, { onSuccess: onDone });
            }}
        >
            <TextField label="Name" value={name} onValue={setName} autoFocus />
            {project.units.order === 'EN' ? pair.reverse() : pair}
            <LengthField label="Elevation" value={elevation} onValue={setElevation} optional hint="Leave empty where none is known." />
            <TextField label="Code" value={code} onValue={setCode} />
            <Failure of={keep.error} />
            <Button
                kind="primary"
                type="submit"
                className="justify-self-end"
                busy={keep.isPending}
                disabled={name.trim() === '' || northing === null || easting === null}
            >
                Keep
            </Button>
        </form>
    );
}
