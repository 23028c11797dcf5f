import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { api, ask, type Project, type Schemas } from '../api/client';
import { useDeed } from '../api/hooks';
import { Button } from '../parts/Button';
import { Choice, LengthField, TextField } from '../parts/Field';
import { Failure } from '../parts/Notice';
import { Step } from '../parts/Step';
import { type Alignment, useSurfaces, useSurfacesAlong } from './hooks';
import { ProfileDrawing } from './ProfileDrawing';
import { StationField } from './StationField';

type Vertex = Schemas['TypedVertex'];

/** A profile typed by station and elevation with the lengths of its curves; one that came in a file is shown. */
export function ProfileForm({ project, alignment, onDone }: { project: Project; alignment: Alignment; onDone: () => void }) {
    const designed = alignment.profiles.flatMap((p, i) => (p.ground ? [] : [i]));
    const [number, setNumber] = useState<number | null>(designed[0] ?? null);
    const chosen = number === null ? null : (alignment.profiles[number] ?? null);
    const [name, setName] = useState(chosen?.name ?? 'profile');
    const [vertices, setVertices] = useState<Vertex[]>(chosen?.vertices ?? []);
    const surfaces = useSurfaces(project.id).data ?? [];
    const along = useSurfacesAlong(project.id, alignment, surfaces).data ?? [];
    const keep = useDeed(project.id, (body: Schemas['AlignmentHeights']) =>
        ask(
            api.PUT('/api/v1/projects/{project}/alignments/{alignment}/heights', {
                params: { path: { project: project.id, alignment: alignment.id } },
                body,
            }),
        ),
    );
    const set = (i: number, part: Partial<Vertex>) => setVertices(vertices.map((v, k) => (k === i ? { ...v, ...part } : v)));
    return (
        <div className="grid gap-3">
            <div className="grid gap-3 sm:grid-cols-2">
                <Choice
                    label="Profile"
                    value={number === null ? '' : String(number)}
                    onValue={(n) => {
                        const to = n === '' ? null : Number(n);
                        setNumber(to);
                        setName(to === null ? 'profile' : (alignment.profiles[to]?.name ?? ''));
                        setVertices(to === null ? [] : (alignment.profiles[to]?.vertices ?? []));
                    }}
                    options={[...designed.map((i) => [String(i), alignment.profiles[i]?.name ?? ''] as const), ['', 'a new one']]}
                />
                <TextField label="Name of the profile" value={name} onValue={setName} />
            </div>
            <ProfileDrawing alignment={alignment} surfaces={along} profile={number} height={180} at={null} typed={vertices} />
            {vertices.map((v, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: vertices have no name but their order
                <div key={i} className="grid grid-cols-2 items-start gap-2 border-rule border-b pb-2 sm:grid-cols-[1fr_1fr_1fr_1fr_auto]">
                    <StationField
                        label="Station"
                        project={project.id}
                        alignment={alignment}
                        value={v.along}
                        onValue={(a) => a !== null && set(i, { along: a })}
                    />
                    <LengthField label="Elevation" value={v.elevation} onValue={(e) => e !== null && set(i, { elevation: e })} />
                    <LengthField
                        label={v.out == null ? 'Length of curve' : 'Curve before'}
                        value={v.length ?? 0}
                        onValue={(l) => set(i, { length: l ?? 0, radius: null })}
                        hint={v.radius == null ? undefined : 'a circle has a radius'}
                    />
                    <LengthField
                        label="Curve after, if unequal"
                        optional
                        value={v.out ?? null}
                        onValue={(out) => set(i, { out: out === 0 ? null : out })}
                    />
                    <Button
                        kind="bare"
                        aria-label={`Take out vertex ${i + 1}`}
                        icon={<Trash2 />}
                        onClick={() => setVertices(vertices.filter((_, k) => k !== i))}
                    />
                </div>
            ))}
            <Button
                className="self-start"
                icon={<Plus />}
                onClick={() => {
                    const last = vertices.at(-1);
                    setVertices([
                        ...vertices,
                        { along: last ? alignment.length : 0, elevation: last?.elevation ?? 0, length: 0, out: null, radius: null },
                    ]);
                }}
            >
                Another vertex
            </Button>
            <Failure of={keep.error} />
            <Step
                busy={keep.isPending}
                why={vertices.length < 2 ? 'A profile needs two vertices or more.' : null}
                onClick={() => keep.mutate({ seen: alignment.version, name, number, vertices }, { onSuccess: onDone })}
            >
                Keep the profile
            </Step>
        </div>
    );
}
