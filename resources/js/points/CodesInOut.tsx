import { useRef } from 'react';
import { api, ask, type Project } from '../api/client';
import { useDeed } from '../api/hooks';
import { Button, buttonLook } from '../parts/Button';
import { Failure } from '../parts/Notice';

/** What codes mean, with colour, mark and tolerances, out as a table and in again: a firm's own list goes from project to project. */
export function CodesInOut({ project }: { project: Project }) {
    const input = useRef<HTMLInputElement>(null);
    const take = useDeed(project.id, async (file: File) =>
        ask(
            api.POST('/api/v1/projects/{project}/codes-list', {
                params: { path: { project: project.id } },
                body: { text: await file.text() },
            }),
        ),
    );
    return (
        <section className="grid gap-2 border-rule border-t pt-2" aria-label="Codes as a file">
            <div className="flex flex-wrap gap-2">
                <Button busy={take.isPending} onClick={() => input.current?.click()}>
                    Codes in (CSV)
                </Button>
                <a className={buttonLook('plain')} href={`/api/v1/projects/${project.id}/codes-file`} download>
                    Codes out (CSV)
                </a>
            </div>
            <input
                ref={input}
                type="file"
                accept=".csv,.txt,text/*"
                className="sr-only"
                tabIndex={-1}
                aria-label="A list of codes (CSV)"
                onChange={(e) => {
                    const [file] = e.target.files ?? [];
                    e.target.value = '';
                    file && take.mutate(file);
                }}
            />
            {take.data && (
                <p role="status">
                    {take.data.count} {take.data.count === 1 ? 'code is' : 'codes are'} taken.
                </p>
            )}
            <Failure of={take.error} />
        </section>
    );
}
