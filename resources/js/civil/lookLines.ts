/** The least and greatest of some heights with room about them; null where there are none. */
export function rangeOf(heights: readonly number[]): { low: number; high: number } | null {
    if (heights.length === 0) {
        return null;
    }
    let low = Number.POSITIVE_INFINITY;
    let high = Number.NEGATIVE_INFINITY;
    for (const z of heights) {
        low = Math.min(low, z);
        high = Math.max(high, z);
    }
    const room = Math.max(0.05, (high - low) * 0.1);
    return { low: low - room, high: high + room };
}

/** A step of 1, 2 or 5 that is no smaller. */
export function niceStep(least: number): number {
    const power = 10 ** Math.floor(Math.log10(Math.max(1e-6, least)));
    return [1, 2, 5, 10].map((n) => n * power).find((n) => n >= least - 1e-12) ?? power * 10;
}

/** Metres along and heights in turn, as the path of a drawing. */
export function runLine(line: readonly number[], x: (along: number) => number, y: (z: number) => number): string {
    let path = '';
    for (let i = 0; i + 1 < line.length; i += 2) {
        path += `${i === 0 ? 'M' : 'L'}${x(line[i] as number).toFixed(1)} ${y(line[i + 1] as number).toFixed(1)}`;
    }
    return path;
}

/** The height of a line at a place along it; null beside it. */
export function heightOn(line: readonly number[], along: number): number | null {
    for (let i = 0; i + 3 < line.length; i += 2) {
        const [a, za, b, zb] = [line[i] as number, line[i + 1] as number, line[i + 2] as number, line[i + 3] as number];
        if (along >= a && along <= b) {
            return b === a ? za : za + ((zb - za) * (along - a)) / (b - a);
        }
    }
    return null;
}
