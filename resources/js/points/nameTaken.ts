import type { StakeoutPoint } from '../api/client';

/** What is wrong of a name that another point has; null where it is free. The server says the same when it is kept. */
export function nameTaken(points: readonly StakeoutPoint[], name: string, own: StakeoutPoint | null = null): string | null {
    const wanted = name.trim();
    return wanted !== own?.name && points.some((p) => p.id !== own?.id && p.name === wanted)
        ? `There is a point “${wanted}” already.`
        : null;
}
