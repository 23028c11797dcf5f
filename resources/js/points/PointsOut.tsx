import { Download } from 'lucide-react';
import { useState } from 'react';
import type { Project, Schemas } from '../api/client';
import { Button, buttonLook } from '../parts/Button';
import { CheckBox } from '../parts/CheckBox';
import { Dialog } from '../parts/Dialog';
import { Choice } from '../parts/Field';
import { NextStep } from '../parts/NextStep';
import { Step } from '../parts/Step';
import { UNITS } from './LayoutFields';

const WHAT = [
    ['control', 'Control'],
    ['points', 'Stakeout points'],
    ['as-built', 'What was measured'],
] as const;

const ORDERS = [
    ['name,northing,easting,elevation,code,description', 'name, northing, easting, elevation, code, description'],
    ['name,easting,northing,elevation,code,description', 'name, easting, northing, elevation, code, description'],
    ['name,northing,easting,elevation', 'name, northing, easting, elevation'],
    ['northing,easting,elevation,name,code', 'northing, easting, elevation, name, code'],
] as const;

/** Points go out as CSV, DXF, LandXML or GeoJSON. */
export function PointsOut({ project, initially }: { project: Project; initially: (typeof WHAT)[number][0] }) {
    const [open, setOpen] = useState(false);
    const [what, setWhat] = useState<string[]>([initially]);
    const [format, setFormat] = useState<'csv' | 'dxf' | 'landxml' | 'geojson'>('csv');
    const [order, setOrder] = useState<string>(ORDERS[project.units.order === 'EN' ? 1 : 0][0]);
    const [unit, setUnit] = useState<Schemas['ColumnLayout']['unit']>('m');
    const [separator, setSeparator] = useState<',' | ';' | 'tab' | '|'>(',');
    const [all, setAll] = useState(false);
    const [mark, setMark] = useState<'.' | ','>('.');
    const query = new URLSearchParams({ format, what: what.join(',') });
    if (format === 'csv') {
        query.set('columns', order);
        query.set('unit', unit);
        query.set('separator', separator);
        query.set('decimalMark', mark);
    }
    if (all && what.includes('as-built')) {
        query.set('all', '1');
    }
    const clash = format === 'csv' && separator === mark;
    return (
        <>
            <Button onClick={() => setOpen(true)} icon={<Download />}>
                Points out
            </Button>
            <Dialog open={open} onClose={() => setOpen(false)} title="Points out, as a file">
                <div className="grid gap-3">
                    <div className="grid">
                        {WHAT.map(([value, word]) => (
                            <CheckBox
                                key={value}
                                label={word}
                                checked={what.includes(value)}
                                onChecked={(on) => setWhat(on ? [...what, value] : what.filter((w) => w !== value))}
                            />
                        ))}
                    </div>
                    {what.includes('as-built') && (
                        <CheckBox label="Also what was measured again since, each with verdict and time" checked={all} onChecked={setAll} />
                    )}
                    <Choice
                        label="Format"
                        value={format}
                        onValue={setFormat}
                        options={[
                            ['csv', 'CSV, for a spreadsheet'],
                            ['dxf', 'DXF: points, names and layers'],
                            ['landxml', 'LandXML: CgPoints'],
                            ['geojson', 'GeoJSON, in site coordinates'],
                        ]}
                    />
                    {format === 'csv' && (
                        <>
                            <Choice label="Columns" value={order} onValue={setOrder} options={ORDERS} />
                            <div className="grid grid-cols-3 gap-3">
                                <Choice label="Numbers are" value={unit} onValue={setUnit} options={UNITS} />
                                <Choice
                                    label="Separator"
                                    value={separator}
                                    onValue={setSeparator}
                                    options={[
                                        [',', 'comma'],
                                        [';', 'semicolon'],
                                        ['tab', 'tab'],
                                        ['|', 'bar'],
                                    ]}
                                />
                                <Choice
                                    label="Decimal mark"
                                    value={mark}
                                    onValue={setMark}
                                    options={[
                                        ['.', 'point'],
                                        [',', 'comma'],
                                    ]}
                                />
                            </div>
                            {clash && <p className="text-out">A comma can’t be both the separator and the decimal mark.</p>}
                        </>
                    )}
                    {what.length === 0 || clash ? (
                        <Step why={clash ? 'The separator is the decimal mark, too.' : 'Choose what goes into it.'}>Save the file</Step>
                    ) : (
                        <NextStep>
                            <a
                                data-next
                                className={buttonLook('primary')}
                                href={`/api/v1/projects/${project.id}/points-file?${query}`}
                                download
                            >
                                Save the file
                            </a>
                        </NextStep>
                    )}
                </div>
            </Dialog>
        </>
    );
}
