import {
    AmbientLight,
    Box3,
    BufferAttribute,
    BufferGeometry,
    CanvasTexture,
    Color,
    DirectionalLight,
    DoubleSide,
    EdgesGeometry,
    Group,
    InstancedMesh,
    LineBasicMaterial,
    LineSegments,
    Matrix4,
    type Mesh,
    MeshLambertMaterial,
    type Object3D,
    PerspectiveCamera,
    Plane,
    Points,
    PointsMaterial,
    Raycaster,
    Scene,
    SphereGeometry,
    SRGBColorSpace,
    Vector2,
    Vector3,
    WebGLRenderer,
} from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';
import type { Bodies, Solid, Standing } from './bodies';

/** Something of the site that stands in the model: control, a point, the pole, the instrument. */
export interface SpaceMark {
    easting: number;
    northing: number;
    elevation: number;
    what: 'control' | 'point' | 'pole' | 'instrument';
}

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
    look: 'in' | 'before' | 'behind';
}

/** Tints of classes, apart in grey as well as in colour. */
const TINTS = ['#c9bfa8', '#8fa3b5', '#b58f7a', '#6f7f6a', '#ded4c0', '#9a86a0', '#a9a9a2', '#73685a'];
const MARKS = { control: '#1f1c17', point: '#1f5fa8', pole: '#b3261e', instrument: '#1f5fa8' } as const;
const TOUCHED = new Color('#1f5fa8');
/** Where more stands, edges in ink cost more than they show. */
const EDGES_UP_TO = 3000;
/** How far beside a thing a thumb may touch, pixels. */
const THUMB = 16;
/** How near to a spot a thumb may touch, and how large it is drawn, pixels. */
const SPOT_REACH = 22;
const SPOT_SIZE = 22;
const FOUND_SIZE = 9;
const SHOT_SIZE = 18;
const INK = '#1f1c17';
const GROUND = '#ffffff';
/** How much is left of what is seen through. */
const THROUGH = 0.22;
/** From where all of it is looked at first: from the south-west, above. */
const FROM = new Vector3(-0.29, -0.6, 0.46).normalize();
/** Radius of a mark, by how far away the camera is. */
const MARK = 0.006;

/** A building model drawn with WebGL: turned, cut, touched. Knows nothing of the page around it. */
export class SpaceScene {
    private readonly renderer: WebGLRenderer;
    private readonly scene = new Scene();
    private readonly camera = new PerspectiveCamera(45, 1, 0.05, 5000);
    private readonly controls: OrbitControls;
    private readonly model = new Group();
    private readonly marks = new Group();
    private readonly dots = new Group();
    private readonly cut = new Plane(new Vector3(0, 0, -1), Number.POSITIVE_INFINITY);
    /** six sides about a thing, looking inward; none where nothing is boxed */
    private box: Plane[] = [];
    private through = false;
    private lit: { touched: number | null; others: ReadonlySet<number> } = { touched: null, others: new Set() };
    private shown: (thing: number) => boolean = () => true;
    private spots: readonly SpaceSpot[] = [];
    private found: ArrayLike<number> = [];
    private shots: readonly SpaceShot[] = [];
    private meshes: { mesh: InstancedMesh; things: number[] }[] = [];
    /** of each thing, by its class */
    private readonly tints: Color[];
    private marked: readonly SpaceMark[] = [];
    /** of all that is shown, metres */
    private reach = 1;
    private asked = false;
    private gone = false;

    /** @throws where the browser draws nothing in space */
    constructor(
        private readonly canvas: HTMLCanvasElement,
        private readonly bodies: Bodies,
        ground: string,
    ) {
        const ofClass = new Map(bodies.classes.map((c, i) => [c, new Color(TINTS[i % TINTS.length])]));
        this.tints = bodies.things.map((t) => ofClass.get(t.class) ?? TOUCHED);
        this.renderer = new WebGLRenderer({ canvas, antialias: true });
        this.renderer.setPixelRatio(Math.min(2, window.devicePixelRatio));
        this.scene.background = new Color(ground);
        this.scene.add(new AmbientLight('#ffffff', 1.6));
        const sun = new DirectionalLight('#ffffff', 2.2);
        sun.position.set(-0.5, -1, 1.4);
        this.scene.add(sun, this.model, this.marks, this.dots);
        this.camera.up.set(0, 0, 1);
        this.controls = new OrbitControls(this.camera, canvas);
        this.controls.addEventListener('change', () => this.draw());
        // Come nearer, marks would cover what they stand on.
        this.controls.addEventListener('end', () => this.mark(this.marked));
        this.fit();
        this.show(() => true);
        this.lookAtAll();
    }

