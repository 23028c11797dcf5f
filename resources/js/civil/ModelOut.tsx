import { Download } from 'lucide-react';
import { useState } from 'react';
import { Button, buttonLook } from '../parts/Button';
import { Dialog } from '../parts/Dialog';

const FORMATS = [
    ['landxml', 'LandXML: alignments with profiles and sections, surfaces, points with their codes'],
    ['dxf', 'DXF: alignments as lines in space, surfaces as faces'],
    ['csv', 'CSV: stations and main points of the alignments'],
] as const;

/** Alignments and surfaces go out as files. */
export function ModelOut({ project }: { project: number }) {
    const [open, setOpen] = useState(false);
    return (
        <>
            <Button onClick={() => setOpen(true)} icon={<Download />}>
                Models out
            </Button>
            <Dialog open={open} onClose={() => setOpen(false)} title="Alignments and surfaces out, as a file">
                <div className="grid gap-3">
                    {FORMATS.map(([format, words]) => (
                        <a
                            key={format}
                            className={buttonLook('plain')}
                            href={`/api/v1/projects/${project}/model-file?format=${format}`}
                            download
                        >
                            {words}
                        </a>
                    ))}
                </div>
            </Dialog>
        </>
    );
}
