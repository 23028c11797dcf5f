import type { Live } from '../api/client';

/** Why the instrument is not where this project's setup has it, and what mends that; null where it is. */
export function awayWords(live: Live | undefined): string | null {
    if (live?.unproven) {
        return 'This setup came in with a packed project. It holds here once a check proves it: hold the pole on a control point and take one, or set up anew.';
    }
    if (live?.elsewhere) {
        return `The instrument has been set up for ${live.elsewhere} since: this setup does not hold any more. Set it up anew here.`;
    }
    return live?.another
        ? `This setup was made with another instrument than ${live.another}, which is linked now. Link that one, or set this one up here.`
        : null;
}