    /** Only those things that are wanted. */
    show(wanted: (thing: number) => boolean): void {
        this.shown = wanted;
        this.clear(this.model);
        this.meshes = [];
        const bySolid = new Map<string, Standing[]>();
        for (const s of this.bodies.standing) {
            if (wanted(s.thing)) {
                const key = `${s.solid} ${this.bodies.things[s.thing]?.class}`;
                const known = bySolid.get(key);
                known ? known.push(s) : bySolid.set(key, [s]);
            }
        }
        const clippingPlanes = [this.cut, ...this.box];
        for (const standing of bySolid.values()) {
            const [first] = standing;
            const solid = this.bodies.solids[first?.solid ?? 0] as Solid;
            if (!first || solid.triangles.length === 0) {
                continue;
            }
            const geometry = geometryOf(solid);
            // Mirrored ones are seen from within: both sides are drawn.
            const material = new MeshLambertMaterial({
                color: '#ffffff',
                side: DoubleSide,
                flatShading: true,
                clippingPlanes,
                ...(this.through ? { transparent: true, opacity: THROUGH, depthWrite: false } : {}),
            });
            const mesh = new InstancedMesh(geometry, material, standing.length);
            const at = new Matrix4();
            standing.forEach((s, i) => {
                at.fromArray([...columns(s.frame)]);
                mesh.setMatrixAt(i, at);
                mesh.setColorAt(i, this.tints[s.thing] ?? TOUCHED);
            });
            this.model.add(mesh);
            this.meshes.push({ mesh, things: standing.map((s) => s.thing) });
            if (this.bodies.standing.length <= EDGES_UP_TO) {
                this.outline(geometry, standing, clippingPlanes);
            }
        }
        this.paint();
    }

    /** Sharp edges, as ink. */
    private outline(geometry: BufferGeometry, standing: readonly Standing[], clippingPlanes: Plane[]): void {
        const edges = new EdgesGeometry(geometry, 20).getAttribute('position');
        const places = new Float32Array(standing.length * edges.count * 3);
        const at = new Matrix4();
        const v = new Vector3();
        standing.forEach((s, i) => {
            at.fromArray([...columns(s.frame)]);
            for (let k = 0; k < edges.count; k++) {
                v.fromBufferAttribute(edges, k)
                    .applyMatrix4(at)
                    .toArray(places, 3 * (i * edges.count + k));
            }
        });
        const lines = new BufferGeometry().setAttribute('position', new BufferAttribute(places, 3));
        this.model.add(new LineSegments(lines, new LineBasicMaterial({ color: '#1f1c17', clippingPlanes })));
    }

    /** What stands above a height is cut away; metres of the site. */
    cutAt(elevation: number | null): void {
        this.cut.constant = elevation === null ? Number.MAX_VALUE : elevation - this.bodies.origin[2];
        this.clip();
    }

    /** Only what is near a thing, all about it; null for everything. */
    boxAbout(thing: number | null, margin: number): void {
        const box = thing === null ? null : this.boxOf(thing)?.expandByScalar(margin);
        this.box = box
            ? [
                  new Plane(new Vector3(1, 0, 0), -box.min.x),
                  new Plane(new Vector3(0, 1, 0), -box.min.y),
                  new Plane(new Vector3(0, 0, 1), -box.min.z),
                  new Plane(new Vector3(-1, 0, 0), box.max.x),
                  new Plane(new Vector3(0, -1, 0), box.max.y),
                  new Plane(new Vector3(0, 0, -1), box.max.z),
              ]
            : [];
        this.show(this.shown);
        this.clip();
        if (box) {
            this.lookAtBox(box);
        }
    }

