import { ClipboardList, FileCode, FileSpreadsheet, FileText } from 'lucide-react';
import { useState } from 'react';
import { api, ask } from '../api/client';
import { useWorklists } from '../api/hooks';
import { useWork } from '../api/work';
import { Button, buttonLook } from '../parts/Button';
import { doubtOf, verdictOf } from '../parts/conformity';
import { TextField } from '../parts/Field';
import { Deviation, Sided } from '../parts/Figure';
import { Failure, Notice } from '../parts/Notice';
import { Scroll } from '../parts/Scroll';
import { allowedOf } from '../parts/tolerance';
import { Verdict } from '../parts/Verdict';
import { WorkBar } from '../parts/WorkBar';
import { CheckBeforeLeaving, SetupDoubt } from '../setups/SetupDoubt';
import { Sheet } from '../stage/Sheet';
import type { StageProps } from '../stage/stages';
import { dateOf, localZone } from '../units/times';
import { Corrections } from './Corrections';
import { Issues } from './Issues';
import { Letterhead } from './Letterhead';
import { OfficeFiles } from './OfficeFiles';
import { ScopeFields } from './ScopeFields';
import { ALL, covered } from './scope';

/** What goes to the client: the report as PDF and its table as CSV. */
export function HandOver({ project, marks }: StageProps) {
    const [author, setAuthor] = useState('');
    const [name, setName] = useState('');
    const [scope, setScope] = useState(ALL);
    const [choosing, setChoosing] = useState(false);
    const lists = useWorklists(project.id).data ?? [];
    const [file, setFile] = useState<string | null>(null);
    const [day, setDay] = useState<string | null>(null);
    const work = useWork(project.id);
    const path = { params: { path: { project: project.id } } };
    const report = () => ask(api.POST('/api/v1/projects/{project}/reports', { ...path, body: { author, name, scope, zone: localZone() } }));
    // Of the day that was chosen, or of today.
    const daySheet = () =>
        ask(
            api.POST('/api/v1/projects/{project}/day-sheet', {
                ...path,
                body: { author, zone: localZone(), day: scope.day || dateOf(new Date().toISOString()), worklistId: scope.worklistId },
            }),
        );
    const print = async (sheet: typeof report, shown: (file: string) => void) => {
        const task = await work.run(sheet());
        if (task) {
            const { file } = task.result as unknown as { file: string };
            shown(file);
            // Whoever prints wants to see it; a browser that opens nothing by itself leaves the button.
            window.open(file, '_blank', 'noopener');
        }
    };
    const rows = covered(marks, scope, lists.find((l) => l.id === scope.worklistId)?.pointIds ?? null);
    const again = (change: () => void) => {
        change();
        setFile(null);
        setDay(null);
    };
    const of = (verdict: string) => rows.filter((m) => verdictOf(m) === verdict).length;
    return (
        <Sheet
            title="Hand over"
            next={
                <>
                    <a className={`${buttonLook('plain')} min-h-16`} href={`/api/v1/projects/${project.id}/report.csv`} download>
                        <FileSpreadsheet aria-hidden="true" /> Table as CSV
                    </a>
                    {file ? (
                        <a data-next className={buttonLook('primary')} href={file} target="_blank" rel="noreferrer">
                            <FileText aria-hidden="true" /> Open the report
                        </a>
                    ) : (
                        <Button kind="primary" busy={work.busy} onClick={() => void print(report, setFile)} icon={<FileText />}>
                            {work.busy ? 'Printing…' : 'Print the report'}
                        </Button>
                    )}
                </>
            }
        >
            <WorkBar work={work} />
            <SetupDoubt project={project} />
            <CheckBeforeLeaving project={project} marks={marks} />
            {rows.length === 0 && (
                <Notice>
                    {scope === ALL
                        ? 'Nothing has been staked or measured yet; the report would be empty.'
                        : 'Nothing of that was staked or measured.'}
                </Notice>
            )}
            <div className="grid grid-cols-2 gap-3">
                <TextField label="Made by" value={author} onValue={(a) => again(() => setAuthor(a))} hint="stands on the report" />
                <TextField
                    label="Name of the report"
                    value={name}
                    onValue={(n) => again(() => setName(n))}
                    hint="the next of that name says what changed"
                />
            </div>
            <div className="grid grid-cols-2 gap-2">
                <Button onClick={() => setChoosing(!choosing)} aria-expanded={choosing}>
                    {scope === ALL ? 'Covers all marks' : 'Covers what is chosen'}
                </Button>
                {day ? (
                    <a className={buttonLook('plain')} href={day} target="_blank" rel="noreferrer">
                        <ClipboardList aria-hidden="true" /> Open the foreman’s sheet
                    </a>
                ) : (
                    <Button disabled={work.busy} onClick={() => void print(daySheet, setDay)} icon={<ClipboardList />}>
                        Foreman’s sheet
                    </Button>
                )}
                <OfficeFiles project={project.id} issue={null} />
                <Letterhead project={project.id} onChanged={() => setFile(null)} />
                <Corrections project={project.id} />
            </div>
            {choosing && <ScopeFields scope={scope} onScope={(s) => again(() => setScope(s))} marks={marks} lists={lists} />}
            <Failure of={work.error} />
            <div className="flex flex-wrap gap-x-6 gap-y-1 text-lg">
                <span>
                    {of('in')} <Verdict of="in" short />
                </span>
                <span>
                    {of('out')} <Verdict of="out" short />
                </span>
                {of('close') > 0 && (
                    <span>
                        {of('close')} <Verdict of="close" />
                    </span>
                )}
                {of('undecided') > 0 && (
                    <span>
                        {of('undecided')} <Verdict of="undecided" short />
                    </span>
                )}
            </div>
            <Issues project={project.id} />
            <Scroll label="Marks against their design">
                <table className="list sided">
                    <thead>
                        <tr>
                            <th>name</th>
                            <th className="n">against design</th>
                            <th className="n">plan</th>
                            <th className="n">height</th>
                            <th>verdict</th>
                        </tr>
                    </thead>
                    <tbody>
                        {rows.slice(-200).map((m) => (
                            <tr key={m.id}>
                                <td className="max-w-28 truncate" title={m.name}>
                                    {m.name}
                                    <div className="text-sm text-quiet">{m.kind === 'stake' ? 'staked' : 'built'}</div>
                                </td>
                                <td className="n inline-side">
                                    <Sided of={m.deviation?.northing} side="northing" none="–" />
                                    <br />
                                    <Sided of={m.deviation?.easting} side="easting" none="–" />
                                </td>
                                <td className="n">
                                    <Deviation of={m.deviation?.plan} none="–" allowed={m.planTolerance} />
                                    {m.conformance && m.conformance.planUncertain !== null && (
                                        <div className="text-sm text-quiet">
                                            ± <Deviation of={m.conformance.planUncertain} />
                                        </div>
                                    )}
                                </td>
                                <td className="n">
                                    <Sided of={m.deviation?.height} side="height" none="–" allowed={allowedOf(m, m.deviation?.height)} />
                                    {m.conformance && m.conformance.heightUncertain !== null && (
                                        <div className="text-sm text-quiet">
                                            ± <Deviation of={m.conformance.heightUncertain} />
                                        </div>
                                    )}
                                </td>
                                <td>
                                    <Verdict of={verdictOf(m)} short />
                                    {doubtOf(m) && <div className="text-sm text-quiet">{doubtOf(m)}</div>}
                                </td>
                            </tr>
                        ))}
                    </tbody>
                </table>
            </Scroll>
            <div className="flex flex-wrap gap-2">
                <a className={buttonLook('plain')} href={`/api/v1/projects/${project.id}/readings.csv`} download>
                    <FileSpreadsheet aria-hidden="true" /> All raw readings as CSV
                </a>
                <a className={buttonLook('plain')} href={`/api/v1/projects/${project.id}/survey.xml`} download>
                    <FileCode aria-hidden="true" /> Survey data as LandXML
                </a>
            </div>
            {rows.length > 200 && <Notice>The last 200 of {rows.length} are shown; the report has all.</Notice>}
        </Sheet>
    );
}
