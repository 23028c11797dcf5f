import { describe, expect, it } from 'vitest';
import { bodiesOf } from './bodies';

/** A box of 1 by 2 by 3, twice: as it is, and turned by a right angle and stretched twofold along its own x. */
function packed(): ArrayBuffer {
    const head = JSON.stringify({
        origin: [41250, 78640, 4],
        heights: [2, 7.5],
        storeys: ['Ground', ''],
        classes: ['Column'],
        types: ['C 1'],
        solids: [[8, 12]],
        things: [
            [17, 'Stütze 1', 0, 0, 0, [1, 2, 3]],
            [23, 'B', 0, 0, 1, [2, 2, 3]],
        ],
        stands: 2,
        whole: true,
    });
    const bytes = new TextEncoder().encode(head);
    const length = Math.ceil(bytes.length / 4) * 4;
    const buffer = new ArrayBuffer(4 + length + 8 * 12 + 12 * 12 + 2 * 56);
    const view = new DataView(buffer);
    view.setUint32(0, length, true);
    new Uint8Array(buffer, 4, length).fill(32);
    new Uint8Array(buffer, 4).set(bytes);
    let at = 4 + length;
    for (let k = 0; k < 8; k++) {
        for (const v of [k & 1 ? 1 : 0, k & 2 ? 2 : 0, k & 4 ? 3 : 0]) {
            view.setFloat32(at, v, true);
            at += 4;
        }
    }
    for (let k = 0; k < 36; k++, at += 4) {
        view.setUint32(at, k % 8, true);
    }
    for (const [thing, frame] of [
        [0, [1, 0, 0, 10, 0, 1, 0, 20, 0, 0, 1, 0.5]],
        [1, [0, -1, 0, 0, 2, 0, 0, 0, 0, 0, 1, -2]],
    ] as [number, number[]][]) {
        view.setUint32(at, thing, true);
        view.setUint32(at + 4, 0, true);
        frame.forEach((v, k) => {
            view.setFloat32(at + 8 + 4 * k, v, true);
        });
        at += 56;
    }
    return buffer;
}

describe('a building model as it is packed', () => {
    const bodies = bodiesOf(packed());

    it('says what each thing is', () => {
        expect(bodies.things).toEqual([
            { instance: 17, name: 'Stütze 1', class: 'Column', type: 'C 1', storey: 'Ground', size: [1, 2, 3] },
            { instance: 23, name: 'B', class: 'Column', type: 'C 1', storey: '', size: [2, 2, 3] },
        ]);
        expect(bodies.standing.map((s) => [s.thing, s.frame[3], s.frame[7]])).toEqual([
            [0, 10, 20],
            [1, 0, 0],
        ]);
        expect(bodies.heights).toEqual([2, 7.5]);
        expect([...(bodies.solids[0]?.corners ?? [])].slice(-3)).toEqual([1, 2, 3]);
    });
});
