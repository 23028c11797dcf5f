import { Shapes } from '../../resources/js/plan/shapes';
import { SnapIndex } from '../../resources/js/plan/snap';

/** Prints the 95th percentile of a snap among 100,000 segments and the time the index takes, milliseconds. */
const COUNT = 100_000;
const TRIES = 2000;
let seed = 7;
const random = () => {
    seed = (seed * 1103515245 + 12345) % 2147483648;
    return seed / 2147483648;
};
const buffer = new ArrayBuffer(COUNT * 80);
const head = new Uint32Array(buffer);
const values = new Float64Array(buffer);
for (let i = 0; i < COUNT; i++) {
    const [x, y] = [900 * random(), 700 * random()];
    head[i * 20] = 1;
    head[i * 20 + 1] = i;
    values.set([x, y, 0, x + 12 * random() - 6, y + 12 * random() - 6, 0], i * 10 + 1);
}
const begun = performance.now();
const index = new SnapIndex([{ id: 1, name: 'L', strings: [], shapes: new Shapes(buffer) }]);
const made = performance.now() - begun;
const times: number[] = [];
for (let i = 0; i < TRIES; i++) {
    const t = performance.now();
    index.spot(900 * random(), 700 * random(), 1.5);
    times.push(performance.now() - t);
}
times.sort((a, b) => a - b);
console.log(`${times[Math.floor(0.95 * TRIES)]?.toFixed(3)} ${made.toFixed(1)}`);
