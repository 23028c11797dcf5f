import type { Schemas } from '../api/client';
import { Choice, NumberField } from '../parts/Field';
import { Scroll } from '../parts/Scroll';
import type { Layout } from './mends';

export const COLUMNS: [Layout['columns'][number], string][] = [
    ['name', 'name'],
    ['northing', 'northing'],
    ['easting', 'easting'],
    ['elevation', 'elevation'],
    ['code', 'code'],
    ['description', 'description'],
    ['attribute', 'attribute'],
    ['ignored', 'ignored'],
];

export const UNITS: [Layout['unit'], string][] = [
    ['m', 'metres'],
    ['mm', 'millimetres'],
    ['cm', 'centimetres'],
    ['ft', 'international feet'],
    ['usft', 'US survey feet'],
    ['in', 'inches'],
];

interface Props {
    layout: Layout;
    onChange: (part: Partial<Layout>) => void;
}

/** How a text file is cut up: separator, decimal mark, rows to skip, unit. */
export function LayoutFields({ layout, onChange }: Props) {
    return (
        <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
            <Choice
                label="Separator"
                value={layout.separator}
                onValue={(separator) => onChange({ separator })}
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
                onValue={(decimalMark) => onChange({ decimalMark })}
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
                onValue={(n) => onChange({ skip: Math.max(0, Math.floor(n)) })}
            />
            <Choice label="Numbers are" value={layout.unit} onValue={(unit) => onChange({ unit })} options={UNITS} />
        </div>
    );
}

/** What each column is, above the file as it stands. */
export function ColumnsOf({ seen, layout, onChange }: Props & { seen: Schemas['PointsPreview'] }) {
    const width = Math.max(seen.width, layout.columns.length, 3);
    return (
        <div className="overflow-x-auto">
            <table className="list" aria-label="Columns as they stand in the file">
                <thead>
                    <tr>
                        {Array.from({ length: Math.min(width, 16) }, (_, i) => (
                            // biome-ignore lint/suspicious/noArrayIndexKey: columns have no other name
                            <th key={i}>
                                <select
                                    aria-label={`Column ${i + 1}`}
                                    title={layout.headings?.[i]}
                                    className="min-h-12 w-full min-w-24 border border-ink/50 bg-sheet px-1 font-semibold text-ink"
                                    value={layout.columns[i] ?? 'ignored'}
                                    onChange={(e) => {
                                        const columns = Array.from({ length: width }, (_unused, k) => layout.columns[k] ?? 'ignored');
                                        columns[i] = e.target.value as Layout['columns'][number];
                                        onChange({ columns });
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
            <Scroll label="The file as it stands" className="max-h-32 border-b border-rule bg-paper">
                <pre className="whitespace-pre p-2 font-mono text-sm">
                    {seen.firstLines.map((l, i) => `${String(i + 1).padStart(3)} ${i < layout.skip ? '✕' : ' '} ${l}`).join('\n')}
                </pre>
            </Scroll>
        </div>
    );
}
