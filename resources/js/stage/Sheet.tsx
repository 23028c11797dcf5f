import type { ReactNode } from 'react';
import { NextStep } from '../parts/NextStep';

/** The body of a stage's sheet: a title, the task, and in the bar at the foot its one next step. */
export function Sheet({ title, children, next }: { title: ReactNode; children: ReactNode; next?: ReactNode }) {
    return (
        <div className="flex min-h-full flex-col">
            <h1 className="sticky top-0 z-10 flex min-h-14 items-center bg-sheet pr-16 pl-4 text-xl font-bold">{title}</h1>
            <div className="flex flex-1 flex-col gap-3 p-4 pt-1">{children}</div>
            {next && <NextStep>{next}</NextStep>}
        </div>
    );
}
