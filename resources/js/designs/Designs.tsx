import { Box, FilePlus2, GitCompareArrows, Trash2 } from 'lucide-react';
import { type ReactNode, useRef, useState } from 'react';
import { api, ask, type Design, type Schemas, upload } from '../api/client';
import { useDeed } from '../api/hooks';
import { useWork } from '../api/work';
import { Phases } from '../civil/Phases';
import { Button } from '../parts/Button';
import { Dialog } from '../parts/Dialog';
import { Length } from '../parts/Figure';
import { FileDrop } from '../parts/FileDrop';
import { later } from '../parts/later';
import { NextStep } from '../parts/NextStep';
import { Failure, Notice } from '../parts/Notice';
import { WorkBar } from '../parts/WorkBar';
import { drawnDesigns } from '../plan/things';
import { InSpace } from '../space/InSpace';
import type { StageProps } from '../stage/stages';
import { dateOf } from '../units/times';
import { kindOfFile } from './fileKind';
import type { Inspection } from './inspection';
import { Layers } from './Layers';
import { oneFile } from './oneFile';

const ThingChanges = later(() => import('../space/ThingChanges').then((m) => m.ThingChanges));
const CivilCards = later(() => import('../civil/CivilCards').then((m) => m.CivilCards));
const CivilImport = later(() => import('../civil/CivilImport').then((m) => m.CivilImport));
const DrawingImport = later(() => import('./DrawingImport').then((m) => m.DrawingImport));

/** What draws in space is fetched when it is first asked for. */

interface Read {
    file: Schemas['Upload'];
    inspection: Inspection;
    revises: Design | null;
}

interface Props extends StageProps {
    /** lists of points are read by another subject */
    listImport: (file: Schemas['Upload'], target: 'control' | 'points', onDone: () => void) => ReactNode;
}

/** Files that are brought in elsewhere. */
const NOT_HERE: Record<'packed' | 'unknown', string> = {
    packed: 'is packed (zip) and holds neither a shapefile nor a building model (IFC). A packed project is brought in under “Projects”, at the top left; anything else is unpacked first.',
    unknown:
        'is neither a drawing (DXF, shapefiles), a building model (IFC), a civil model (LandXML) nor a list of points (CSV, text, GeoJSON). Ask for one of those.',
};

