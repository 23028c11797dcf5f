import { FolderDown } from 'lucide-react';
import { useState } from 'react';
import { useDesigns } from '../api/hooks';
import { Button, buttonLook } from '../parts/Button';
import { CheckBox } from '../parts/CheckBox';
import { Dialog } from '../parts/Dialog';
import { Choice, TextField } from '../parts/Field';
import { NextStep } from '../parts/NextStep';
import { Step } from '../parts/Step';
import { localZone } from '../units/times';
import { TableLayouts } from './TableLayouts';

const FORMATS = [
    ['html', 'Page (HTML): plan to zoom, rows to sort, opens anywhere'],
    ['csv', 'Table (CSV): columns of your choice'],
    ['dxf', 'DXF: design, found, arrows of deviation'],
    ['geojson', 'GeoJSON, in site coordinates'],
    ['bcf', 'BCF 3.0: a topic for each that is out'],
    ['ifc', 'IFC: marks with their figures'],
] as const;

type Format = (typeof FORMATS)[number][0];

const NO_MODEL = '';

/** The marks of a report as a file for those in the office: of an issued one as they were, else as they are today. */
export function OfficeFiles({ project, issue }: { project: number; issue: number | null }) {
    const [open, setOpen] = useState(false);
    const title = issue === null ? 'Marks of today, as a file' : `Marks of report ${issue}, as a file`;
    return (
        <>
            <Button
                onClick={() => setOpen(true)}
                icon={<FolderDown />}
                aria-label={issue === null ? undefined : `Files of report ${issue}`}
                aria-haspopup="dialog"
            >
                {issue === null ? 'Files for the office' : 'Files'}
            </Button>
            <Dialog open={open} onClose={() => setOpen(false)} title={title}>
                <Fields project={project} issue={issue} />
            </Dialog>
        </>
    );
}

function Fields({ project, issue }: { project: number; issue: number | null }) {
    const [format, setFormat] = useState<Format>('html');
    const [arrows, setArrows] = useState('');
    const [all, setAll] = useState(false);
    const [layout, setLayout] = useState<number | null>(null);
    const [model, setModel] = useState<string>(NO_MODEL);
    const models = (useDesigns(project).data ?? []).filter((d) => d.placeWord === 'instance' && d.current);
    const times = Number(arrows.replace(',', '.'));
    const wrong = format === 'dxf' && arrows.trim() !== '' && !(times > 0 && times <= 100_000);
    const query = new URLSearchParams({ format });
    if (format === 'dxf' && arrows.trim() !== '') {
        query.set('arrows', String(times));
    }
    if (format === 'bcf' && all) {
        query.set('all', '1');
    }
    if ((format === 'bcf' || format === 'ifc') && model !== NO_MODEL) {
        query.set('model', model);
    }
    if (issue === null) {
        query.set('zone', localZone());
    }
    const at = issue === null ? `/api/v1/projects/${project}/report-file` : `/api/v1/projects/${project}/report-issues/${issue}/file`;
    const table = issue === null ? `/api/v1/projects/${project}/report.csv` : `/api/v1/projects/${project}/report-issues/${issue}.csv`;
    const address = format === 'csv' ? `${table}${layout === null ? '' : `?layout=${layout}`}` : `${at}?${query}`;
    return (
        <div className="grid gap-3">
            <Choice label="Format" value={format} onValue={setFormat} options={FORMATS} />
            {format === 'csv' && <TableLayouts project={project} layout={layout} onLayout={setLayout} />}
            {format === 'dxf' && (
                <TextField
                    label="Arrows, times the deviation"
                    value={arrows}
                    onValue={setArrows}
                    inputMode="decimal"
                    hint="empty: so that the longest is about a metre"
                />
            )}
            {(format === 'bcf' || format === 'ifc') && models.length > 0 && (
                <Choice
                    label="In coordinates of"
                    value={model}
                    onValue={setModel}
                    options={[[NO_MODEL, 'the site'], ...models.map((d) => [String(d.id), d.name] as const)]}
                />
            )}
            {format === 'ifc' && model !== NO_MODEL && (
                <p className="text-sm text-quiet">
                    The model as it came in, with the marks in it; the things they belong to have the figures as properties.
                </p>
            )}
            {format === 'bcf' && <CheckBox label="Also what is in tolerance" checked={all} onChecked={setAll} />}
            {wrong ? (
                <Step why="Arrows are 1 to 100 000 times as long as the deviation.">Save the file</Step>
            ) : (
                <NextStep>
                    <a data-next className={buttonLook('primary')} href={address} download>
                        Save the file
                    </a>
                </NextStep>
            )}
        </div>
    );
}
