import { indexOf, random, segments } from './segments';

/** Prints the 95th percentile of a snap among 100,000 segments and the time the index takes, milliseconds. */
const TRIES = 2000;
const shapes = segments(100_000);
const begun = performance.now();
const index = indexOf(shapes);
const made = performance.now() - begun;
const times: number[] = [];
for (let i = 0; i < TRIES; i++) {
    const t = performance.now();
    index.spot(900 * random(), 700 * random(), 1.5);
    times.push(performance.now() - t);
}
times.sort((a, b) => a - b);
console.log(`${times[Math.floor(0.95 * TRIES)]?.toFixed(3)} ${made.toFixed(1)}`);
