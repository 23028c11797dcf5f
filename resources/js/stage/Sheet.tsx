import type { ReactNode } from 'react';
import { NextStep } from '../parts/NextStep';
import { useStageHelp } from './StageHelp';

/** The body of a stage's sheet: a title, the task, and in the bar at the foot its one next step. */
export function Sheet({ title, children, next }: { title: ReactNode; children: ReactNode; next?: ReactNode }) {
    const help = useStageHelp();
    return (
        <div className="flex min-h-full flex-col">
            <div className="sticky top-0 z-10 flex min-h-14 items-center gap-1 bg-sheet pr-15 pl-4">
                <h1 className="flex min-w-0 flex-1 items-center font-bold text-xl">{title}</h1>
                {help.button}
            </div>
            <div className="flex flex-1 flex-col gap-3 p-4 pt-1">
                {help.paragraph}
                {children}
            </div>
            {next && <NextStep>{next}</NextStep>}
        </div>
    );
}