/** The project's designs: any file is dropped here and says what it holds; drawings are revised, one of them active, the others waiting or staying as background. */
export function Designs(props: Props) {
    const { project, control, designs, changesOf, setChangesOf, listImport } = props;
    const [list, setList] = useState<Schemas['Upload'] | null>(null);
    const [listAs, setListAs] = useState<'control' | 'points' | null>(null);
    const [read, setRead] = useState<Read | null>(null);
    const [model, setModel] = useState<{ file: Schemas['Upload']; inspection: Schemas['ModelInspection'] } | null>(null);
    const [inSpace, setInSpace] = useState<(Design & { focus?: number }) | null>(null);
    const [error, setError] = useState<Error | null>(null);
    const work = useWork(project.id);
    const inspect = async (chosen: File, revises: Design | null) => {
        setError(null);
        try {
            const file = await upload(project.id, chosen);
            const task = await work.run(
                ask(
                    api.POST('/api/v1/projects/{project}/drawing-inspection', {
                        params: { path: { project: project.id } },
                        body: { upload: file.upload },
                    }),
                ),
            );
            if (task) {
                setRead({ file, inspection: task.result as unknown as Inspection, revises });
            }
        } catch (e) {
            setError(e as Error);
        }
    };
    const inspectModel = async (chosen: File) => {
        const file = await upload(project.id, chosen);
        const body = { upload: file.upload };
        const task = await work.run(
            ask(api.POST('/api/v1/projects/{project}/model-inspection', { params: { path: { project: project.id } }, body })),
        );
        if (task) {
            const inspection = task.result as unknown as Schemas['ModelInspection'];
            const bare = inspection.alignments.length + inspection.surfaces.length + inspection.features === 0;
            // Points alone are a list like any other.
            bare && inspection.points > 0 && inspection.remarks.length === 0 ? setList(file) : setModel({ file, inspection });
        }
    };
    const take = async (files: File[]) => {
        setError(null);
        try {
            const chosen = await oneFile(files);
            const kind = await kindOfFile(chosen);
            if (kind === 'drawing' || kind === 'shapes' || kind === 'model') {
                await inspect(chosen, null);
            } else if (kind === 'civil') {
                await inspectModel(chosen);
            } else if (kind === 'list') {
                setList(await upload(project.id, chosen));
            } else {
                throw new Error(`“${chosen.name}” ${NOT_HERE[kind]}`);
            }
        } catch (e) {
            setError(e as Error);
        }
    };
    const current = designs.filter((d) => d.current);
    return (
        <div className="flex flex-col gap-4 p-4">
            {designs.length === 0 && <Notice>Bring in the designer’s drawing. Stakeout points are made by touching it.</Notice>}
            <FileDrop
                label="Choose or drop a design: a drawing (DXF), a building model (IFC), a civil model (LandXML), shapefiles, or a list (CSV, text, LandXML, GeoJSON)"
                accept=".dxf,.csv,.txt,.asc,.xyz,.pts,.xml,.json,.geojson,.ifc,.ifczip,.zip,.shp,.shx,.dbf,.prj,.cpg,text/*"
                several
                onFiles={(f) => void take(f)}
                busy={work.busy}
            />
            <WorkBar work={work} />
            <Failure of={error ?? work.error} />
            {current.map((d) => (
                <DesignCard
                    key={d.id}
                    design={d}
                    project={project.id}
                    earlier={earlierOf(d, designs)}
                    comparing={changesOf === d.id}
                    onCompare={() => setChangesOf(changesOf === d.id ? null : d.id)}
                    onRevise={(file) => void inspect(file, d)}
                    onSpace={(focus) => setInSpace({ ...d, focus })}
                />
            ))}
            <CivilCards {...props} />
            {(current.length > 0 || project.progress.designs > 0) && (
                <>
                    <h2 className="text-lg font-semibold">Phases</h2>
                    <Phases project={project} prepared />
                </>
            )}
            {designs.length > 0 && <Layers project={project} designs={drawnDesigns(designs)} />}
            <Dialog open={list !== null && listAs === null} onClose={() => setList(null)} title={`What ${list?.fileName ?? ''} is for`}>
                <p>It is a list of names and places. What are they?</p>
                <NextStep as="second">
                    <Button className="min-h-16" onClick={() => setListAs('control')}>
                        Control
                    </Button>
                </NextStep>
                <NextStep>
                    <Button kind="primary" onClick={() => setListAs('points')}>
                        Points to stake
                    </Button>
                </NextStep>
            </Dialog>
            <Dialog
                open={list !== null && listAs !== null}
                onClose={() => {
                    setList(null);
                    setListAs(null);
                }}
                title={`How ${list?.fileName ?? ''} is read`}
                wide
            >
                {list &&
                    listAs &&
                    listImport(list, listAs, () => {
                        setList(null);
                        setListAs(null);
                    })}
            </Dialog>
            <Dialog open={model !== null} onClose={() => setModel(null)} title={`What ${model?.file.fileName ?? ''} holds`} wide>
                {model && (
                    <CivilImport
                        key={model.file.upload}
                        project={project}
                        {...model}
                        onPoints={() => {
                            setList(model.file);
                            setModel(null);
                        }}
                        onDone={() => setModel(null)}
                    />
                )}
            </Dialog>
            <Dialog open={read !== null} onClose={() => setRead(null)} title={`What ${read?.file.fileName ?? ''} holds`} wide>
                {read && (
                    <DrawingImport
                        key={read.file.upload}
                        project={project}
                        control={control}
                        designs={designs}
                        {...read}
                        onPoints={() => {
                            setList(read.file);
                            setRead(null);
                        }}
                        onDone={(id) => {
                            setChangesOf(read.revises ? id : null);
                            setRead(null);
                        }}
                    />
                )}
            </Dialog>
            <InSpace {...props} model={inSpace} focus={inSpace?.focus} onClose={() => setInSpace(null)} />
        </div>
    );
}

function strayWords(d: Design): string {
    const count = d.strays.reduce((n, s) => n + s.count, 0);
    return count === 1 ? '1 shape lies' : `${count} shapes lie`;
}

function earlierOf(design: Design, designs: Design[]): Design[] {
    const before = designs.find((d) => d.id === design.revisesId);
    return before ? [before, ...earlierOf(before, designs)] : [];
}

interface CardProps {
    project: number;
    design: Design;
    earlier: Design[];
    comparing: boolean;
    onCompare: () => void;
    onRevise: (file: File) => void;
    /** focus: the instance that is looked at first */
    onSpace: (focus?: number) => void;
}

