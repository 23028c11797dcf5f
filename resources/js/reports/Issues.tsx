import { useQuery } from '@tanstack/react-query';
import { FileSpreadsheet, FileText } from 'lucide-react';
import { useState } from 'react';
import { api, ask, type Issue, type Schemas } from '../api/client';
import { useIssues } from '../api/hooks';
import { Button, buttonLook } from '../parts/Button';
import { Deviation } from '../parts/Figure';
import { Failure } from '../parts/Notice';
import { Verdict } from '../parts/Verdict';
import { dateTime } from '../units/times';
import { OfficeFiles } from './OfficeFiles';

const BECAME: Record<Schemas['IssueChange']['kind'], string> = {
    new: 'new',
    gone: 'struck, or no longer covered',
    marked_again: 'marked again',
    corrected: 'corrected',
    judged_otherwise: 'judged by another rule',
    renamed: 'renamed',
};

/** Marks that are told otherwise today than in an issued report. */
function Changes({ project, issue }: { project: number; issue: Issue }) {
    const changes = useQuery({
        queryKey: [project, 'issue-changes', issue.number],
        queryFn: () =>
            ask(
                api.GET('/api/v1/projects/{project}/report-issues/{number}/changes', {
                    params: { path: { project, number: issue.number } },
                }),
            ),
    });
    const all = changes.data ?? [];
    return (
        <div className="grid gap-1 py-2 text-sm">
            <Failure of={changes.error} />
            {changes.data && <b>{all.length === 0 ? 'Nothing changed since.' : `${all.length} told otherwise today`}</b>}
            {all.slice(0, 50).map((c) => (
                <div key={`${c.name} ${c.kind}`} className="flex flex-wrap items-baseline gap-x-3 border-t border-rule py-1">
                    <b className="min-w-0 [overflow-wrap:anywhere]">{c.name}</b>
                    {BECAME[c.kind]}
                    {c.kind !== 'new' && c.kind !== 'gone' && (
                        <span>
                            plan <Deviation of={c.planBefore} none="–" /> → <Deviation of={c.planAfter} none="–" />
                        </span>
                    )}
                    {c.turned && c.verdictBefore && c.verdictAfter && (
                        <span className="inline-flex items-center gap-1">
                            <Verdict of={c.verdictBefore} short /> → <Verdict of={c.verdictAfter} short />
                        </span>
                    )}
                </div>
            ))}
            {all.length > 50 && <span className="text-quiet">and {all.length - 50} more: print a new report, which lists them all</span>}
        </div>
    );
}

/** The list of marks lies below them. */
const LATEST = 2;

/** Reports that were issued: they stay as they were. */
export function Issues({ project }: { project: number }) {
    const issues = useIssues(project);
    const [open, setOpen] = useState<number | null>(null);
    const [all, setAll] = useState(false);
    if (!issues.data?.length) {
        return <Failure of={issues.error} />;
    }
    return (
        <section aria-label="Issued reports" className="grid gap-1">
            <h2 className="text-lg font-semibold">Issued</h2>
            {issues.data
                .slice(all ? 0 : -LATEST)
                .reverse()
                .map((i) => (
                    <article key={i.id} className="border-t border-rule py-2">
                        <div className="flex flex-wrap items-center justify-between gap-2">
                            <div className="min-w-0">
                                <b className="[overflow-wrap:anywhere]">
                                    no. {i.number} {i.name}
                                </b>
                                <div className="text-sm text-quiet">
                                    {dateTime(i.at)}
                                    {i.author && `, ${i.author}`} · {i.counts.in} in, {i.counts.out} out
                                    {i.counts.close > 0 && `, ${i.counts.close} too close to call`}
                                </div>
                                <div className="figure text-sm text-quiet">{i.checksum}</div>
                            </div>
                            <div className="flex flex-wrap gap-2">
                                <a
                                    className={buttonLook('plain')}
                                    href={i.file}
                                    target="_blank"
                                    rel="noreferrer"
                                    aria-label={`Open report ${i.number}`}
                                >
                                    <FileText aria-hidden="true" /> PDF
                                </a>
                                <a
                                    className={buttonLook('plain')}
                                    href={i.table}
                                    download
                                    aria-label={`Table of report ${i.number} as CSV`}
                                >
                                    <FileSpreadsheet aria-hidden="true" /> CSV
                                </a>
                                <OfficeFiles project={project} issue={i.number} />
                                <Button onClick={() => setOpen(open === i.number ? null : i.number)} aria-expanded={open === i.number}>
                                    Changed since
                                </Button>
                            </div>
                        </div>
                        {open === i.number && <Changes project={project} issue={i} />}
                    </article>
                ))}
            {!all && issues.data.length > LATEST && <Button onClick={() => setAll(true)}>All {issues.data.length} reports</Button>}
        </section>
    );
}
