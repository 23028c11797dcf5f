import { Stethoscope } from 'lucide-react';
import type { Schemas } from '../api/client';
import { Button } from '../parts/Button';
import { Scroll } from '../parts/Scroll';
import type { Layout, Mends } from './mends';

type Finding = Schemas['FindingEntry'];

interface Props {
    seen: Schemas['PointsPreview'];
    layout: Layout;
    mends: Mends;
    onMends: (mends: Mends) => void;
    onLayout: (part: Partial<Layout>) => void;
}

/** What the doctor suspects of a list, each to be mended with a touch, left out, or accepted as it is. */
export function Findings({ seen, layout, mends, onMends, onLayout }: Props) {
    const decided = (f: Finding) =>
        mends.accepted.includes(f.says) ||
        (f.places.length > 0 && f.places.every((place) => mends.places.some((p) => p.line === place.line))) ||
        (f.lines.length > 0 && f.lines.every((l) => mends.leaveOutLines.includes(l))) ||
        (f.noElevations && mends.noElevations);
    const exchange = () =>
        onLayout({ columns: layout.columns.map((c) => (c === 'northing' ? 'easting' : c === 'easting' ? 'northing' : c)) });
    const mend = (f: Finding) => {
        if (f.exchange) {
            exchange();
        } else if (f.unit !== null) {
            onLayout({ unit: f.unit });
        } else if (f.noElevations) {
            onMends({ ...mends, noElevations: true });
        } else if (f.places.length > 0) {
            onMends({ ...mends, places: [...without(mends.places, f), ...f.places] });
        }
    };
    const canMend = (f: Finding) => (f.exchange && seen.format === 'text') || f.unit !== null || f.noElevations || f.places.length > 0;
    const leaveOut = (f: Finding) =>
        onMends({
            ...mends,
            leaveOutLines: [...new Set([...mends.leaveOutLines, ...(f.kind === 'one_name_two_places' ? f.lines.slice(1) : f.lines)])],
        });
    const open = seen.findings.filter((f) => !decided(f)).length;
    return (
        <section aria-label="What the doctor says" className="border-2 border-ink">
            <h3 className="flex items-center gap-2 border-b border-rule px-3 py-2 font-semibold">
                <Stethoscope className="size-5" aria-hidden="true" />
                {seen.findings.length === 0
                    ? 'The doctor finds nothing wrong with this list'
                    : `The doctor suspects ${counted(seen.findings.length + seen.moreFindings)}${open === 0 ? '' : `: ${open} to decide`}`}
            </h3>
            <Scroll label="Findings" className="max-h-72">
                <ul>
                    {seen.findings.map((f) => (
                        <li
                            key={f.says}
                            className={`flex flex-wrap items-center gap-2 border-b border-rule px-3 py-2 ${decided(f) ? 'text-quiet' : ''}`}
                        >
                            <span className="min-w-60 flex-1 [overflow-wrap:anywhere]">{f.says}</span>
                            {decided(f) ? (
                                <>
                                    <span className="text-sm">decided</span>
                                    <Button
                                        onClick={() =>
                                            onMends({
                                                leaveOutLines: mends.leaveOutLines.filter((l) => !f.lines.includes(l)),
                                                places: without(mends.places, f),
                                                noElevations: f.noElevations ? false : mends.noElevations,
                                                accepted: mends.accepted.filter((a) => a !== f.says),
                                            })
                                        }
                                    >
                                        Take back
                                    </Button>
                                </>
                            ) : (
                                <>
                                    {canMend(f) && <Button onClick={() => mend(f)}>{mendWord(f)}</Button>}
                                    {f.lines.length > 0 && <Button onClick={() => leaveOut(f)}>Leave out</Button>}
                                    <Button onClick={() => onMends({ ...mends, accepted: [...mends.accepted, f.says] })}>
                                        Accept as it is
                                    </Button>
                                </>
                            )}
                        </li>
                    ))}
                    {seen.moreFindings > 0 && <li className="px-3 py-2 text-quiet">And {seen.moreFindings} more.</li>}
                </ul>
            </Scroll>
            {seen.untestable.map((u) => (
                <p key={u} className="px-3 py-2 text-sm text-quiet">
                    {u}
                </p>
            ))}
        </section>
    );
}

const without = (places: Mends['places'], f: Finding) => places.filter((p) => !f.places.some((q) => q.line === p.line));

const counted = (n: number) => `${n} ${n === 1 ? 'thing' : 'things'}`;

function mendWord(f: Finding): string {
    if (f.exchange) {
        return 'Exchange the columns';
    }
    if (f.unit !== null) {
        return `Read in ${f.unit}`;
    }
    return f.noElevations ? 'Take none' : 'Mend it so';
}
