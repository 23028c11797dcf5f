import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { api, ask, type Schemas } from '../api/client';
import { useDeed } from '../api/hooks';
import type { GivenPolyline } from '../givens/given';
import { ChainInput } from '../givens/LineInput';
import { TouchContext } from '../givens/touch';
import { Button } from '../parts/Button';
import { Choice, TextField } from '../parts/Field';
import { Failure } from '../parts/Notice';
import { Step } from '../parts/Step';
import type { StageProps } from '../stage/stages';
import { useSurfaces } from './hooks';
import { MadePoints } from './MadePoints';

/** Points where two surfaces are at one height along a line. */
export function SurfaceMeeting({ project, points, control, want, setWant, onClose }: StageProps & { onClose: () => void }) {
    const surfaces = useSurfaces(project.id).data ?? [];
    const [first, setFirst] = useState(() => surfaces.find((s) => s.active)?.id ?? surfaces[0]?.id ?? 0);
    const [second, setSecond] = useState(() => surfaces.find((s) => s.id !== first)?.id ?? 0);
    const [line, setLine] = useState<GivenPolyline | null>(null);
    const [prefix, setPrefix] = useState('D');
    const [code, setCode] = useState('');
    useEffect(() => () => setWant(null), [setWant]);
    const whole = line && (line.shapes?.length || (line.places?.length ?? 0) > 1);
    const wanted: Schemas['SurfaceMeeting'] | null =
        whole && first !== second ? { firstId: first, secondId: second, line, prefix, code } : null;
    const path = { params: { path: { project: project.id } } };
    const found = useQuery({
        queryKey: ['meetings', project.id, project.revision, wanted],
        queryFn: () =>
            ask(api.POST('/api/v1/projects/{project}/compute-surface-meetings', { ...path, body: wanted as Schemas['SurfaceMeeting'] })),
        enabled: wanted !== null,
        retry: false,
    });
    const keep = useDeed(project.id, () =>
        ask(api.POST('/api/v1/projects/{project}/surface-meetings', { ...path, body: wanted as Schemas['SurfaceMeeting'] })),
    );
    const made = wanted && !found.error ? (found.data ?? []) : [];
    const options = surfaces.map((s) => [String(s.id), s.name] as const);
    return (
        <TouchContext value={{ want, setWant }}>
            <form className="grid gap-3" onSubmit={(e) => e.preventDefault()}>
                <h2 className="font-semibold">Where surfaces meet</h2>
                <div className="grid grid-cols-2 gap-2">
                    <Choice label="One surface" value={String(first)} onValue={(id) => setFirst(Number(id))} options={options} />
                    <Choice label="The other" value={String(second)} onValue={(id) => setSecond(Number(id))} options={options} />
                </div>
                <ChainInput value={line} onValue={setLine} points={points} control={control} />
                <div className="grid grid-cols-2 gap-2">
                    <TextField label="Names begin with" value={prefix} onValue={setPrefix} />
                    <TextField label="Code" value={code} onValue={setCode} />
                </div>
                <MadePoints points={made} />
                <Failure of={found.error ?? keep.error} />
                <Step
                    busy={keep.isPending}
                    why={
                        !wanted
                            ? 'Touch the line, and choose two surfaces.'
                            : made.length === 0
                              ? 'Along this line they do not meet.'
                              : null
                    }
                    second={<Button onClick={onClose}>Cancel</Button>}
                    onClick={() => keep.mutate(undefined, { onSuccess: onClose })}
                >
                    Make {made.length} points
                </Step>
            </form>
        </TouchContext>
    );
}
