import { describe, expect, it } from 'vitest';
import { bodyOf, draftOf, emptyDraft } from './draft';
import { KINDS, type KindSpec } from './kinds';

const specOf = (kind: KindSpec['kind']) => KINDS.find((k) => k.kind === kind) as KindSpec;

describe('a computation while it is put together', () => {
    it.each(KINDS.map((k) => [k.kind, k] as const))(
        '%s begins with nothing that could be kept, or with figures that make sense',
        (_, spec) => {
            const body = bodyOf(emptyDraft(spec), spec);
            const asks =
                (spec.places?.length ?? 0) + (spec.directions?.length ?? 0) + (spec.distances?.length ?? 0) + (spec.lines?.length ?? 0);
            if (asks > 0 || spec.many || spec.chain || spec.elements || spec.parts || spec.pattern || spec.angle) {
                expect(body).toBeNull();
            } else {
                expect(body?.kind).toBe(spec.kind);
            }
        },
    );

    it('is whole when every place, direction and distance is given', () => {
        const spec = specOf('directionDistance');
        const draft = { ...emptyDraft(spec), places: [{ pointId: 1 }], directions: [{ azimuth: 1.5 }], distances: [{ metres: 10 }] };
        expect(bodyOf(draft, spec)).toMatchObject({
            places: [{ pointId: 1 }],
            directions: [{ azimuth: 1.5 }],
            distances: [{ metres: 10 }],
            angle: 0,
        });
        expect(bodyOf({ ...draft, distances: [null] }, spec)).toBeNull();
    });

    it('wants as many places as its figure needs', () => {
        const spec = specOf('bestCircle');
        const of = (n: number) => bodyOf({ ...emptyDraft(spec), places: Array.from({ length: n }, (_, i) => ({ pointId: i })) }, spec);
        expect([of(2), of(3)?.places?.length]).toEqual([null, 3]);
    });

    it('comes back as it was kept', () => {
        const spec = specOf('directionDistance');
        const body = { kind: spec.kind, places: [{ pointId: 1 }], directions: [{ azimuth: 0 }], distances: [{ metres: 2 }], offset: -0.5 };
        expect(bodyOf(draftOf(body), spec)).toMatchObject(body);
    });
});
