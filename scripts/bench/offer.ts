import { OFFERED_WITHIN, offerFor } from '../../resources/js/plan/offer';
import type { SnapKind } from '../../resources/js/plan/snap';
import { indexOf, random, segments } from './segments';

/** Prints the 95th percentile of what one reading costs the page while spots are offered among 100,000 segments, milliseconds. */
const TRIES = 1000;
const KINDS: ReadonlySet<SnapKind> = new Set<SnapKind>(['end', 'middle', 'centre', 'intersection', 'insertion']);
const index = indexOf(segments(100_000));
const times: number[] = [];
let [x, y, offered] = [450, 350, null as ReturnType<typeof offerFor>];
for (let i = 0; i < TRIES; i++) {
    const t = performance.now();
    offered = offerFor(offered, false, x, y, index.spots(x, y, OFFERED_WITHIN, KINDS));
    times.push(performance.now() - t);
    x += 0.3 * random() - 0.1;
    y += 0.3 * random() - 0.1;
}
times.sort((a, b) => a - b);
console.log(times[Math.floor(0.95 * TRIES)]?.toFixed(3));
