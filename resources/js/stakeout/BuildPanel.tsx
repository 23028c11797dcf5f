import { useMemo, useState } from 'react';
import { type Aim, api, ask, newKey, type Project, type Schemas } from '../api/client';
import { useDeed } from '../api/hooks';
import { surfaceWords } from '../civil/GroundBadge';
import { useBuilds, useSurfaces } from '../civil/hooks';
import { VolumeResult } from '../civil/VolumeResult';
import { Button } from '../parts/Button';
import { TextField } from '../parts/Field';
import { Failure, Notice } from '../parts/Notice';
import { cutFillBands } from '../plan/bands';
import type { DrawnSurface } from '../plan/SurfaceLayer';
import { moreSurfaces, useShow } from '../plan/shown';
import { formatVolume } from '../units/format';
import { useUnits } from '../units/UnitsContext';
import { useTakeAim } from './useTaking';

type Build = Schemas['BuildEntry'];

/** of a millimetre, to the metre */
const TENTHS = 10_000;

/** The surface as it has grown, coloured by what it is off its design. */
function drawn(build: Build, tolerance: number): DrawnSurface | null {
    if (build.triangles.length === 0) {
        return null;
    }
    const count = build.places.length / 2;
    const e = new Float64Array(count);
    const n = new Float64Array(count);
    const z = new Float64Array(count);
    let deepest = tolerance;
    for (let i = 0; i < count; i++) {
        e[i] = (build.places[2 * i] as number) / TENTHS;
        n[i] = (build.places[2 * i + 1] as number) / TENTHS;
        // Where the design has no height there is nothing to colour.
        const off = build.off[i];
        z[i] = off == null ? Number.NaN : off / TENTHS;
        deepest = Math.max(deepest, Math.abs(off ?? 0) / TENTHS);
    }
    return {
        mesh: { e, n, z, corners: Uint32Array.from(build.triangles) },
        look: { triangles: true, bands: build.againstId === null ? 'none' : 'cut_fill', arrows: false },
        bands: cutFillBands(deepest, tolerance).bands,
        against: null,
        verticalOffset: 0,
    };
}

interface Props {
    project: Project;
    aim: Aim | null;
    /** what shots are held against while the surface grows */
    onAim: (aim: number | null) => void;
}

/** An as-built surface: named first, grown by the shots from then on, and left with its volume. */
export function BuildPanel({ project, aim, onAim }: Props) {
    const build = useBuilds(project.id).data?.[0] ?? null;
    const surfaces = useSurfaces(project.id).data ?? [];
    const active = surfaces.find((s) => s.active) ?? null;
    const [naming, setNaming] = useState(false);
    const [name, setName] = useState('');
    const [left, setLeft] = useState<Schemas['BuildLeft'] | null>(null);
    const path = { params: { path: { project: project.id } } };
    const take = useTakeAim(project.id, (a) => onAim(a.id));
    const { verticalOffset } = project.civil;
    const begin = useDeed(project.id, (body: Schemas['BuildToBegin']) =>
        ask(api.POST('/api/v1/projects/{project}/builds', { ...path, body })),
    );
    const leave = useDeed(project.id, (id: number) =>
        ask(api.POST('/api/v1/projects/{project}/builds/{build}/leaving', { params: { path: { project: project.id, build: id } } })),
    );
    useShow(
        moreSurfaces,
        useMemo(() => (build ? drawn(build, project.heightTolerance) : null), [build, project.heightTolerance]),
    );
    const against = build?.againstId ?? null;
    const held = aim?.civil?.surfaceId === against && against !== null;
    if (!build) {
        return (
            <section aria-label="As-built surface" className="grid gap-2">
                {naming ? (
                    <form
                        className="grid gap-2"
                        onSubmit={(e) => {
                            e.preventDefault();
                            begin.mutate(
                                { key: newKey(), name, againstId: active?.id ?? null, verticalOffset: active ? verticalOffset : 0 },
                                {
                                    onSuccess: () => {
                                        setNaming(false);
                                        setLeft(null);
                                        active && take.mutate({ civil: { surfaceId: active.id, verticalOffset } });
                                    },
                                },
                            );
                        }}
                    >
                        <TextField
                            label="Name of the as-built surface"
                            value={name}
                            onValue={setName}
                            hint={
                                active
                                    ? `held against ${surfaceWords(active.name, project)}`
                                    : 'no surface is worked with: it is held against none'
                            }
                        />
                        <div className="flex gap-2">
                            <Button type="submit" busy={begin.isPending} disabled={name.trim() === ''}>
                                Begin it
                            </Button>
                            <Button onClick={() => setNaming(false)}>Cancel</Button>
                        </div>
                    </form>
                ) : (
                    <Button className="self-start" onClick={() => setNaming(true)}>
                        Begin an as-built surface
                    </Button>
                )}
                <Failure of={begin.error} />
                {left && <Left left={left} onClose={() => setLeft(null)} />}
            </section>
        );
    }
    return (
        <section aria-label="As-built surface" className="grid gap-2 border-chalk border-l-4 pl-3">
            <p role="status">
                <b>{build.name}</b> grows: {build.shots} {build.shots === 1 ? 'shot' : 'shots'}
                {build.against && `, held against ${build.against}`}
                {build.outside > 0 && `, ${build.outside} where it has no height`}
            </p>
            {build.shots < 3 && <p className="text-sm text-quiet">From the third shot on it is a surface.</p>}
            {against !== null && !held && (
                <Button
                    busy={take.isPending}
                    onClick={() => take.mutate({ civil: { surfaceId: against, verticalOffset: build.verticalOffset } })}
                >
                    Hold shots against {build.against}
                </Button>
            )}
            <Button
                className="self-start"
                busy={leave.isPending}
                onClick={() =>
                    leave.mutate(build.id, {
                        onSuccess: (found) => {
                            setLeft(found);
                            onAim(null);
                        },
                    })
                }
            >
                Finish it, with its volume
            </Button>
            <Failure of={leave.error ?? take.error} />
        </section>
    );
}

/** How far the net volume may be wrong, and by what. */
function Uncertainty({ of: u }: { of: NonNullable<Schemas['BuildLeft']['uncertain']> }) {
    const { length } = useUnits();
    const cubic = (v: number) => <span className="figure">{formatVolume(v, length)}</span>;
    return (
        <p className="text-sm">
            Net ± {cubic(u.all)} (95 %): {cubic(u.shots)} by the shots, {cubic(u.setup)} by the setup’s height
            {u.ground === null ? '; too few shots say what lies between them.' : <>, {cubic(u.ground)} by the ground between the shots.</>}
        </p>
    );
}

/** What a surface that was left has come to. */
function Left({ left, onClose }: { left: Schemas['BuildLeft']; onClose: () => void }) {
    return (
        <section aria-label="What was built" className="grid gap-2">
            <p>
                {left.shots} shots
                {left.outside > 0 && `, ${left.outside} of them where the design has no height`}
                {left.surfaceId !== null && '; kept as a surface'}.
            </p>
            {left.why && <Notice kind="caution">{left.why}</Notice>}
            {left.volume && <VolumeResult found={left.volume} />}
            {left.uncertain && <Uncertainty of={left.uncertain} />}
            <Button className="self-start" onClick={onClose}>
                Close
            </Button>
        </section>
    );
}
