import type { ReactNode } from 'react';

/** The body of a stage's sheet: a title, the task, and at the bottom right its one next step. */
export function Sheet({ title, children, next }: { title: ReactNode; children: ReactNode; next?: ReactNode }) {
    return (
        <div className="flex min-h-full flex-col">
            <h1 className="sticky top-0 z-10 flex min-h-14 items-center bg-sheet pr-16 pl-4 text-xl font-bold">{title}</h1>
            <div className="flex flex-1 flex-col gap-3 p-4 pt-1">{children}</div>
            {next && (
                <div className="sticky bottom-0 flex flex-wrap items-center justify-end gap-3 border-t border-rule bg-sheet p-3">
                    {next}
                </div>
            )}
        </div>
    );
}
