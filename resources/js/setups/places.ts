import type { Schemas, SetupState } from '../api/client';

type Place = Schemas['PossiblePlace'];
type Found = Schemas['SolutionEntry'];

/** A shot along a line, named for the list, with what it is worth. */
export type WorthOfShot = Schemas['ShotResidual'] & { name: string; reliability: Schemas['Reliability'] };

/** The place the user chose, or the likeliest where that one is gone. */
export const chosenPlace = ({ places, draft }: SetupState): Place | undefined => places[draft.place] ?? places[0];

/** The shots in use along lines. */
export function worthOfShots({ shots }: Found): WorthOfShot[] {
    const count = new Map<string, number>();
    return shots.flatMap((s) => {
        const number = (count.get(s.line) ?? 0) + 1;
        count.set(s.line, number);
        return s.reliability === null ? [] : [{ ...s, reliability: s.reliability, name: `Line ${s.line}, shot ${number}` }];
    });
}
