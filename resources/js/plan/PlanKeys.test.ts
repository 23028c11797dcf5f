import type OlMap from 'ol/Map';
import VectorSource from 'ol/source/Vector';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { PlacedThing } from './crowd';
import { Picker } from './Picker';
import { PlanKeys } from './PlanKeys';
import { packed } from './packed.testing';
import { Kind } from './shapes';
import { SnapIndex } from './snap';

const VIEW = { getCenter: () => [0, 0], getResolution: () => 0.1 };
/** Twenty metres wide and high, its middle at 0, 0. */
const MAP = { getView: () => VIEW, getSize: () => [200, 200], getPixelFromCoordinate: (c: number[]) => c } as unknown as OlMap;
const walls = { id: 7, name: 'WALLS', strings: [], shapes: packed([Kind.line, 1, 0, 0, 5, 0, 0], [Kind.line, 40, 0, 0, 44, 0, 0]) };
const point = (name: string, easting: number): PlacedThing => ({
    thing: { what: 'point', id: easting, name, state: 'open', origin: 'typed', chosen: false, colour: null, label: null },
    at: { northing: 0, easting },
});

describe('the plan by the keyboard', () => {
    const events = {
        onSpot: vi.fn(),
        onTake: vi.fn(),
        onBox: vi.fn(),
        onTouch: vi.fn(),
        onStep: vi.fn(),
        onMove: vi.fn(),
        onPoleDragged: vi.fn(),
    };
    let picker: Picker;
    let press: (key: string) => void;
    const said = () => events.onStep.mock.lastCall?.[0];

    beforeEach(() => {
        vi.resetAllMocks();
        picker = new Picker(
            new VectorSource(),
            events,
            () => 1,
            () => null,
        );
        picker.snap = new SnapIndex([walls]);
        let listener: (e: unknown) => void = () => undefined;
        const element = { addEventListener: (_: string, f: typeof listener) => (listener = f) } as unknown as HTMLElement;
        new PlanKeys(element, MAP, picker, events, () => [point('P2', 6), point('P1', -2)]);
        press = (key) => listener({ key, preventDefault: () => undefined });
    });

    it('steps from point to point, the nearest to the middle first, round and back, and Enter touches the one that is offered', () => {
        press('Enter');
        expect(events.onTouch).not.toHaveBeenCalled();
        press('.');
        expect(said()).toBe('point P1, 1 of 2');
        press('.');
        press('.');
        expect(said()).toBe('point P1, 1 of 2');
        press(',');
        expect(said()).toBe('point P2, 2 of 2');
        press('Enter');
        expect(events.onTouch).toHaveBeenCalledWith(expect.objectContaining({ name: 'P2' }), null, { northing: 0, easting: 6 }, []);
    });

    it('steps from spot to spot of what lies in view while a spot is wanted, and takes the one that is offered', () => {
        picker.picking = 'spot';
        press('.');
        press('.');
        expect(said()).toBe('middle of line, WALLS, 2 of 3');
        press('Enter');
        expect(events.onTake).toHaveBeenCalledWith(
            expect.objectContaining({ spot: expect.objectContaining({ kind: 'middle', x: 3, y: 0 }) }),
        );
    });

    it('steps from piece to piece while one is wanted', () => {
        picker.picking = 'piece';
        press('.');
        expect(said()).toBe('line, WALLS, 1 of 1');
        press('Enter');
        expect(events.onTake).toHaveBeenCalledWith(expect.objectContaining({ piece: expect.objectContaining({ layerId: 7, shape: 0 }) }));
    });

    it('says so where there is nothing', () => {
        picker.snap = new SnapIndex([]);
        picker.picking = 'spot';
        press('.');
        expect(said()).toBe('Nothing to step to is in view.');
    });
});
