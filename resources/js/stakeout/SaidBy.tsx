import type { Aim, Judged } from '../api/client';
import { Choice } from '../parts/Field';
import type { Moves, StageProps } from '../stage/stages';

/** How moves are said: facing the instrument, by north, or along and across one of the lines that were touched. */
export function SaidBy({ moves, setMoves, aims }: Pick<StageProps, 'moves' | 'setMoves' | 'aims'>) {
    const lines = aims.filter((a) => a.kind === 'line' || a.kind === 'alignment');
    // The line it was may have been put away.
    const value = typeof moves === 'number' && !lines.some((l) => l.id === moves) ? 'instrument' : String(moves);
    return (
        <Choice
            label="Moves shown"
            value={value}
            options={[
                ['instrument', 'facing the instrument'],
                ['north', 'by north and east'],
                ...lines.map((l: Aim) => [String(l.id), `along and across ${l.name}`] as const),
            ]}
            onValue={(by) => setMoves(by === 'instrument' || by === 'north' ? by : (Number(by) as Moves))}
            hint={
                lines.length === 0
                    ? 'Touch a line of the drawing to have moves said along and across it.'
                    : typeof moves === 'number'
                      ? 'Where the pole stands beside it is said under the guidance.'
                      : undefined
            }
        />
    );
}

const COUNTS: ReadonlyArray<readonly [Judged | '', string]> = [
    ['', 'as the code says'],
    ['plan_and_height', 'plan and height'],
    ['plan', 'plan only'],
    ['height', 'height only'],
];

/** What of the mark counts. */
export const Counts = ({ judged, setJudged }: Pick<StageProps, 'judged' | 'setJudged'>) => (
    <Choice label="What counts" value={judged ?? ''} options={COUNTS} onValue={(j) => setJudged(j === '' ? null : j)} />
);
