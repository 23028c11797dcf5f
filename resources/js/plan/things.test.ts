import { describe, expect, it } from 'vitest';
import type { ControlPoint, Design, Mark, Schemas, StakeoutPoint, Units } from '../api/client';
import { drawnDesigns, otherDesign, thingsOf } from './things';

const design = (name: string, more: Partial<Design> = {}) =>
    ({ name, active: false, current: true, role: 'design', extent: [0, 0, 10, 10], ...more }) as Design;

describe('which designs are drawn', () => {
    it('the active one and the backgrounds, none that was revised; all where none is active', () => {
        const designs = [
            design('old', { current: false, active: true }),
            design('A', { active: true }),
            design('B'),
            design('M', { role: 'background' }),
        ];
        expect(drawnDesigns(designs).map((d) => d.name)).toEqual(['A', 'M']);
        expect(drawnDesigns([design('A'), design('B')]).map((d) => d.name)).toEqual(['A', 'B']);
    });

    it('says when a place lies in another than the active one', () => {
        const designs = [design('Hall', { active: true }), design('Yard', { extent: [20, 0, 30, 10] })];
        const said = (easting: number) => otherDesign(designs, { easting, northing: 5 }, 'The pole');
        expect(said(5)).toBeNull();
        expect(said(25)).toBe('The pole lies in “Yard”, and “Hall” is the active design.');
        expect(said(50)).toBeNull();
        expect(otherDesign(designs, null, 'The pole')).toBeNull();
        expect(otherDesign([design('Yard')], { easting: 5, northing: 5 }, 'The pole')).toBeNull();
    });
});

describe('what stands on the plan', () => {
    const units = { length: 'm' } as Units;
    const labels = { name: true, code: false, elevation: true };
    const point = (id: number, more: Partial<StakeoutPoint> = {}) =>
        ({
            id,
            name: `P${id}`,
            code: '',
            elevation: 4.2,
            stakes: 0,
            state: 'open',
            origin: 'typed',
            labelEast: null,
            labelNorth: null,
            ...more,
        }) as StakeoutPoint;
    const control = [{ id: 1, name: 'CP1', code: '', elevation: null }] as ControlPoint[];
    const marks = [
        { id: 5, kind: 'as_built', name: 'X', verdict: 'in', found: {} },
        { id: 6, kind: 'check', name: 'CP1', verdict: 'in', found: {} },
    ] as Mark[];
    const things = (stage: string, target: number | null = null, codes: Schemas['CodeResource'][] = []) =>
        thingsOf(
            control,
            [point(1), point(2, { stakes: 1, state: 'done', code: 'AB' })],
            marks,
            stage,
            target,
            labels,
            units,
            new Set([2]),
            codes,
        ).map((t) => t.thing);

    it('leaves out what is done while staking, and shows it while preparing', () => {
        expect(things('stake').map((t) => ('name' in t ? t.name : ''))).toEqual(['CP1', 'P1 · El 4.200 m']);
        expect(things('prepare').map((t) => ('state' in t ? t.state : t.what))).toEqual(['control', 'open', 'done']);
    });

    it('names the target of a stake, also where it was staked before', () => {
        expect(things('stake', 2).map((t) => ('state' in t ? t.state : t.what))).toEqual(['control', 'open', 'target']);
        expect(things('as-built', 2).map((t) => t.what)).toEqual(['control', 'point', 'mark']);
    });

    it('puts marks there when they are looked at, and never a check', () => {
        expect(things('hand-over').filter((t) => t.what === 'mark')).toMatchObject([{ id: 5, verdict: 'in' }]);
    });

    it('gives a point the sign and the colour of its code, and says which are chosen', () => {
        const [, , coded] = things('prepare', null, [{ code: 'AB', mark: '⊕', colour: '#a04020' } as Schemas['CodeResource']]);
        expect(coded).toMatchObject({ name: '⊕ P2 · El 4.200 m', colour: '#a04020', chosen: true });
    });
});
