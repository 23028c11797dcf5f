import { ChevronDown, ChevronUp, NotebookText } from 'lucide-react';
import { useState } from 'react';
import type { BookEntry, Project } from '../api/client';
import { useBook } from '../api/hooks';
import { Button } from '../parts/Button';
import { formatAngle, formatDeviation, formatJudged, formatLength, inWords, sidedLength } from '../units/format';
import { bookTime } from '../units/times';
import { useUnits } from '../units/UnitsContext';
import { BookEntryDetail } from './BookEntryDetail';

/** Every reading, setup, check and mark in order. It can be read and added to, never changed. */
export function FieldBook({ project }: { project: Project }) {
    const [open, setOpen] = useState(false);
    const [opened, setOpened] = useState<string | null>(null);
    const book = useBook(project.id, true);
    const entries = book.data ?? [];
    const line = useLine();
    return (
        <section
            className="relative flex flex-col-reverse border-ink border-t-2 bg-sheet"
            style={{ gridArea: 'book' }}
            aria-label="Field book"
        >
            <Button
                kind="bare"
                className="w-full !justify-start px-3"
                aria-expanded={open}
                onClick={() => setOpen(!open)}
                icon={<NotebookText className="shrink-0" aria-hidden="true" />}
            >
                <span className="shrink-0 font-semibold">
                    Field book<span className="sr-only">{open ? ': put it away.' : ': pull it up.'}</span>
                </span>
                <span className="figure min-w-0 flex-1 truncate text-left text-sm text-quiet">
                    {entries[0] ? line(entries[0]) : 'Nothing has been measured yet.'}
                </span>
                {open ? <ChevronDown /> : <ChevronUp />}
            </Button>
            {open && (
                <ol
                    // biome-ignore lint/a11y/noNoninteractiveTabindex: only what has the focus scrolls with the arrow keys
                    tabIndex={0}
                    aria-label="Lines of the field book"
                    className="book-page figure h-[36vh] overflow-auto bg-sheet text-sm min-[960px]:absolute min-[960px]:bottom-full min-[960px]:left-0 min-[960px]:z-30 min-[960px]:h-[45vh] min-[960px]:border-ink min-[960px]:border-t-2"
                >
                    {entries.map((e) => {
                        const key = `${e.kind} ${e.id}`;
                        return (
                            <li key={key} className="border-b border-rule/60">
                                <button
                                    type="button"
                                    className={`block min-h-12 w-full cursor-pointer truncate px-4 text-left hover:bg-wash ${isStruck(e) ? 'line-through' : ''}`}
                                    aria-expanded={opened === key}
                                    onClick={() => setOpened(opened === key ? null : key)}
                                >
                                    {line(e)}
                                </button>
                                {e.clockJump !== null && <ClockNote seconds={e.clockJump} />}
                                {opened === key && <BookEntryDetail entry={e} project={project.id} />}
                            </li>
                        );
                    })}
                    {entries.length === 0 && (
                        <li className="p-4">The book fills by itself: each measurement taken on purpose becomes a line.</li>
                    )}
                </ol>
            )}
        </section>
    );
}

/** Times before and after are not of one clock; the order of the lines is. */
function ClockNote({ seconds }: { seconds: number }) {
    const by = Math.abs(seconds);
    const words = by < 120 ? `${by.toFixed(0)} s` : by < 7200 ? `${(by / 60).toFixed(0)} min` : `${(by / 3600).toFixed(1)} h`;
    return (
        <p className="px-4 pb-1 text-quiet">
            before this line the clock was set {seconds < 0 ? 'back' : 'forward'} by {words}
        </p>
    );
}

const JUDGED = { plan_and_height: '', plan: ', plan only', height: ', height only' };

const WORDS: Record<string, string> = { reading: 'reading', setup: 'SETUP', stake: 'STAKE', as_built: 'AS-BUILT', check: 'CHECK' };

const isStruck = (e: BookEntry): boolean => e.mark?.strike?.struck === true;

/** One entry as one line of the book. */
function useLine() {
    const { length, angle } = useUnits();
    return (e: BookEntry): string => {
        const start = `${bookTime(e.at)}  ${(WORDS[e.kind] ?? e.kind).padEnd(9)}`;
        if (e.mark) {
            const { deviation: d, name, verdict, planTolerance, heightTolerance, judged, aimed, kind, leftSo } = e.mark;
            const off = d
                ? `${judged === 'height' && kind !== 'check' ? '' : `plan ${formatJudged(d.plan, planTolerance, true, length)}  `}height ${d.height === null ? '–' : inWords(sidedLength(d.height, 'height', length, heightTolerance))}  ${verdict}${kind === 'check' ? '' : JUDGED[judged]}${leftSo ? ', left so' : ''}${aimed ? `  ${aimed.name}` : ''}`
                : 'no design';
            return `${start} ${isStruck(e) ? 'struck ' : ''}${name.padEnd(10)} ${off}`;
        }
        if (e.setup) {
            const s = e.setup.setup;
            return `${start} ${s.method.replace('_', ' ')} at ${s.stationName}  ${s.passes === false ? 'the sights don’t fit' : s.planDeviation === null ? 'orientation not checked' : `±${formatDeviation(s.planDeviation, length)} in plan`}`;
        }
        if (e.reading) {
            const r = e.reading;
            return `${start} ${(r.sighted || '–').padEnd(10)} Hz ${formatAngle(r.circle, angle)}  V ${formatAngle(r.zenith, angle)}  SD ${formatLength(r.slope, length)}  ht ${formatLength(r.targetHeight, length)}`;
        }
        return start;
    };
}
