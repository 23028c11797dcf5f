import type MapBrowserEvent from 'ol/MapBrowserEvent';
import VectorSource from 'ol/source/Vector';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { PlanTaken } from './contract';
import type { PlanThing } from './marks';
import { Picker } from './Picker';
import { packed } from './packed.testing';
import { Kind } from './shapes';
import { SnapIndex, type Spot } from './snap';

const walls = { id: 7, name: 'WALLS', strings: [], shapes: packed([Kind.line, 0, 0, 0, 24, 0, 0], [Kind.line, 13, -5, 0, 13, 4, 0]) };
const at = (x: number, y: number) => ({ coordinate: [x, y], pixel: [x * 10, y * 10] }) as unknown as MapBrowserEvent;

describe('what a touch means', () => {
    let offered: VectorSource;
    let under: PlanThing | null;
    let picker: Picker;
    const onSpot = vi.fn<(spot: Spot | null, pixel: number[], of?: number) => void>();
    const onTake = vi.fn<(taken: PlanTaken) => void>();
    const told = () => onSpot.mock.lastCall?.[0] ?? null;
    const taken = () => onTake.mock.lastCall?.[0];

    beforeEach(() => {
        vi.resetAllMocks();
        offered = new VectorSource();
        under = null;
        const events = { onSpot, onTake, onBox: vi.fn(), onTouch: vi.fn(), onStep: vi.fn(), onMove: vi.fn(), onPoleDragged: vi.fn() };
        picker = new Picker(
            offered,
            events,
            () => 1,
            () => under,
        );
        picker.snap = new SnapIndex([walls]);
    });

    it('looks past whatever is of another kind than the piece that is wanted', () => {
        picker.snap = new SnapIndex([
            { id: 8, name: 'ANCHORS', strings: ['M24'], shapes: packed([Kind.insert, 5, 5, 0, 0, 0], [Kind.circle, 5, 5, 0, 0.3]) },
        ]);
        picker.picking = 'piece';
        picker.take(at(5.05, 5));
        expect(taken()?.piece).toMatchObject({ kind: 'insert' });
        picker.only = 'circle';
        picker.take(at(5.05, 5));
        expect(taken()?.piece).toMatchObject({ kind: 'circle', shape: 1 });
        expect(picker.piecesAround(5, 5, 2)).toHaveLength(1);
    });

    it('offers nothing while nothing is wanted', () => {
        picker.pointed(at(0.2, 0.1));
        expect(offered.getFeatures()).toHaveLength(0);
        expect(onSpot).not.toHaveBeenCalled();
    });

    it('shows the spot beforehand, and takes it', () => {
        picker.picking = 'spot';
        picker.pointed(at(0.2, 0.1));
        expect(told()).toMatchObject({ kind: 'start', x: 0, y: 0 });
        expect(offered.getFeatures()).toHaveLength(1);
        picker.take(at(0.2, 0.1));
        expect(taken()?.spot).toMatchObject({ kind: 'start', x: 0, y: 0 });
    });

    it('takes what lies under a finger, which shows nothing beforehand', () => {
        picker.picking = 'place';
        picker.take(at(13.1, 0.1));
        expect(taken()?.spot).toMatchObject({ kind: 'intersection', x: 13, y: 0 });
        picker.take(at(40, 40));
        expect(taken()).toMatchObject({ spot: null, thing: null, place: { northing: 40, easting: 40 } });
    });

    it('prefers a point to a spot, but not where only a spot will do', () => {
        under = { what: 'point', id: 3 } as unknown as PlanThing;
        picker.picking = 'place';
        picker.take(at(0.2, 0.1));
        expect(taken()).toMatchObject({ spot: null, thing: { id: 3 } });
        picker.picking = 'spot';
        picker.take(at(0.2, 0.1));
        expect(taken()).toMatchObject({ spot: { kind: 'start' }, thing: null });
    });

    it('offers the next of several spots under the pointer, and takes that one', () => {
        picker.picking = 'spot';
        picker.pointed(at(12.5, 0.1));
        const first = told();
        picker.next();
        const second = told();
        expect(second).not.toEqual(first);
        picker.take(at(12.5, 0.1));
        expect(taken()?.spot).toEqual(second);
    });

    it('takes the next in the place of the one before, where they were touched', () => {
        picker.picking = 'spot';
        picker.take(at(12.5, 0.1));
        const first = taken()?.spot;
        picker.next();
        expect(onTake).toHaveBeenCalledTimes(2);
        expect(taken()?.spot).not.toEqual(first);
        expect(taken()?.spot).toEqual(told());
    });

    it('lights again what was touched when the pointer leaves, whatever it passed over', () => {
        picker.picking = 'spot';
        picker.take(at(0.2, 0.1));
        const first = taken()?.spot;
        picker.pointed(at(23.9, 0.1));
        expect(told()).not.toEqual(first);
        picker.left();
        expect(told()).toEqual(first);
        expect(onTake).toHaveBeenCalledTimes(1);
    });

    it('gives nothing on to another field that asks meanwhile', () => {
        picker.picking = 'spot';
        picker.take(at(12.5, 0.1));
        picker.begin();
        picker.next();
        expect(onTake).toHaveBeenCalledTimes(1);
        picker.left();
        expect(told()).toBeNull();
    });

    it('takes a line with the layer it lies on', () => {
        picker.picking = 'piece';
        picker.take(at(5, 0.3));
        expect(taken()?.piece).toMatchObject({ layerId: 7, shape: 0 });
        expect(offered.getFeatures()).toHaveLength(1);
        picker.take(at(50, 50));
        expect(taken()?.piece).toBeNull();
        expect(offered.getFeatures()).toHaveLength(0);
    });

    it.each(['spot', 'piece'] as const)('takes back the offered %s when nothing is wanted any more', (kind) => {
        picker.picking = kind;
        picker.take(at(0.2, 0.1));
        expect(offered.getFeatures()).toHaveLength(1);
        picker.picking = null;
        expect(offered.getFeatures()).toHaveLength(0);
        expect(told()).toBeNull();
    });

    it('keeps what is offered while the same is wanted', () => {
        picker.picking = 'piece';
        picker.take(at(5, 0.3));
        picker.picking = 'piece';
        expect(offered.getFeatures()).toHaveLength(1);
    });

    it('takes nothing that was offered before the plan moved', () => {
        picker.picking = 'spot';
        picker.pointed(at(0.2, 0.1));
        picker.forget();
        expect(told()).toBeNull();
        expect(offered.getFeatures()).toHaveLength(0);
    });
});
