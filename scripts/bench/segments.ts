import { Shapes } from '../../resources/js/plan/shapes';
import { SnapIndex } from '../../resources/js/plan/snap';

let seed = 7;

/** The same numbers each time, from 0 to 1. */
export const random = () => {
    seed = (seed * 1103515245 + 12345) % 2147483648;
    return seed / 2147483648;
};

/** So many segments of up to six metres, scattered over a site of 900 by 700. */
export function segments(count: number): Shapes {
    const buffer = new ArrayBuffer(count * 80);
    const head = new Uint32Array(buffer);
    const values = new Float64Array(buffer);
    for (let i = 0; i < count; i++) {
        const [x, y] = [900 * random(), 700 * random()];
        head[i * 20] = 1;
        head[i * 20 + 1] = i;
        values.set([x, y, 0, x + 12 * random() - 6, y + 12 * random() - 6, 0], i * 10 + 1);
    }
    return new Shapes(buffer);
}

export const indexOf = (shapes: Shapes) => new SnapIndex([{ id: 1, name: 'L', strings: [], shapes }]);