    private clip(): void {
        this.renderer.localClippingEnabled = this.box.length > 0 || this.cut.constant < Number.MAX_VALUE;
        this.draw();
    }

    /** All but what is touched or found is seen through. */
    seeThrough(on: boolean): void {
        this.through = on;
        this.show(this.shown);
    }

    mark(marks: readonly SpaceMark[]): void {
        this.marked = marks;
        this.clear(this.marks);
        const [x, y, z] = this.bodies.origin;
        for (const what of Object.keys(MARKS) as (keyof typeof MARKS)[]) {
            const those = marks.filter((m) => m.what === what);
            const mesh = new InstancedMesh(new SphereGeometry(1, 12, 8), new MeshLambertMaterial({ color: MARKS[what] }), those.length);
            const reach = MARK * this.camera.position.distanceTo(this.controls.target) * (what === 'point' ? 0.35 : 1.4);
            those.forEach((m, i) => {
                mesh.setMatrixAt(
                    i,
                    new Matrix4().makeScale(reach, reach, reach).setPosition(m.easting - x, m.northing - y, m.elevation - z),
                );
            });
            this.marks.add(mesh);
        }
        this.draw();
    }

    /** Rings on the spots of the touched thing, before everything else. */
    offer(spots: readonly SpaceSpot[]): void {
        this.spots = spots;
        this.dot();
    }

    /** Where points would be: east, north and height in turn. */
    showFound(flat: ArrayLike<number>): void {
        this.found = flat;
        this.dot();
    }

    /** Shots on faces: where each lies, and whether it is before the face, behind it, or as near as is allowed. */
    shot(shots: readonly SpaceShot[]): void {
        this.shots = shots;
        this.dot();
    }

    private dot(): void {
        this.clear(this.dots);
        const [x, y, z] = this.bodies.origin;
        const found: number[] = [];
        for (let i = 0; i + 2 < this.found.length; i += 3) {
            found.push((this.found[i] ?? 0) - x, (this.found[i + 1] ?? 0) - y, (this.found[i + 2] ?? 0) - z);
        }
        const places = (chosen: boolean) =>
            this.spots.filter((s) => s.chosen === chosen).flatMap((s) => [s.place[0] - x, s.place[1] - y, s.place[2] - z]);
        const shotsOf = (look: SpaceShot['look']) =>
            this.shots.filter((s) => s.look === look).flatMap((s) => [s.place[0] - x, s.place[1] - y, s.place[2] - z]);
        for (const [at, look, size] of [
            [shotsOf('in'), 'in', SHOT_SIZE],
            [shotsOf('before'), 'before', SHOT_SIZE],
            [shotsOf('behind'), 'behind', SHOT_SIZE],
            [found, 'found', FOUND_SIZE],
            [places(false), 'ring', SPOT_SIZE],
            [places(true), 'chosen', SPOT_SIZE],
        ] as const) {
            if (at.length > 0) {
                const geometry = new BufferGeometry().setAttribute('position', new BufferAttribute(new Float32Array(at), 3));
                const material = new PointsMaterial({
                    size: size * this.renderer.getPixelRatio(),
                    sizeAttenuation: false,
                    map: sprite(look),
                    transparent: true,
                    depthTest: false,
                });
                this.dots.add(new Points(geometry, material));
            }
        }
        this.draw();
    }

    /** The number of the spot under a thumb; null where there is none. */
    spotAt(clientX: number, clientY: number): number | null {
        const frame = this.canvas.getBoundingClientRect();
        const [x, y, z] = this.bodies.origin;
        let [best, least]: [number | null, number] = [null, SPOT_REACH];
        this.spots.forEach((s, i) => {
            const v = new Vector3(s.place[0] - x, s.place[1] - y, s.place[2] - z).project(this.camera);
            const apart = Math.hypot(
                frame.left + ((v.x + 1) / 2) * frame.width - clientX,
                frame.top + ((1 - v.y) / 2) * frame.height - clientY,
            );
            if (v.z < 1 && apart < least) {
                [best, least] = [i, apart];
            }
        });
        return best;
    }

