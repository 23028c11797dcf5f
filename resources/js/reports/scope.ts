import type { Mark, Schemas } from '../api/client';
import { verdictOf } from '../parts/conformity';
import { dateOf } from '../units/times';

export type Scope = Required<Schemas['ReportScope']>;

export const ALL: Scope = { day: '', worklistId: null, code: null, kind: '', outOnly: false, replaced: true };

/** Days on which something was marked, by the clock of this screen, the latest first. */
export const daysOf = (marks: Mark[]): string[] => [...new Set(marks.map((m) => dateOf(m.measuredAt)))].sort().reverse();

/** Codes of what was marked. */
export const codesOf = (marks: Mark[]): string[] => [...new Set(marks.filter((m) => m.kind !== 'check').map((m) => m.code))].sort();

/** Marks that count and that a report covers; of a point or a spot staked again the latest alone, as the server counts. */
export function covered(marks: Mark[], scope: Scope, listed: number[] | null): Mark[] {
    const about = (m: Mark) => {
        if (m.pointId !== null) {
            return `${m.kind} ${m.pointId}`;
        }
        // A spot and a place along a line are one place each, as points are.
        return m.aimed?.kind === 'spot' || m.aimed?.kind === 'place' ? `${m.kind} at ${m.aimKey}` : `mark ${m.id}`;
    };
    const latest = new Map(marks.map((m) => [about(m), m.id]));
    const counting = new Set(latest.values());
    const on = listed && new Set(listed);
    return marks.filter(
        (m) =>
            m.kind !== 'check' &&
            counting.has(m.id) &&
            (scope.day === '' || dateOf(m.measuredAt) === scope.day) &&
            (scope.code === null || m.code === scope.code) &&
            (scope.kind === '' || m.kind === scope.kind) &&
            (!on || (m.pointId !== null && on.has(m.pointId))) &&
            (!scope.outOnly || ['out', 'close'].includes(verdictOf(m))),
    );
}
