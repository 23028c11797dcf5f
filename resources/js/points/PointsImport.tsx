import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, Problem, type Project, type Schemas } from '../api/client';
import { untilFinished } from '../api/hooks';
import { useWork } from '../api/work';
import { Button } from '../parts/Button';
import { CheckBox } from '../parts/CheckBox';
import { Choice, LengthField } from '../parts/Field';
import { Failure, Notice } from '../parts/Notice';
import { Scroll } from '../parts/Scroll';
import { Step } from '../parts/Step';
import { WorkBar } from '../parts/WorkBar';
import { AsRead, Comparison } from './AsRead';
import { Findings } from './Findings';
import { ColumnsOf, LayoutFields, UNITS } from './LayoutFields';
import type { Layout, Mends } from './mends';
import { placeWord } from './placeWord';

type Preview = Schemas['PointsPreview'];
type Target = NonNullable<Schemas['PointsToPreview']['target']>;
type Strings = NonNullable<Schemas['PointsToTake']['strings']>;
type Rule = NonNullable<Schemas['PointsToTake']['duplicates']>;

const NOTHING: Mends = { leaveOutLines: [], places: [], noElevations: false, accepted: [] };

const RULES: Record<Target, [Rule, string][]> = {
    control: [
        ['replace', 'replace: the new place counts'],
        ['rename', 'rename: CP1 becomes CP1-2'],
        ['skip', 'skip: what is there stays'],
    ],
    points: [
        ['pair', 'keep both, as the two ends of one thing'],
        ['rename', 'rename: P1 becomes P1-2'],
        ['replace', 'replace: the new place counts'],
        ['skip', 'skip: what is there stays'],
    ],
};

async function previewOf(project: number, body: Schemas['PointsToPreview']): Promise<Preview> {
    const path = { params: { path: { project } } };
    const answer = await ask(api.POST('/api/v1/projects/{project}/points-preview', { ...path, body }));
    if (answer.taskId === null) {
        return answer;
    }
    // A long file is read beside the page.
    const started = ask(api.GET('/api/v1/projects/{project}/tasks/{task}', { params: { path: { project, task: answer.taskId } } }));
    return (await untilFinished(project, started)).result as unknown as Preview;
}

interface Props {
    project: Project;
    file: Schemas['Upload'];
    target: Target;
    onDone: () => void;
}

