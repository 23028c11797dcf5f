import { InstancedMesh, type Mesh, PerspectiveCamera, Plane, Raycaster, Vector3 } from 'three';
import { describe, expect, it, vi } from 'vitest';
import type { Bodies } from './bodies';
import { SpaceDots } from './SpaceDots';
import { SpaceModel } from './SpaceModel';

// A picture is drawn by a browser.
vi.mock('./sprites', () => ({ INK: { line: '#000', ground: '#fff', blue: '#00f', red: '#f00', green: '#0f0' }, sprite: () => null }));

/** A square plate about its origin, seen from above: two triangles. */
const plate = (half: number) => ({
    corners: new Float32Array([-half, -half, 0, half, -half, 0, half, half, 0, -half, half, 0]),
    triangles: new Uint32Array([0, 1, 2, 0, 2, 3]),
    closed: true,
});
const at = (x: number, mirrored = false) => new Float32Array([mirrored ? -1 : 1, 0, 0, x, 0, 1, 0, 0, 0, 0, 1, 0]);

/** Three alike, one of them mirrored, and two that stand once. */
const bodies: Bodies = {
    origin: [1000, 2000, 5],
    heights: [5, 5],
    storeys: [''],
    classes: ['Plate'],
    things: [0, 1, 2, 3, 4].map((i) => ({ instance: 10 + i, name: `P${i}`, class: 'Plate', type: '', storey: '', size: [1, 1, 0] })),
    solids: [plate(0.5), plate(1), plate(2)],
    standing: [
        { thing: 0, solid: 0, frame: at(0) },
        { thing: 1, solid: 0, frame: at(10, true) },
        { thing: 2, solid: 0, frame: at(20) },
        { thing: 3, solid: 1, frame: at(30) },
        { thing: 4, solid: 2, frame: at(40, true) },
    ],
    whole: true,
};
const hit = (model: SpaceModel, x: number, planes: Plane[] = []) => {
    model.group.updateMatrixWorld(true);
    return model.hit(new Raycaster(new Vector3(x, 0.1, 9), new Vector3(0, 0, -1)), planes)?.thing ?? null;
};

describe('a model in space', () => {
    it('tells which thing is under a ray, whether it stands often, once, or mirrored', () => {
        const model = new SpaceModel(bodies);
        model.show(() => true, [], false);
        expect([0.1, 10.1, 20.1, 30.1, 41.5, 5].map((x) => hit(model, x))).toEqual([0, 1, 2, 3, 4, null]);
    });

    it('hides what is not wanted, and looks past what a plane has cut away', () => {
        const model = new SpaceModel(bodies);
        model.show((t) => t !== 3, [], false);
        expect(hit(model, 30.1)).toBeNull();
        expect(hit(model, 0.1, [new Plane(new Vector3(0, 0, 1), -1)])).toBeNull();
        expect(model.boxOf(null).max.x).toBeCloseTo(42);
        expect(model.boxOf(1).min.x).toBeCloseTo(9.5);
    });

    it('draws the largest alone while it is thinned, and all of it again', () => {
        const model = new SpaceModel(bodies);
        model.show(() => true, [], false);
        const instances = () =>
            model.group.children.filter((c): c is InstancedMesh => c instanceof InstancedMesh).reduce((n, m) => n + m.count, 0);
        const merged = () =>
            (model.group.children.find((c) => 'geometry' in c && !(c instanceof InstancedMesh) && (c as Mesh).isMesh) as Mesh).geometry
                .drawRange.count;
        model.thin(0.2);
        expect([instances(), merged()]).toEqual([0, 6]);
        model.thin(1);
        expect([instances(), merged()]).toEqual([3, 12]);
    });
});

describe('spots to be touched', () => {
    it('takes the nearest within a thumb, and none behind the eye', () => {
        const camera = new PerspectiveCamera(45, 1, 0.1, 100);
        camera.position.set(0, 0, 10);
        camera.updateMatrixWorld();
        const dots = new SpaceDots([1000, 2000, 5], 1);
        dots.show({
            spots: [
                { place: [1000, 2000, 5], chosen: false },
                { place: [1000.3, 2000, 5], chosen: true },
                { place: [1000, 2000, 25], chosen: false },
            ],
        });
        const canvas = { left: 100, top: 50, width: 400, height: 400 } as DOMRect;
        expect(dots.spotAt(300, 250, canvas, camera)).toBe(0);
        expect(dots.spotAt(314, 250, canvas, camera)).toBe(1);
        expect(dots.spotAt(300, 320, canvas, camera)).toBeNull();
        dots.clear();
        expect(dots.group.children).toEqual([]);
    });
});
