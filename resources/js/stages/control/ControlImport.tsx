import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, type Project, type Schemas } from '../../api/client';
import { useDeed } from '../../api/hooks';
import { Button } from '../../parts/Button';
import { Choice, NumberField } from '../../parts/Field';
import { Length } from '../../parts/Figure';
import { Failure, Notice } from '../../parts/Notice';

type Layout = Schemas['LayoutBody'];

const COLUMNS: [Layout['columns'][number], string][] = [
    ['name', 'name'],
    ['northing', 'northing'],
    ['easting', 'easting'],
    ['elevation', 'elevation'],
    ['code', 'code'],
    ['description', 'description'],
    ['ignored', 'ignored'],
];

/** Shows a control file as it is being read; everything guessed can be changed before anything is taken. */
export function ControlImport({ project, file, onDone }: { project: Project; file: Schemas['UploadResource']; onDone: () => void }) {
    const [told, setTold] = useState<Layout | null>(null);
    const preview = useQuery({
        queryKey: ['preview', file.upload, told],
        queryFn: () =>
            ask(
                api.POST('/api/v1/projects/{project}/points-preview', {
                    params: { path: { project: project.id } },
                    body: { upload: file.upload, layout: told },
                }),
            ),
        placeholderData: keepPreviousData,
        retry: false,
    });
    const take = useDeed(project.id, (leaveOutFaulty: boolean) =>
        ask(
            api.POST('/api/v1/projects/{project}/control-import', {
                params: { path: { project: project.id } },
                body: { upload: file.upload, layout: layout as Layout, leaveOutFaulty },
            }),
        ),
    );
    const seen = preview.data;
    const layout = told ?? seen?.layout ?? null;
    if (!seen || !layout) {
        return preview.error || seen?.problem ? <Failure of={preview.error ?? new Error(seen?.problem ?? '')} /> : <p>Reading…</p>;
    }
    const change = (part: Partial<Layout>) => setTold({ ...layout, ...part });
    const width = Math.max(seen.width, layout.columns.length, 3);
    return (
        <div className="grid gap-4">
            <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
                <Choice
                    label="Separator"
                    value={layout.separator}
                    onValue={(separator) => change({ separator })}
                    options={[
                        [',', 'comma'],
                        [';', 'semicolon'],
                        ['\t', 'tab'],
                        ['|', 'bar'],
                        ['blanks', 'blanks'],
                    ]}
                />
                <Choice
                    label="Decimal mark"
                    value={layout.decimalMark}
                    onValue={(decimalMark) => change({ decimalMark })}
                    options={[
                        ['.', 'point, 1.5'],
                        [',', 'comma, 1,5'],
                    ]}
                />
                <NumberField
                    key={layout.skip}
                    label="Skip"
                    unit="rows"
                    value={layout.skip}
                    onValue={(n) => change({ skip: Math.max(0, Math.floor(n)) })}
                />
                <Choice
                    label="Numbers are"
                    value={layout.unit}
                    onValue={(unit) => change({ unit })}
                    options={[
                        ['m', 'metres'],
                        ['mm', 'millimetres'],
                        ['cm', 'centimetres'],
                        ['ft', 'international feet'],
                        ['usft', 'US survey feet'],
                        ['in', 'inches'],
                    ]}
                />
            </div>
            <div className="overflow-x-auto">
                <table className="list" aria-label="Columns as they stand in the file">
                    <thead>
                        <tr>
                            {Array.from({ length: Math.min(width, 12) }, (_, i) => (
                                // biome-ignore lint/suspicious/noArrayIndexKey: columns have no other name
                                <th key={i}>
                                    <select
                                        aria-label={`Column ${i + 1}`}
                                        className="min-h-12 w-full min-w-24 border border-ink/50 bg-sheet px-1 font-semibold text-ink"
                                        value={layout.columns[i] ?? 'ignored'}
                                        onChange={(e) => {
                                            const columns = Array.from({ length: width }, (_unused, k) => layout.columns[k] ?? 'ignored');
                                            columns[i] = e.target.value as Layout['columns'][number];
                                            change({ columns });
                                        }}
                                    >
                                        {COLUMNS.map(([value, word]) => (
                                            <option key={value} value={value}>
                                                {word}
                                            </option>
                                        ))}
                                    </select>
                                </th>
                            ))}
                        </tr>
                    </thead>
                </table>
                <pre className="max-h-32 whitespace-pre font-mono overflow-auto border-b border-rule bg-paper p-2 text-sm">
                    {seen.firstLines.map((l, i) => `${String(i + 1).padStart(3)} ${i < layout.skip ? '✕' : ' '} ${l}`).join('\n')}
                </pre>
            </div>
            {seen.problem && <Failure of={new Error(seen.problem)} />}
            <section aria-label="As it is read">
                <h3 className="font-semibold">
                    As it is read: {seen.good} {seen.good === 1 ? 'point' : 'points'}
                    {seen.faulty > 0 && `, ${seen.faulty} wrong ${seen.faulty === 1 ? 'row' : 'rows'}`}
                </h3>
                <div className="max-h-56 overflow-auto">
                    <table className="list">
                        <thead>
                            <tr>
                                <th>line</th>
                                <th>name</th>
                                <th className="n">northing</th>
                                <th className="n">easting</th>
                                <th className="n">elevation</th>
                                <th>code</th>
                            </tr>
                        </thead>
                        <tbody>
                            {seen.rows.map((r) => (
                                <tr key={r.line}>
                                    <td>{r.line}</td>
                                    <td>{r.name}</td>
                                    <td className="n">
                                        <Length of={r.northing} />
                                    </td>
                                    <td className="n">
                                        <Length of={r.easting} />
                                    </td>
                                    <td className="n">
                                        <Length of={r.elevation} />
                                    </td>
                                    <td>{r.code}</td>
                                </tr>
                            ))}
                        </tbody>
                    </table>
                </div>
            </section>
            {seen.faulty > 0 && (
                <Notice kind="caution">
                    <ul className="max-h-40 overflow-auto">
                        {seen.faults.map((f) => (
                            <li key={`${f.line}-${f.column}`}>
                                Line {f.line}
                                {f.column !== null && `, column ${f.column}`}: {f.reason}.
                            </li>
                        ))}
                    </ul>
                </Notice>
            )}
            <Failure of={take.error} />
            <div className="flex flex-wrap justify-end gap-3">
                {seen.faulty > 0 && seen.good > 0 && (
                    <Button className="min-h-16" busy={take.isPending} onClick={() => take.mutate(true, { onSuccess: onDone })}>
                        Take {seen.good}, leave {seen.faulty} wrong out
                    </Button>
                )}
                <Button
                    kind="primary"
                    busy={take.isPending}
                    disabled={seen.faulty > 0 || seen.good === 0 || seen.problem !== null}
                    onClick={() => take.mutate(false, { onSuccess: onDone })}
                >
                    Take {seen.good} as control
                </Button>
            </div>
        </div>
    );
}
