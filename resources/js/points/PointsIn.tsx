import { ClipboardPaste } from 'lucide-react';
import { useState } from 'react';
import { type Project, type Schemas, upload } from '../api/client';
import { useDeed } from '../api/hooks';
import { oneFile } from '../designs/oneFile';
import { Button } from '../parts/Button';
import { Dialog } from '../parts/Dialog';
import { FileDrop } from '../parts/FileDrop';
import { later } from '../parts/later';
import { Failure } from '../parts/Notice';
import { Step } from '../parts/Step';

const PointsImport = later(() => import('./PointsImport').then((m) => m.PointsImport));

/** Points come in: as a file, or pasted from a spreadsheet. */
export function PointsIn({ project, target, label }: { project: Project; target: 'control' | 'points'; label: string }) {
    const [file, setFile] = useState<Schemas['Upload'] | null>(null);
    const [pasting, setPasting] = useState(false);
    const [text, setText] = useState('');
    const send = useDeed(project.id, async (chosen: File[]) => {
        setFile(await upload(project.id, await oneFile(chosen)));
        setPasting(false);
    });
    return (
        <>
            <FileDrop
                label={label}
                accept=".csv,.txt,.asc,.xyz,.pts,.xml,.json,.geojson,.zip,.shp,.shx,.dbf,.prj,.cpg,text/*"
                several
                onFiles={(f) => send.mutate(f)}
                busy={send.isPending}
            />
            <Button onClick={() => setPasting(true)} icon={<ClipboardPaste />}>
                Paste from a spreadsheet
            </Button>
            <Failure of={send.error} />
            <Dialog open={pasting} onClose={() => setPasting(false)} title="Paste points" wide>
                <div className="grid gap-3">
                    <p>Copy the rows in the spreadsheet, headings too if it has them, and paste them here.</p>
                    <textarea
                        aria-label="Rows from the spreadsheet"
                        className="min-h-60 border border-ink/50 bg-sheet p-2 font-mono"
                        value={text}
                        onChange={(e) => setText(e.target.value)}
                    />
                    <Step
                        busy={send.isPending}
                        why={text.trim() === '' && 'Nothing is pasted yet.'}
                        onClick={() => send.mutate([new File([text], 'pasted rows.txt', { type: 'text/plain' })])}
                    >
                        Look at it
                    </Step>
                </div>
            </Dialog>
            <Dialog open={file !== null} onClose={() => setFile(null)} title={`How ${file?.fileName ?? ''} is read`} wide>
                {file && <PointsImport project={project} file={file} target={target} onDone={() => setFile(null)} />}
            </Dialog>
        </>
    );
}
