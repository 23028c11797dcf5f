import { useState } from 'react';
import { api, ask, type Project, type StakeoutPoint } from '../../api/client';
import { useDeed } from '../../api/hooks';
import { Button } from '../../parts/Button';
import { LengthField, TextField } from '../../parts/Field';
import { Failure, Notice } from '../../parts/Notice';

/** A stakeout point typed in, or changed. */
export function PointForm({ project, point, onDone }: { project: Project; point: StakeoutPoint | null; onDone: () => void }) {
    const [name, setName] = useState(point?.name ?? '');
    const [code, setCode] = useState(point?.code ?? '');
    const [description, setDescription] = useState(point?.description ?? '');
    const [northing, setNorthing] = useState<number | null>(point?.northing ?? null);
    const [easting, setEasting] = useState<number | null>(point?.easting ?? null);
    const [elevation, setElevation] = useState<number | null>(point?.elevation ?? null);
    const keep = useDeed(project.id, () => {
        const body = { name, code, description, northing: northing ?? 0, easting: easting ?? 0, elevation };
        return point
            ? ask(
                  api.PUT('/api/v1/projects/{project}/points/{point}', {
                      params: { path: { project: project.id, point: point.id } },
                      body,
                  }),
              )
            : ask(api.POST('/api/v1/projects/{project}/points', { params: { path: { project: project.id } }, body }));
    });
    const pair = [
        <LengthField key="n" label="Northing" value={northing} onValue={setNorthing} />,
        <LengthField key="e" label="Easting" value={easting} onValue={setEasting} />,
    ];
    const moved = point !== null && point.origin !== 'typed' && (northing !== point.northing || easting !== point.easting);
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
            <TextField label="Description" value={description} onValue={setDescription} />
            {point && point.stakes > 0 && (
                <Notice kind="caution">This point has been staked. Its stakes keep the design they were staked to.</Notice>
            )}
            {moved && <Notice kind="caution">Moved by hand, it no longer comes from the drawing.</Notice>}
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
