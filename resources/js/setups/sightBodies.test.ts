import { expect, it } from 'vitest';
import type { SetupState } from '../api/client';
import { readingsOf } from '../api/readings';
import { lineBodies, shotBodies, sightBodies } from './sightBodies';

const draft = {
    sights: [
        {
            controlId: 1,
            observationId: 11,
            plan: true,
            height: false,
            direction: true,
            useDistance: false,
            more: [12, 13],
            name: 'A',
            circle: 1,
            distance: 33.5,
        },
    ],
    shots: [{ line: 'A', observationId: 21, used: true, circle: 1 }],
    lines: [{ name: 'A', northing1: 0, easting1: 0, northing2: 1, easting2: 1, offset: 0.1, azimuth: 0.78 }],
} as unknown as SetupState['draft'];

it('sends of a sight what was decided of it, and never what was computed', () => {
    expect(sightBodies(draft)).toEqual([
        { controlId: 1, observationId: 11, plan: true, height: false, direction: true, distance: false, more: [12, 13] },
    ]);
    expect(shotBodies(draft)).toEqual([{ line: 'A', observationId: 21, used: true }]);
    expect(lineBodies(draft)).toEqual([{ name: 'A', northing1: 0, easting1: 0, northing2: 1, easting2: 1, offset: 0.1 }]);
});

it('knows every reading that the setup rests on, further rounds among them', () => {
    expect(readingsOf(draft)).toEqual([11, 12, 13, 21]);
});
