import type MultiLineString from 'ol/geom/MultiLineString';
import { expect, it } from 'vitest';
import { featuresOf } from './features';
import { packed } from './packed.testing';
import { Kind } from './shapes';

it('draws lines in sheaves, dots and texts one by one', () => {
    const lines = Array.from({ length: 251 }, (_, i): [number, ...number[]] => [Kind.line, i, 0, 0, i, 1, 0]);
    const features = featuresOf(packed(...lines, [Kind.point, 1, 2, 0], [Kind.text, 3, 4, 0, 0.5, 0.1, 0], [Kind.insert, 5, 6, 0, 0, 0]), [
        'EL 4.20',
    ]);
    expect(features).toHaveLength(4);
    const [full, rest, dot, text] = features;
    const lineOf = (f: typeof full) => f?.getGeometry() as MultiLineString;
    const count = (f: typeof full) => lineOf(f).getEnds().length;
    expect([count(full), count(rest)]).toEqual([250, 1]);
    expect(lineOf(rest).getFlatCoordinates()).toEqual([250, 0, 250, 1]);
    expect(dot?.get('dot')).toBe(true);
    expect([text?.get('text'), text?.get('height'), text?.get('rotation')]).toEqual(['EL 4.20', 0.5, 0.1]);
});
