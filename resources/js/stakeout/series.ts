import type { Live } from '../api/client';
import { awayWords } from '../setups/away';

/** Shots while one walks: a new one every so many metres or seconds. */
export interface Series {
    by: 'metres' | 'seconds';
    step: number;
}

/** The last shot of a series: where the pole stood, and when (milliseconds). */
export interface LastShot {
    northing: number;
    easting: number;
    at: number;
}

/** Older than this, seconds, a pole that is shown is not where it stands. */
const FRESH = 2;

type Seen = Pick<Live, 'pole' | 'instrument' | 'readingAge' | 'unproven' | 'elsewhere' | 'another'>;

/** Why nothing can be measured on; null where it can. */
export function stopped(live: Seen | undefined): string | null {
    if (!live || live.instrument.link !== 'up') {
        return 'The link to the instrument was lost.';
    }
    if (!live.instrument.level) {
        return 'The instrument is not level.';
    }
    return awayWords(live as Live) ?? (live.pole ? null : 'The instrument does not see the prism.');
}

/** Whether the next shot of a series is due. */
export function isDue(series: Series, last: LastShot | null, live: Seen, now: number): boolean {
    if (!live.pole || live.readingAge === null || live.readingAge > FRESH) {
        return false;
    }
    if (last === null) {
        return true;
    }
    return series.by === 'seconds'
        ? now - last.at >= 1000 * series.step
        : Math.hypot(live.pole.northing - last.northing, live.pole.easting - last.easting) >= series.step;
}

/** The next name of a series: behind its own a number that none of them has. */
export function nextName(series: string, taken: Iterable<string>): string {
    let most = 0;
    for (const name of taken) {
        const rest = name.startsWith(`${series}-`) ? name.slice(series.length + 1) : '';
        most = /^\d{1,6}$/.test(rest) ? Math.max(most, Number(rest)) : most;
    }
    return `${series}-${most + 1}`;
}
