import { useState } from 'react';
import type { Judged } from '../api/client';
import type { Moves } from '../stage/stages';

const JUDGED: readonly Judged[] = ['plan_and_height', 'plan', 'height'];

/** What counts, as an address has it. */
export const judgedOf = (text: string | null): Judged | null => JUDGED.find((j) => j === text) ?? null;

/** How moves are said: of a project, until it is changed. */
export function useMoves(project: number): [Moves, (moves: Moves) => void] {
    const key = `moves ${project}`;
    const [moves, setMoves] = useState<Moves>(() => {
        const kept = localStorage.getItem(key);
        return kept === null || kept === 'instrument' ? 'instrument' : kept === 'north' ? 'north' : Number(kept) || 'instrument';
    });
    return [
        moves,
        (next) => {
            localStorage.setItem(key, String(next));
            setMoves(next);
        },
    ];
}