function DesignCard({ project, design: d, earlier, comparing, onCompare, onRevise, onSpace }: CardProps) {
    const input = useRef<HTMLInputElement>(null);
    const path = { params: { path: { project, design: d.id } } };
    const remove = useDeed(project, () => ask(api.DELETE('/api/v1/projects/{project}/designs/{design}', path)));
    const change = useDeed(project, (body: Schemas['DesignChange']) =>
        ask(api.PUT('/api/v1/projects/{project}/designs/{design}', { ...path, body })),
    );
    const set = (part: Partial<Schemas['DesignChange']>) => {
        const seen = { name: d.name, role: d.role, active: d.active };
        change.mutate({ ...seen, ...part, seen });
    };
    return (
        <section aria-label={d.name} className={`border-l-4 pl-3 ${d.active ? 'border-chalk' : 'border-rule'}`}>
            <div className="flex items-center gap-2">
                <div className="min-w-0 flex-1">
                    <h2 className="truncate font-semibold">
                        <span className="font-normal text-quiet">Drawing</span> {d.name}{' '}
                        {d.revision && <span className="text-quiet">revision {d.revision}</span>}
                    </h2>
                    <p className="truncate text-sm text-quiet">
                        {d.role === 'background' ? 'background' : d.active ? 'active design' : 'waits'} · {d.fileName}, drawn in {d.unit},
                        heights {d.heights}
                        {d.placed && `, ${d.placed}`}
                    </p>
                </div>
                <Button kind="bare" aria-label={`Remove ${d.name}`} onClick={() => remove.mutate(undefined)} icon={<Trash2 />} />
            </div>
            <div className="flex flex-wrap gap-2">
                {d.role === 'design' && !d.active && <Button onClick={() => set({ active: true })}>Make it active</Button>}
                <Button onClick={() => set(d.role === 'design' ? { role: 'background', active: false } : { role: 'design', active: true })}>
                    {d.role === 'design' ? 'Keep as background' : 'Work with it'}
                </Button>
                {d.placeWord === 'instance' && (
                    <Button onClick={() => onSpace()} icon={<Box />}>
                        In space
                    </Button>
                )}
                <Button onClick={() => input.current?.click()} icon={<FilePlus2 />}>
                    New revision
                </Button>
                <input
                    ref={input}
                    type="file"
                    accept=".dxf,.ifc,.ifczip,.zip"
                    aria-label={`New revision of ${d.name} (DXF, IFC, or shapefiles in a zip)`}
                    className="hidden"
                    onChange={(e) => {
                        const file = e.target.files?.[0];
                        e.target.value = '';
                        if (file) {
                            onRevise(file);
                        }
                    }}
                />
                {d.revisesId !== null && (
                    <Button pressed={comparing} onClick={onCompare} icon={<GitCompareArrows />}>
                        What changed
                    </Button>
                )}
            </div>
            {comparing &&
                (d.placeWord === 'instance' && d.heights === 'used' ? (
                    <>
                        <ThingChanges project={project} design={d.id} onShow={onSpace} />
                        <details>
                            <summary className="min-h-12 cursor-pointer py-3 text-sm text-quiet">Line by line, as on the plan</summary>
                            <Changes design={d} />
                        </details>
                    </>
                ) : (
                    <Changes design={d} />
                ))}
            {earlier.length > 0 && (
                <p className="mt-1 text-sm text-quiet">
                    Earlier: {earlier.map((e) => `${e.revision || 'first'} (${e.fileName}, ${dateOf(e.takenAt)})`).join(', ')}. Points made
                    from them stay.
                </p>
            )}
            {d.strays.length > 0 && (
                <p className="text-sm text-open">
                    {strayWords(d)} far off ({d.strays.map((s) => s.layer).join(', ')}): left out when everything is shown.
                </p>
            )}
            {d.remarks.length > 0 && (
                <details>
                    <summary className="min-h-12 cursor-pointer py-3 text-sm text-quiet">
                        {d.remarks.length === 1 ? 'A remark' : `${d.remarks.length} remarks`} on what was read
                    </summary>
                    {d.remarks.map((r) => (
                        <p key={r} className="text-sm text-quiet">
                            {r}
                        </p>
                    ))}
                </details>
            )}
            <Failure of={remove.error ?? change.error} />
        </section>
    );
}

/** What a revision changed, by layer; on the plan added is solid, gone is dotted, moved is dashed. */
function Changes({ design }: { design: Design }) {
    if (design.changes.length === 0) {
        return <p className="mt-1">Nothing changed since the revision before.</p>;
    }
    return (
        <table className="list mt-1" aria-label="What changed">
            <thead>
                <tr>
                    <th>layer</th>
                    <th className="n">added ━</th>
                    <th className="n">gone ┄</th>
                    <th className="n">moved ╍</th>
                    <th className="n">at most by</th>
                </tr>
            </thead>
            <tbody>
                {design.changes.map((c) => (
                    <tr key={c.layer}>
                        <td>{c.layer}</td>
                        <td className="n">{c.added}</td>
                        <td className="n">{c.gone}</td>
                        <td className="n">{c.moved}</td>
                        <td className="n">{c.moved > 0 ? <Length of={c.farthest} /> : ''}</td>
                    </tr>
                ))}
            </tbody>
        </table>
    );
}
