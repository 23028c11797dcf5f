import { describe, expect, it } from 'vitest';
import type { ControlPoint, SetupState } from '../api/client';
import { evidenceOf } from './evidence';

const mark = (name: string, northing: number, easting: number) => ({ name, northing, easting }) as ControlPoint;
const residual = (name: string, found: [number, number] | null, used = true) => ({ name, found, usedForPlan: used, usedForHeight: false });

function state(more: object = {}, solution: object | null = {}): SetupState {
    return {
        draft: { sights: [{ name: 'A' }, { name: 'B' }], shots: [], lines: [], place: 0, nextName: 'ST1', ...more },
        places: [{ station: { mark: { northing: 0, easting: 0 } }, shots: [] }],
        solution: solution && {
            station: { mark: { northing: 0, easting: 0 } },
            placeFound: true,
            ellipse: { major: 0.002, minor: 0.001, azimuth: 0 },
            residuals: [residual('A', [0.005, 0]), residual('B', [0, -0.01], false)],
            ...solution,
        },
    } as unknown as SetupState;
}

const control = [mark('A', 100, 0), mark('B', 0, 50)];

describe('what a setup rests on, on the plan', () => {
    it('has a ray to each mark, another for one that is not used', () => {
        const drawn = evidenceOf(state(), control);
        const rays = drawn?.figure.evidence?.filter((e) => e.as === 'ray' || e.as === 'unused');
        expect(rays).toEqual([
            { flat: [0, 0, 0, 100], as: 'ray' },
            { flat: [0, 0, 50, 0], as: 'unused' },
        ]);
    });

    it('draws residuals from the mark to where the sight found it, as large as is told', () => {
        const drawn = evidenceOf(state(), control);
        // The largest, 10 mm, is drawn as an eighth of the longest sight, down to a round factor: 0.12 × 100 / 0.010 = 1200.
        expect(drawn?.times).toBe(1000);
        const arrows = drawn?.figure.evidence
            ?.filter((e) => e.as === 'residual')
            .map((e) => e.flat.slice(0, 4).map((x) => Math.round(x * 1e6) / 1e6));
        expect(arrows).toEqual([
            [0, 100, 0, 105],
            [50, 0, 40, 0],
        ]);
    });

    it('does not blow small things up to look like much', () => {
        expect(
            evidenceOf(
                state({}, { residuals: [residual('A', [0.0001, 0])], ellipse: { major: 0.0001, minor: 0.0001, azimuth: 0 } }),
                control,
            )?.times,
        ).toBe(2000);
    });

    it('has no ellipse where no place was found, and no arrow where none was kept', () => {
        const as = evidenceOf(state({}, { placeFound: false, residuals: [residual('A', null)] }), control)?.figure.evidence?.map(
            (e) => e.as,
        );
        expect(as).not.toContain('ellipse');
        expect(as?.filter((x) => x === 'residual')).toHaveLength(1);
    });

    it('shows both places where two fit, the chosen one first', () => {
        const two = {
            ...state(),
            places: [10, 20].map((northing) => ({ station: { mark: { northing, easting: 0 } }, shots: [] })),
        } as unknown as SetupState;
        expect(evidenceOf(two, control)?.figure.places.map((p) => [p.label, p.quiet])).toEqual([
            ['Place 1 (chosen)', false],
            ['Place 2', true],
        ]);
    });

    it('draws the lines that are shot at before anything is found, and nothing where nothing is', () => {
        const line = { name: 'A', northing1: 1, easting1: 2, northing2: 3, easting2: 4 };
        expect(evidenceOf(state({ lines: [line] }, null), control)?.figure.evidence).toEqual([{ flat: [2, 1, 4, 3], as: 'siteLine' }]);
        expect(evidenceOf(state({}, null), control)).toBeNull();
    });
});
