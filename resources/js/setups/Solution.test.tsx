// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { draw, FEET_INCHES, METRIC, said } from '../tests/screen';
import { Solution } from './Solution';

type Found = Schemas['SolutionEntry'];

const SOLUTION = {
    station: { mark: { northing: 1000.1234, easting: 2000.5, elevation: 10.25 }, orientation: Math.PI / 2, instrumentHeight: 1.6 },
    oriented: true,
    placeFound: true,
    passes: true,
    orientationDeviation: 5e-6,
    northingDeviation: 0.001,
    eastingDeviation: 0.0012,
    heightDeviation: 0.0008,
    ellipse: { major: 0.0031, minor: 0.0024, azimuth: 0.5 },
    farthest: 80,
    reaches: 0.0042,
    unitWeightDeviation: 1.1,
    redundancy: 3,
    afterwards: null,
    residuals: [],
    shots: [],
    correlation: null,
    scale: 1,
    cautions: [],
} as unknown as Found;

const drawn = (part: Partial<Found> = {}, more: { weakness?: string; beyond?: string[]; explained?: boolean } = {}, units = METRIC) =>
    draw(
        <Solution
            solution={{ ...SOLUTION, ...part }}
            explained={more.explained ?? false}
            weakness={more.weakness ?? null}
            beyond={{ names: more.beyond ?? [], limit: 0.005 }}
            times={null}
        />,
        {},
        units,
    );

describe('what would be accepted', () => {
    it('says the place, the circle and how far both are to be trusted', () => {
        drawn();
        expect(said()).toContain('1000.123');
        expect(said()).toContain('It fits. Within 3.1 mm here, 4.2 mm at the farthest open point (80.000 m), in 95 of 100 cases.');
        expect(said()).toMatch(/Circle zero at 90°00′00/);
        expect(said()).toMatch(/1\.1 times what the instrument’s accuracy explains, from 3 spare observations/);
    });

    it('says no figure of trust where the sights do not fit', () => {
        drawn({ passes: false });
        expect(said()).toContain('The sights do not fit: how far it may be wrong cannot be said.');
        expect(said()).not.toMatch(/Within 3\.1 mm here|Standard deviation/);
    });

    it('puts what the project does not accept before what is weak, and either before the figure', () => {
        drawn({}, { beyond: ['CP2', 'line B'], weakness: 'Two marks alone.' });
        expect(said()).toContain('CP2, line B are off by more than the 5.0 mm that this project accepts');
        expect(said()).not.toContain('It fits.');
    });

    it('says a weakness once in the sentence and once as a caution', () => {
        drawn({}, { weakness: 'Two marks alone.' });
        expect(said().split('Two marks alone.')).toHaveLength(3);
    });

    it('says that nothing checks it, and that there is no orientation', () => {
        drawn({ passes: null, oriented: false, redundancy: 1 });
        expect(said()).toContain('Nothing checks it.');
        expect(said()).toContain('No orientation yet');
        expect(said()).toContain('1 spare observation.');
    });

    it('leaves the sentence to the doctor where the cause is told already', () => {
        drawn({ passes: false }, { explained: true });
        expect(said()).not.toContain('The sights do not fit: how far');
    });

    it('speaks feet and inches, easting first, where the project does', () => {
        drawn({}, {}, FEET_INCHES);
        const text = said();
        expect(text.indexOf('6563')).toBeGreaterThan(-1);
        expect(text.indexOf('6563')).toBeLessThan(text.indexOf('3281'));
        expect(text).not.toMatch(/\d m\b|\d mm\b/);
    });
});
