import { useState } from 'react';
import type { Schemas } from '../api/client';
import { useCorrections } from '../api/hooks';
import { Button } from '../parts/Button';
import { Deviation, Length } from '../parts/Figure';
import { Failure } from '../parts/Notice';
import { dateTime } from '../units/times';

type Correction = Schemas['CorrectionEntry'];

function What({ of: c }: { of: Correction }) {
    switch (c.kind) {
        case 'reading':
            return (
                <>
                    Target of {c.what}: height <Length of={c.targetHeight} />, constant <Deviation of={c.prismConstant} />
                </>
            );
        case 'matched':
            return <>{c.what} held against designs</>;
        case 'struck':
            return <>{c.what} struck</>;
        case 'unstruck':
            return <>Strike of {c.what} taken back</>;
        default:
            return <>{c.what}, worked anew</>;
    }
}

/** What it did to marks, and which reports told it otherwise. */
function Reach({ of: c }: { of: Correction }) {
    const parts = [
        c.marks > 0 && (
            <span key="marks">
                {c.marks} {c.marks === 1 ? 'mark' : 'marks'} moved by <Deviation of={c.plan} />
                {c.marks > 1 && ' at most'}
                {c.height !== null && (
                    <>
                        , <Deviation of={c.height} /> in height
                    </>
                )}
            </span>
        ),
        c.turned > 0 && <b key="turned">{c.turned} with another verdict</b>,
        c.reports.length > 0 && (
            <b key="reports">
                told otherwise in report{c.reports.length > 1 ? 's' : ''} {c.reports.join(', ')}
            </b>
        ),
    ].filter(Boolean);
    return parts.length === 0 ? null : <div className="flex flex-wrap gap-x-4">{parts}</div>;
}

/** All that was put right afterwards, the latest first. */
export function Corrections({ project }: { project: number }) {
    const [open, setOpen] = useState(false);
    const all = useCorrections(project, open);
    return (
        <section aria-label="Corrections" className={open ? 'col-span-2 grid gap-1' : ''}>
            <div className="grid">
                <Button onClick={() => setOpen(!open)} aria-expanded={open}>
                    What was corrected
                </Button>
            </div>
            <Failure of={all.error} />
            {open && all.data?.length === 0 && <p>Nothing was corrected afterwards.</p>}
            {open &&
                [...(all.data ?? [])].reverse().map((c) => (
                    <article key={`${c.at} ${c.kind} ${c.what}`} className="border-t border-rule py-2 text-sm">
                        <b className="[overflow-wrap:anywhere]">
                            <What of={c} />
                        </b>
                        <div className="text-quiet [overflow-wrap:anywhere]">
                            {dateTime(c.at)}
                            {c.note && `: ${c.note}`}
                            {c.by && `, ${c.by}`}
                        </div>
                        <Reach of={c} />
                    </article>
                ))}
        </section>
    );
}