/** Shows a list of points as it is being read and what the doctor says of it; everything can be changed before anything is taken. */
export function PointsImport({ project, file, target, onDone }: Props) {
    const [told, setTold] = useState<Layout | null>(null);
    // Cut up otherwise, the columns are others: they are guessed anew.
    const [separator, setSeparator] = useState<string | null>(null);
    const [mends, setMends] = useState<Mends>(NOTHING);
    const [rule, setRule] = useState<Rule | ''>('');
    const [notDegrees, setNotDegrees] = useState(false);
    const [strings, setStrings] = useState<Strings>('lines');
    const [fixed, setFixed] = useState(true);
    const [deviations, setDeviations] = useState<{ plan: number | null; height: number | null }>({ plan: null, height: null });
    const work = useWork(project.id);
    const preview = useQuery({
        queryKey: ['preview', file.upload, target, told, separator],
        queryFn: () => previewOf(project.id, { upload: file.upload, layout: told, target, separator }),
        placeholderData: keepPreviousData,
        retry: false,
    });
    const seen = preview.data;
    const layout = told ?? (seen?.layout as Layout | null | undefined) ?? null;
    if (!seen || !layout) {
        return preview.error || seen?.problem ? (
            <Failure of={preview.error ?? new Error(seen?.problem ?? '')} />
        ) : (
            <p role="status">Reading {file.fileName}…</p>
        );
    }
    const change = (part: Partial<Layout>) => {
        setMends(NOTHING);
        if (part.separator !== undefined) {
            setSeparator(part.separator);
            setTold(null);
            return;
        }
        setTold({ ...layout, ...part });
    };
    const take = async (leaveOutFaulty: boolean) => {
        const done = await work.run(
            ask(
                api.POST('/api/v1/projects/{project}/points-import', {
                    params: { path: { project: project.id } },
                    body: {
                        upload: file.upload,
                        layout,
                        target,
                        leaveOutFaulty,
                        duplicates: rule === '' ? null : rule,
                        leaveOutLines: mends.leaveOutLines,
                        places: mends.places,
                        noElevations: mends.noElevations,
                        notDegrees,
                        strings,
                        heldFixed: fixed,
                        planDeviation: fixed ? null : deviations.plan,
                        heightDeviation: fixed ? null : deviations.height,
                    },
                }),
            ),
        );
        if (done) {
            onDone();
        }
    };
    const lines = target === 'points' && seen.strings > 0;
    const linesOnly = lines && strings === 'lines';
    const asks = seen.duplicateCount > 0 && rule === '' && !linesOnly;
    const ready = seen.good > 0 && seen.problem === null && !asks && !(seen.looksLikeDegrees && !notDegrees);
    const word = linesOnly ? 'as a drawing' : target === 'control' ? 'as control' : 'as points';
    const left = linesOnly ? `${seen.strings} ${seen.strings === 1 ? 'line' : 'lines'}` : seen.good - mends.leaveOutLines.length;
    return (
        <div className="grid gap-4">
            {seen.remembered && <Notice>Read as the last file of this shape was. Change what does not fit.</Notice>}
            {seen.format === 'text' ? (
                <>
                    <LayoutFields layout={layout} onChange={change} />
                    <ColumnsOf seen={seen} layout={layout} onChange={change} />
                </>
            ) : seen.format === 'shapefile' ? (
                <div className="flex flex-wrap items-end gap-3">
                    <p className="flex-1">
                        Shapefile: names, codes and elevations come from the fields that are called so, the rest is kept.
                    </p>
                    <Choice label="Coordinates are" value={layout.unit} onValue={(unit) => change({ unit })} options={UNITS} />
                </div>
            ) : (
                <Notice>
                    {seen.format === 'landxml'
                        ? `LandXML: points are northing, easting, elevation, in the file’s own unit (${layout.unit}).`
                        : 'GeoJSON: positions are read as easting, northing and elevation of the site grid, in metres.'}
                </Notice>
            )}
            {seen.looksLikeDegrees && (
                <Notice kind="caution">
                    <p>All positions would be degrees on the globe. Parlay needs easting and northing of the site grid: ask for those.</p>
                    <CheckBox label="They are site coordinates all the same" checked={notDegrees} onChecked={setNotDegrees} />
                </Notice>
            )}
            {seen.problem && <Failure of={new Error(seen.problem)} />}
            <Findings seen={seen} mends={mends} onMends={setMends} onLayout={change} layout={layout} />
            {seen.comparison && <Comparison of={seen.comparison} target={target} />}
            <AsRead seen={seen} mends={mends} />
            {seen.faulty > 0 && (
                <Notice kind="caution">
                    <Scroll label="Rows that can’t be read" className="max-h-40">
                        <ul>
                            {seen.faults.map((f) => (
                                <li key={`${f.line}-${f.column}`}>
                                    {placeWord(seen.format)} {f.line}
                                    {f.column !== null && `, column ${f.column}`}: {f.reason}.
                                </li>
                            ))}
                            {seen.faulty > seen.faults.length && <li>And {seen.faulty - seen.faults.length} more.</li>}
                        </ul>
                    </Scroll>
                </Notice>
            )}
            {lines && (
                <Choice
                    label={`The rows are ${seen.strings} ${seen.strings === 1 ? 'string' : 'strings'}: each ends with a row of nothing but one value`}
                    value={strings}
                    onValue={(value) => setStrings(value as Strings)}
                    options={[
                        ['lines', 'lines of a drawing'],
                        ['both', 'lines of a drawing, and their corners as points'],
                        ['points', 'points alone'],
                    ]}
                />
            )}
            {seen.duplicateCount > 0 && (!linesOnly || (work.error instanceof Problem && work.error.reason === 'duplicates')) && (
                <section aria-label="Names that are taken" className="grid gap-2 border-l-4 border-open pl-3">
                    <p>
                        {seen.duplicateCount} {seen.duplicateCount === 1 ? 'name is' : 'names are'} taken:{' '}
                        {seen.duplicates
                            .slice(0, 6)
                            .map((d) => `“${d.name}” (${d.earlierLine === null ? 'in the project' : `line ${d.earlierLine}`})`)
                            .join(', ')}
                        {seen.duplicateCount > 6 && ' …'}
                    </p>
                    <Choice
                        label="What becomes of them"
                        value={rule}
                        onValue={setRule}
                        options={[['', 'decide'] as const, ...RULES[target]]}
                    />
                </section>
            )}
            {target === 'control' && (
                <section aria-label="How good this control is" className="grid gap-2 sm:grid-cols-3">
                    <CheckBox label="Held fixed: taken as without error" checked={fixed} onChecked={setFixed} />
                    {!fixed && (
                        <>
                            <LengthField
                                label="Standard deviation in plan"
                                value={deviations.plan}
                                onValue={(plan) => setDeviations((d) => ({ ...d, plan }))}
                            />
                            <LengthField
                                label="Standard deviation in height"
                                value={deviations.height}
                                onValue={(height) => setDeviations((d) => ({ ...d, height }))}
                            />
                        </>
                    )}
                </section>
            )}
            <Failure of={work.error} />
            {work.error instanceof Problem && work.error.reason === 'duplicates' && (
                <p>Decide above what becomes of names that are taken.</p>
            )}
            <WorkBar work={work} />
            <Step
                busy={work.busy}
                why={
                    asks
                        ? 'Decide what becomes of names that are taken.'
                        : seen.faulty > 0
                          ? `${seen.faulty} of its rows can’t be read; why stands above.`
                          : !ready && 'Something above is still to be decided.'
                }
                onClick={() => void take(false)}
                second={
                    seen.faulty > 0 &&
                    seen.good > 0 && (
                        <Button className="min-h-16" busy={work.busy} disabled={!ready} onClick={() => void take(true)}>
                            Take {left}, leave {seen.faulty} wrong out
                        </Button>
                    )
                }
            >
                Take {left} {word}
            </Step>
        </div>
    );
}
