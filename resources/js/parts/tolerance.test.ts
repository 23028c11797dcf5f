import { describe, expect, it } from 'vitest';
import { allowedOf, heightToleranceOf } from './tolerance';

describe('what is allowed in height', () => {
    it('lies on the side of the difference', () => {
        const floor = { heightTolerance: 0.01, aboveTolerance: 0 };
        expect([0.002, -0.002, 0, null].map((h) => allowedOf(floor, h))).toEqual([0, 0.01, 0.01, 0.01]);
        expect(allowedOf({ heightTolerance: 0.01, aboveTolerance: null }, 0.002)).toBe(0.01);
    });

    it('is what a code says before what the project says', () => {
        const project = { heightTolerance: 0.008, aboveTolerance: 0.002 };
        expect(heightToleranceOf(project, undefined)).toEqual(project);
        expect(heightToleranceOf(project, { heightTolerance: 0.02, aboveTolerance: null })).toEqual({
            heightTolerance: 0.02,
            aboveTolerance: null,
        });
        expect(heightToleranceOf(project, { heightTolerance: null, aboveTolerance: 0 })).toEqual({
            heightTolerance: 0.008,
            aboveTolerance: 0,
        });
    });
});
