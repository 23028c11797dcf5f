import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { api, ask, type Schemas, upload } from '../../api/client';
import { untilFinished, useDeed } from '../../api/hooks';
import type { StageProps } from '../../frame/stages';
import { Button } from '../../parts/Button';
import { Dialog } from '../../parts/Dialog';
import { FileDrop } from '../../parts/FileDrop';
import { Failure, Notice } from '../../parts/Notice';
import { DrawingImport, type Inspection } from './DrawingImport';
import { Layers } from './Layers';

/** The project's drawings and their layers. */
export function Drawings({ project, designs }: StageProps) {
    const [read, setRead] = useState<{ file: Schemas['UploadResource']; inspection: Inspection } | null>(null);
    const inspect = useDeed(project.id, async (chosen: File) => {
        const file = await upload(project.id, chosen);
        const task = await untilFinished(
            project.id,
            ask(
                api.POST('/api/v1/projects/{project}/drawing-inspection', {
                    params: { path: { project: project.id } },
                    body: { upload: file.upload },
                }),
            ),
        );
        setRead({ file, inspection: task.result as unknown as Inspection });
    });
    const remove = useDeed(project.id, (design: number) =>
        ask(api.DELETE('/api/v1/projects/{project}/designs/{design}', { params: { path: { project: project.id, design } } })),
    );
    return (
        <div className="flex flex-col gap-4 p-4">
            {designs.length === 0 && <Notice>Bring in the designer’s drawing. Stakeout points are made by touching it.</Notice>}
            <FileDrop label="Choose or drop a drawing (DXF)" accept=".dxf" onFile={(f) => inspect.mutate(f)} busy={inspect.isPending} />
            <Failure of={inspect.error ?? remove.error} />
            {designs.map((d) => (
                <section key={d.id} aria-label={d.name}>
                    <div className="flex items-center gap-2">
                        <div className="min-w-0 flex-1">
                            <h2 className="truncate font-semibold">{d.name}</h2>
                            <p className="truncate text-sm text-quiet">
                                {d.fileName}, drawn in {d.unit}, heights {d.heights}
                            </p>
                        </div>
                        <Button kind="bare" aria-label={`Remove ${d.name}`} onClick={() => remove.mutate(d.id)} icon={<Trash2 />} />
                    </div>
                    {d.remarks.map((r) => (
                        <p key={r} className="text-sm text-quiet">
                            {r}
                        </p>
                    ))}
                </section>
            ))}
            {designs.length > 0 && <Layers project={project} designs={designs} />}
            <Dialog open={read !== null} onClose={() => setRead(null)} title={`What ${read?.file.fileName ?? ''} holds`} wide>
                {read && <DrawingImport project={project} file={read.file} inspection={read.inspection} onDone={() => setRead(null)} />}
            </Dialog>
        </div>
    );
}
