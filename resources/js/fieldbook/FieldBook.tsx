import { ChevronDown, ChevronUp, NotebookText } from 'lucide-react';
import { useDeferredValue, useEffect, useState } from 'react';
import type { BookEntry, BookShown, Project } from '../api/client';
import { useBook } from '../api/hooks';
import { Button } from '../parts/Button';
import { allowedOf } from '../parts/tolerance';
import { bookOf, useShown } from '../plan/shown';
import { formatAngle, formatDeviation, formatJudged, formatLength, inWords, sidedLength } from '../units/format';
import { bookTime } from '../units/times';
import { useUnits } from '../units/UnitsContext';
import { BookEntryDetail } from './BookEntryDetail';

/** Lines that are fetched at once, and at most; what is earlier is found by its name. */
const AT_ONCE = 200;
const MOST = 1000;

const SHOWN: ReadonlyArray<readonly [BookShown, string]> = [
    ['all', 'everything'],
    ['stakes', 'stakes'],
    ['as_built', 'as-built shots'],
    ['checks', 'check shots'],
    ['setups', 'setups'],
    ['readings', 'readings'],
    ['out', 'out of tolerance'],
    ['struck', 'struck'],
];

/** Every reading, setup, check and mark in order. It can be read and added to, never changed. */
export function FieldBook({ project }: { project: Project }) {
    const [open, setOpen] = useState(false);
    const [opened, setOpened] = useState<string | null>(null);
    const [name, setName] = useState('');
    const [show, setShow] = useState<BookShown>('all');
    const [limit, setLimit] = useState(AT_ONCE);
    const latest = useBook(project.id).data?.[0];
    const sought = useDeferredValue(name.trim());
    const wanted = { ...(sought && { name: sought }), ...(show !== 'all' && { show }), ...(limit > AT_ONCE && { limit }) };
    const entries = useBook(project.id, open ? wanted : {}).data ?? [];
    const asked = useShown(bookOf);
    useEffect(() => {
        if (asked !== null) {
            setOpen(true);
            setName(asked);
            setShow('all');
            bookOf.say('touched', null);
        }
    }, [asked]);
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
                    {latest ? line(latest) : 'Nothing has been measured yet.'}
                </span>
                {open ? <ChevronDown /> : <ChevronUp />}
            </Button>
            {open && (
                <div className="book-page flex h-[36vh] flex-col bg-sheet min-[960px]:absolute min-[960px]:bottom-full min-[960px]:left-0 min-[960px]:z-30 min-[960px]:h-[45vh] min-[960px]:border-ink min-[960px]:border-t-2">
                    <search className="flex gap-2 border-rule border-b px-4 py-1">
                        <input
                            type="search"
                            className="min-h-12 min-w-0 flex-1 border border-rule bg-sheet px-3"
                            aria-label="Search the field book by name"
                            placeholder="Search by name"
                            value={name}
                            onChange={(e) => setName(e.target.value)}
                        />
                        <select
                            className="min-h-12 border border-rule bg-sheet px-2"
                            aria-label="Lines shown"
                            value={show}
                            onChange={(e) => setShow(e.target.value as BookShown)}
                        >
                            {SHOWN.map(([value, word]) => (
                                <option key={value} value={value}>
                                    {word}
                                </option>
                            ))}
                        </select>
                    </search>
                    <ol
                        // biome-ignore lint/a11y/noNoninteractiveTabindex: only what has the focus scrolls with the arrow keys
                        tabIndex={0}
                        aria-label="Lines of the field book"
                        className="figure min-h-0 flex-1 overflow-auto text-sm"
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
                            <li className="whitespace-normal p-4 font-sans">
                                {Object.keys(wanted).length > 0
                                    ? 'No line is of that kind and name.'
                                    : 'The book fills by itself: each measurement taken on purpose becomes a line.'}
                            </li>
                        )}
                        {entries.length >= limit && limit < MOST && (
                            <li className="p-2">
                                <Button onClick={() => setLimit(limit + AT_ONCE)}>Earlier lines</Button>
                            </li>
                        )}
                    </ol>
                </div>
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
            const { deviation: d, name, verdict, planTolerance, judged, aimed, kind, leftSo } = e.mark;
            const off = d
                ? `${judged === 'height' && kind !== 'check' ? '' : `plan ${formatJudged(d.plan, planTolerance, true, length)}  `}height ${d.height === null ? '–' : inWords(sidedLength(d.height, 'height', length, allowedOf(e.mark, d.height)))}  ${verdict}${kind === 'check' ? '' : JUDGED[judged]}${leftSo ? ', left so' : ''}${aimed ? `  ${aimed.name}` : ''}`
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