    /** The thing under a place of the canvas, or else within a thumb of it, and where it was hit; null where there is none. */
    touch(clientX: number, clientY: number): { thing: number; place: Place } | null {
        let hit = this.thingAt(clientX, clientY);
        for (let k = 0; k < 16 && hit === null; k++) {
            const reach = k < 8 ? THUMB / 2 : THUMB;
            hit = this.thingAt(clientX + reach * Math.cos((k * Math.PI) / 4), clientY + reach * Math.sin((k * Math.PI) / 4));
        }
        return hit;
    }

    private thingAt(clientX: number, clientY: number): { thing: number; place: Place } | null {
        const frame = this.canvas.getBoundingClientRect();
        const ray = new Raycaster();
        ray.setFromCamera(
            new Vector2((2 * (clientX - frame.left)) / frame.width - 1, 1 - (2 * (clientY - frame.top)) / frame.height),
            this.camera,
        );
        const planes = this.renderer.localClippingEnabled ? [this.cut, ...this.box] : [];
        const hit = ray
            .intersectObjects(
                this.meshes.map((m) => m.mesh),
                false,
            )
            .find((h) => planes.every((p) => p.distanceToPoint(h.point) >= 0));
        const thing = this.meshes.find((m) => m.mesh === hit?.object)?.things[hit?.instanceId ?? -1];
        const [x, y, z] = this.bodies.origin;
        return hit && thing !== undefined ? { thing, place: [hit.point.x + x, hit.point.y + y, hit.point.z + z] } : null;
    }

    /** The touched thing in full colour, those like it in half. */
    light(touched: number | null, others: ReadonlySet<number> = new Set()): void {
        this.lit = { touched, others };
        this.paint();
    }

    private paint(): void {
        const half = new Color();
        for (const { mesh, things } of this.meshes) {
            let any = false;
            things.forEach((t, i) => {
                const tint = this.tints[t] ?? TOUCHED;
                const like = this.lit.others.has(t);
                any ||= like || t === this.lit.touched;
                mesh.setColorAt(i, t === this.lit.touched ? TOUCHED : like ? half.copy(tint).lerp(TOUCHED, 0.5) : tint);
            });
            if (mesh.instanceColor) {
                mesh.instanceColor.needsUpdate = true;
            }
            const material = mesh.material as MeshLambertMaterial;
            material.opacity = this.through && !any ? THROUGH : 1;
        }
        this.draw();
    }

    /** Come near to one thing. */
    lookAt(thing: number): void {
        const box = this.boxOf(thing);
        if (box) {
            this.lookAtBox(box.expandByScalar(0.1 * box.getSize(new Vector3()).length()));
        }
    }

    middleOf(thing: number): Place {
        const at = this.boxOf(thing)?.getCenter(new Vector3()) ?? new Vector3();
        const [x, y, z] = this.bodies.origin;
        return [at.x + x, at.y + y, at.z + z];
    }

    private boxOf(thing: number): Box3 | null {
        const all = new Box3();
        for (const s of this.bodies.standing.filter((t) => t.thing === thing)) {
            const at = new Matrix4().fromArray([...columns(s.frame)]);
            const box = new Box3().setFromBufferAttribute(new BufferAttribute((this.bodies.solids[s.solid] as Solid).corners, 3));
            if (!box.isEmpty()) {
                all.union(box.applyMatrix4(at));
            }
        }
        return all.isEmpty() ? null : all;
    }

    private lookAtBox(box: Box3): void {
        const reach = Math.max(0.2, box.getSize(new Vector3()).length());
        const way = this.camera.position.clone().sub(this.controls.target).normalize();
        box.getCenter(this.controls.target);
        this.camera.position.copy(this.controls.target).addScaledVector(way, this.distanceFor(reach / 2));
        this.controls.update();
        this.mark(this.marked);
    }

    lookAtAll(): void {
        const [low, high] = [new Vector3(Infinity, Infinity, Infinity), new Vector3(-Infinity, -Infinity, -Infinity)];
        const at = new Matrix4();
        for (const { mesh } of this.meshes) {
            mesh.geometry.computeBoundingBox();
            for (let i = 0; i < mesh.count; i++) {
                mesh.getMatrixAt(i, at);
                const box = mesh.geometry.boundingBox?.clone().applyMatrix4(at);
                if (box) {
                    low.min(box.min);
                    high.max(box.max);
                }
            }
        }
        if (low.x > high.x) {
            return;
        }
        const middle = low.clone().add(high).multiplyScalar(0.5);
        const reach = Math.max(1, low.distanceTo(high));
        this.reach = reach;
        this.controls.target.copy(middle);
        this.camera.position.copy(middle).addScaledVector(FROM, this.distanceFor(reach / 2));
        this.controls.update();
        this.draw();
    }

