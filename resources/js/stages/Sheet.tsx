import type { ReactNode } from 'react';

/** The body of a stage's sheet: a title, the task, and at the bottom right its one next step. */
export function Sheet({ title, children, next }: { title: ReactNode; children: ReactNode; next?: ReactNode }) {
    return (
        <div className="flex min-h-full flex-col">
            <div className="flex flex-1 flex-col gap-3 p-4 pt-2">
                <h1 className="flex min-h-12 items-center pr-11 text-xl font-bold">{title}</h1>
                {children}
            </div>
            {next && (
                <div className="sticky bottom-0 flex flex-wrap items-center justify-end gap-3 border-t border-rule bg-sheet p-3">
                    {next}
                </div>
            )}
        </div>
    );
}
