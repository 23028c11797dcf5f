import { FolderOpen } from 'lucide-react';
import { Link } from 'react-router';
import type { Project } from '../api/client';
import { STAGES, type StageName } from '../stage/stages';
import { formatDeviation } from '../units/format';

/** The stages of the day as stations along a measured line, each with how it stands. */
export function JobLine({ project, stage, search }: { project: Project; stage: StageName; search: URLSearchParams }) {
    const target = search.get('target');
    return (
        <nav
            aria-label="Job line"
            className="flex min-w-0 flex-1 items-stretch overflow-x-auto max-[959px]:basis-full max-[959px]:border-b max-[959px]:border-rule"
        >
            <Link
                to="/projects"
                className="flex min-w-24 max-w-44 flex-col justify-center gap-0.5 border-r border-rule px-3 hover:bg-wash"
                title="All projects"
            >
                <span className="flex items-center gap-1 text-sm text-quiet">
                    <FolderOpen className="size-4" aria-hidden="true" /> Projects
                </span>
                <span className="truncate font-semibold leading-tight">{project.name}</span>
            </Link>
            <ol className="flex flex-1 items-stretch">
                {STAGES.map(([name, word]) => {
                    const here = name === stage;
                    const keep = target !== null && name === 'stake' ? `?target=${target}` : '';
                    return (
                        <li key={name} className="min-w-[5.4rem] flex-1">
                            <Link
                                to={`/p/${project.id}/${name}${keep}`}
                                aria-current={here ? 'step' : undefined}
                                className={`relative flex h-full min-h-16 flex-col items-center justify-start px-1 pt-1 hover:bg-wash ${here ? 'text-chalk' : ''}`}
                            >
                                <span className={`text-base leading-tight ${here ? 'font-bold' : 'font-medium'}`}>{word}</span>
                                <svg viewBox="0 0 100 14" preserveAspectRatio="none" className="h-3.5 w-full" aria-hidden="true">
                                    <path
                                        d="M0 7H100 M25 5V9 M75 5V9"
                                        stroke="currentColor"
                                        strokeWidth="1.5"
                                        vectorEffect="non-scaling-stroke"
                                        fill="none"
                                    />
                                    <path d="M50 0V14" stroke="currentColor" strokeWidth={here ? 6 : 2} vectorEffect="non-scaling-stroke" />
                                </svg>
                                <span className="figure text-xs text-quiet">{standing(name, project)}</span>
                            </Link>
                        </li>
                    );
                })}
            </ol>
        </nav>
    );
}

const count = (n: number, word: string) => `${n} ${word}${n === 1 ? '' : 's'}`;

function standing(stage: StageName, { progress, setup, units }: Project): string {
    switch (stage) {
        case 'prepare':
            return count(progress.points, 'point');
        case 'control':
            return count(progress.control, 'point');
        case 'set-up':
            if (!setup) {
                return 'not yet';
            }
            if (setup.passes === false) {
                return 'doesn’t fit';
            }
            return setup.planDeviation === null
                ? `on ${setup.stationName}`.slice(0, 12)
                : `±${formatDeviation(setup.planDeviation, units.length)}`;
        case 'stake':
            return `${progress.staked} of ${progress.points}`;
        case 'as-built':
            return count(progress.asBuilt, 'shot');
        case 'hand-over':
            return progress.out === 0 ? 'none out' : `${progress.out} out`;
    }
}