    /** From which a ball of a radius is seen whole, whichever way the picture is long. */
    private distanceFor(radius: number): number {
        const half = (this.camera.fov * Math.PI) / 360;
        return (0.8 * radius) / Math.sin(Math.min(half, Math.atan(Math.tan(half) * this.camera.aspect)));
    }

    /** As large as the place it is given. */
    fit(): void {
        const { clientWidth: w, clientHeight: h } = this.canvas;
        if (w > 0 && h > 0) {
            this.renderer.setSize(w, h, false);
            this.camera.aspect = w / h;
            this.camera.updateProjectionMatrix();
            this.draw();
        }
    }

    /** Once for all that changed since the last picture. */
    private draw(): void {
        if (this.asked || this.gone) {
            return;
        }
        this.asked = true;
        requestAnimationFrame(() => {
            this.asked = false;
            if (!this.gone) {
                // Depth is told apart in a fixed number of steps: from near the eye to far behind it, faces would flicker through one another.
                const away = this.camera.position.distanceTo(this.controls.target);
                this.camera.near = away / 100;
                this.camera.far = 2 * away + 2 * this.reach;
                this.camera.updateProjectionMatrix();
                this.renderer.render(this.scene, this.camera);
            }
        });
    }

    dispose(): void {
        this.gone = true;
        this.clear(this.model);
        this.clear(this.marks);
        this.clear(this.dots);
        this.controls.dispose();
        this.renderer.dispose();
    }

    private clear(group: Group): void {
        for (const o of [...group.children] as (Object3D & { geometry?: BufferGeometry; material?: { dispose(): void } })[]) {
            o.geometry?.dispose();
            o.material?.dispose();
            (o as unknown as InstancedMesh | Mesh).removeFromParent();
        }
    }
}

const SPRITES = new Map<string, CanvasTexture>();

type Look = 'ring' | 'chosen' | 'found' | SpaceShot['look'];

/** Apart by shape as well as by colour: in is a disc, before a triangle that points up, behind one that points down. */
const FILLS: Record<Look, string> = {
    ring: GROUND,
    chosen: MARKS.point,
    found: MARKS.point,
    in: '#2f6b3a',
    before: MARKS.point,
    behind: MARKS.pole,
};

/** Drawn once for all. */
function sprite(look: Look): CanvasTexture {
    const known = SPRITES.get(look);
    if (known) {
        return known;
    }
    const canvas = document.createElement('canvas');
    canvas.width = canvas.height = 64;
    const pen = canvas.getContext('2d');
    if (pen) {
        pen.lineWidth = 8;
        pen.strokeStyle = INK;
        pen.fillStyle = FILLS[look];
        pen.beginPath();
        if (look === 'found') {
            pen.rect(8, 8, 48, 48);
        } else if (look === 'before' || look === 'behind') {
            const [tip, foot] = look === 'before' ? [8, 54] : [56, 10];
            pen.moveTo(32, tip);
            pen.lineTo(58, foot);
            pen.lineTo(6, foot);
            pen.closePath();
        } else {
            pen.arc(32, 32, 24, 0, 2 * Math.PI);
        }
        pen.fill();
        pen.stroke();
    }
    const texture = new CanvasTexture(canvas);
    texture.colorSpace = SRGBColorSpace;
    SPRITES.set(look, texture);
    return texture;
}

function geometryOf({ corners, triangles }: Solid): BufferGeometry {
    return new BufferGeometry().setAttribute('position', new BufferAttribute(corners, 3)).setIndex(new BufferAttribute(triangles, 1));
}

/** Rows of four as columns of four. */
const columns = (f: Float32Array): number[] =>
    [0, 1, 2, 3].flatMap((k) => [f[k] as number, f[4 + k] as number, f[8 + k] as number, k === 3 ? 1 : 0]);
