import type { Schemas, SetupState } from '../../api/client';

type Place = Schemas['PlaceResource'];
type Found = Schemas['SolutionResource'];

/** A shot along a line, named for the list, with what it is worth. */
export type WorthOfShot = Schemas['ShotResidualResource'] & { name: string };

/** The place the user chose, or the likeliest where that one is gone. */
export const chosenPlace = ({ places, draft }: SetupState): Place | undefined => places[draft.place] ?? places[0];

/** More than this many deviations off is worth another shot. */
const SUSPECT = 3.3;

/** The reading of the shot that fits worst, where it fits too badly: one bad shot pulls the others along, so only one is named. */
export function suspectOf(shots: SetupState['draft']['shots'], found: Schemas['ShotResidualResource'][]): number | null {
    const worst = Math.max(0, ...found.map((r) => r.normalised ?? 0));
    const at = found.findIndex((r) => r.normalised === worst);
    return worst > SUSPECT ? (shots[at]?.observationId ?? null) : null;
}

/** The shots in use along lines. */
export function worthOfShots({ shots }: Found): WorthOfShot[] {
    const count = new Map<string, number>();
    return shots.flatMap((s) => {
        const number = (count.get(s.line) ?? 0) + 1;
        count.set(s.line, number);
        return s.redundancy === null ? [] : [{ ...s, name: `Line ${s.line}, shot ${number}` }];
    });
}
