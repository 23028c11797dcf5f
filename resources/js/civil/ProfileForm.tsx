import { Plus } from 'lucide-react';
import { useState } from 'react';
import { api, ask, type Project, type Schemas } from '../api/client';
import { useDeed } from '../api/hooks';
import { Button } from '../parts/Button';
import { Choice, TextField } from '../parts/Field';
import { Failure } from '../parts/Notice';
import { Step } from '../parts/Step';
import { type Alignment, useSurfaces, useSurfacesAlong } from './hooks';
import { ProfileDrawing } from './ProfileDrawing';
import { VertexRow } from './VertexRow';

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
                <VertexRow
                    // biome-ignore lint/suspicious/noArrayIndexKey: vertices have no name but their order
                    key={i}
                    project={project.id}
                    alignment={alignment}
                    vertex={v}
                    number={i + 1}
                    isEnd={i === 0 || i === vertices.length - 1}
                    onChange={(part) => set(i, part)}
                    onRemove={() => setVertices(vertices.filter((_, k) => k !== i))}
                />
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
