import Point from 'ol/geom/Point';
import type MapBrowserEvent from 'ol/MapBrowserEvent';
import { describe, expect, it, vi } from 'vitest';
import { Dragging } from './Dragging';

const at = (x: number, y: number) =>
    ({ coordinate: [x, y], stopPropagation: vi.fn() }) as unknown as MapBrowserEvent<PointerEvent> & {
        stopPropagation: ReturnType<typeof vi.fn>;
    };

describe('dragging on the plan', () => {
    it('takes hold of what is near, keeps hold of it far away, and says where it was let go', () => {
        const moved = vi.fn();
        const point = new Point([10, 20]);
        const dragging = new Dragging([{ find: () => point, onMoved: moved }], () => 1);
        dragging.grip([11, 20]);
        const first = at(30, 40);
        dragging.drag(first);
        expect(first.stopPropagation).toHaveBeenCalled();
        dragging.drag(at(50, 60));
        expect(point.getCoordinates()).toEqual([50, 60]);
        dragging.letGo();
        expect(moved).toHaveBeenLastCalledWith({ northing: 60, easting: 50 });
    });

    it('goes on with a thing that is drawn anew while it is held', () => {
        let point = new Point([0, 0]);
        const dragging = new Dragging([{ find: () => point, onMoved: () => undefined }], () => 1);
        dragging.grip([0, 0]);
        point = new Point([0, 0]);
        dragging.drag(at(7, 8));
        expect(point.getCoordinates()).toEqual([7, 8]);
    });

    it('leaves the plan to pan where nothing is near, or what is there may not be moved', () => {
        const moved = vi.fn();
        const dragging = new Dragging(
            [
                { find: () => new Point([10, 20]), onMoved: moved },
                { find: () => null, onMoved: moved },
            ],
            () => 1,
        );
        dragging.grip([0, 0]);
        const e = at(0, 0);
        dragging.drag(e);
        dragging.letGo();
        expect(e.stopPropagation).not.toHaveBeenCalled();
        expect(moved).not.toHaveBeenCalled();
    });
});
