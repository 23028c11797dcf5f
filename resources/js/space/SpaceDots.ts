import { BufferAttribute, BufferGeometry, type Camera, Group, Points, PointsMaterial, Vector3 } from 'three';
import { type Look, sprite } from './sprites';

/** A place that was touched, metres of the site: east, north, height. */
export type Place = readonly [number, number, number];

/** A spot of the touched thing: shown as a ring, filled once it is chosen. */
export interface SpaceSpot {
    place: Place;
    chosen: boolean;
}

/** A shot on a face of a thing. */
export interface SpaceShot {
    place: Place;
    look: Extract<Look, 'in' | 'before' | 'behind'>;
}

/** How near to a spot a thumb may touch, and how large it is drawn, pixels. */
const SPOT_REACH = 22;
const SPOT_SIZE = 22;
const FOUND_SIZE = 9;
const SHOT_SIZE = 18;

interface Shown {
    spots: readonly SpaceSpot[];
    /** where points would be: east, north and height in turn */
    found: ArrayLike<number>;
    shots: readonly SpaceShot[];
}

/** Spots that can be touched, places where points would be, and shots on faces: of one size however far away, before everything else. */
export class SpaceDots {
    readonly group = new Group();
    private shown: Shown = { spots: [], found: [], shots: [] };

    constructor(
        private readonly origin: Place,
        private readonly pixelRatio: number,
    ) {}

    /** Those that are given, in place of what was shown of their kind. */
    show(some: Partial<Shown>): void {
        this.shown = { ...this.shown, ...some };
        this.clear();
        const { spots, found, shots } = this.shown;
        const at = (places: readonly { place: Place }[]) => places.flatMap((p) => this.local(p.place));
        this.dot(at(shots.filter((s) => s.look === 'in')), 'in', SHOT_SIZE);
        this.dot(at(shots.filter((s) => s.look === 'before')), 'before', SHOT_SIZE);
        this.dot(at(shots.filter((s) => s.look === 'behind')), 'behind', SHOT_SIZE);
        this.dot(
            Array.from(found, (v, i) => v - (this.origin[i % 3] as number)),
            'found',
            FOUND_SIZE,
        );
        this.dot(at(spots.filter((s) => !s.chosen)), 'ring', SPOT_SIZE);
        this.dot(at(spots.filter((s) => s.chosen)), 'chosen', SPOT_SIZE);
    }

    private local([east, north, height]: Place): [number, number, number] {
        const [x, y, z] = this.origin;
        return [east - x, north - y, height - z];
    }

    private dot(at: number[], look: Look, size: number): void {
        if (at.length === 0) {
            return;
        }
        const geometry = new BufferGeometry().setAttribute('position', new BufferAttribute(new Float32Array(at), 3));
        const material = new PointsMaterial({
            size: size * this.pixelRatio,
            sizeAttenuation: false,
            map: sprite(look),
            transparent: true,
            depthTest: false,
        });
        this.group.add(new Points(geometry, material));
    }

    /** The number of the spot under a thumb, on a canvas that lies so; null where there is none. */
    spotAt(clientX: number, clientY: number, canvas: DOMRect, camera: Camera): number | null {
        let [best, least]: [number | null, number] = [null, SPOT_REACH];
        this.shown.spots.forEach((s, i) => {
            const v = new Vector3(...this.local(s.place)).project(camera);
            const apart = Math.hypot(
                canvas.left + ((v.x + 1) / 2) * canvas.width - clientX,
                canvas.top + ((1 - v.y) / 2) * canvas.height - clientY,
            );
            if (v.z < 1 && apart < least) {
                [best, least] = [i, apart];
            }
        });
        return best;
    }

    clear(): void {
        for (const o of [...this.group.children] as Points<BufferGeometry, PointsMaterial>[]) {
            o.geometry.dispose();
            o.material.dispose();
            o.removeFromParent();
        }
    }
}
