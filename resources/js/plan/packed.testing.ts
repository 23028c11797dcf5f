import { Shapes } from './shapes';

/** For tests: shapes packed as core packs them, a kind and its values each. */
export function packed(...shapes: [number, ...number[]][]): Shapes {
    const buffer = new ArrayBuffer(shapes.length * 80);
    const view = new DataView(buffer);
    for (const [i, [kind, ...values]] of shapes.entries()) {
        view.setUint32(i * 80, kind, true);
        view.setUint32(i * 80 + 4, 100 + i, true);
        for (const [k, v] of values.entries()) {
            view.setFloat64(i * 80 + 8 + k * 8, v, true);
        }
    }
    return new Shapes(buffer);
}
