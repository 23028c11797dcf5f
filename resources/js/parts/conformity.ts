import type { Mark } from '../api/client';

/** How a mark is called: by the project's rule where that weighs its uncertainty, else by its measured figure. */
export function verdictOf(m: Pick<Mark, 'verdict' | 'conformance'>): string {
    const c = m.conformance;
    return c?.acceptance === 'guarded' && c.conformity ? { inside: 'in', outside: 'out', close: 'close' }[c.conformity] : m.verdict;
}

/** How probable it is that it conforms, in words; null where that is as sure as is asked for, or nothing is judged. */
export function doubtOf(m: Pick<Mark, 'conformance'>): string | null {
    const c = m.conformance;
    if (!c || (c.plan === null && c.height === null)) {
        return null;
    }
    const p = Math.min(c.plan ?? 1, c.height ?? 1);
    return p < c.level && p > 1 - c.level ? `in with ${Math.max(1, Math.min(99, Math.round(100 * p)))} %` : null;
}
