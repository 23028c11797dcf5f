import {
    AmbientLight,
    BufferAttribute,
    BufferGeometry,
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
    Raycaster,
    Scene,
    SphereGeometry,
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

/** Tints of classes, apart in grey as well as in colour. */
const TINTS = ['#c9bfa8', '#8fa3b5', '#b58f7a', '#6f7f6a', '#ded4c0', '#9a86a0', '#a9a9a2', '#73685a'];
const MARKS = { control: '#1f1c17', point: '#1f5fa8', pole: '#b3261e', instrument: '#1f5fa8' } as const;
const TOUCHED = new Color('#1f5fa8');
/** Where more stands, edges in ink cost more than they show. */
const EDGES_UP_TO = 3000;
/** How far beside a thing a thumb may touch, pixels. */
const THUMB = 16;
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
    private readonly cut = new Plane(new Vector3(0, 0, -1), Number.POSITIVE_INFINITY);
    private meshes: { mesh: InstancedMesh; things: number[] }[] = [];
    /** of each thing, by its class */
    private readonly tints: Color[];
    private marked: readonly SpaceMark[] = [];
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
        this.scene.add(sun, this.model, this.marks);
        this.camera.up.set(0, 0, 1);
        this.controls = new OrbitControls(this.camera, canvas);
        this.controls.addEventListener('change', () => this.draw());
        // Come nearer, marks would cover what they stand on.
        this.controls.addEventListener('end', () => this.mark(this.marked));
        this.show(() => true);
        this.lookAtAll();
    }

    /** Only those things that are wanted. */
    show(wanted: (thing: number) => boolean): void {
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
        const clippingPlanes = [this.cut];
        for (const standing of bySolid.values()) {
            const [first] = standing;
            const solid = this.bodies.solids[first?.solid ?? 0] as Solid;
            if (!first || solid.triangles.length === 0) {
                continue;
            }
            const geometry = geometryOf(solid);
            // Mirrored ones are seen from within: both sides are drawn.
            const material = new MeshLambertMaterial({ color: '#ffffff', side: DoubleSide, flatShading: true, clippingPlanes });
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
        this.draw();
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
        this.renderer.localClippingEnabled = elevation !== null;
        this.draw();
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

    /** The thing under a place of the canvas, or else within a thumb of it, lit up; null where there is none. */
    touch(clientX: number, clientY: number): number | null {
        let thing = this.thingAt(clientX, clientY);
        for (let k = 0; k < 16 && thing === null; k++) {
            const reach = k < 8 ? THUMB / 2 : THUMB;
            thing = this.thingAt(clientX + reach * Math.cos((k * Math.PI) / 4), clientY + reach * Math.sin((k * Math.PI) / 4));
        }
        this.light(thing);
        return thing;
    }

    private thingAt(clientX: number, clientY: number): number | null {
        const box = this.canvas.getBoundingClientRect();
        const ray = new Raycaster();
        ray.setFromCamera(new Vector2((2 * (clientX - box.left)) / box.width - 1, 1 - (2 * (clientY - box.top)) / box.height), this.camera);
        const hit = ray
            .intersectObjects(
                this.meshes.map((m) => m.mesh),
                false,
            )
            .find((h) => !this.renderer.localClippingEnabled || this.cut.distanceToPoint(h.point) >= 0);
        const of = this.meshes.find((m) => m.mesh === hit?.object);
        return of?.things[hit?.instanceId ?? -1] ?? null;
    }

    private light(thing: number | null): void {
        for (const { mesh, things } of this.meshes) {
            things.forEach((t, i) => {
                mesh.setColorAt(i, t === thing ? TOUCHED : (this.tints[t] ?? TOUCHED));
            });
            if (mesh.instanceColor) {
                mesh.instanceColor.needsUpdate = true;
            }
        }
        this.draw();
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
        this.controls.target.copy(middle);
        this.camera.position.copy(middle).add(new Vector3(-0.29, -0.6, 0.46).multiplyScalar(reach));
        this.camera.near = reach / 2000;
        this.camera.far = reach * 20;
        this.camera.updateProjectionMatrix();
        this.controls.update();
        this.draw();
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
                this.renderer.render(this.scene, this.camera);
            }
        });
    }

    dispose(): void {
        this.gone = true;
        this.clear(this.model);
        this.clear(this.marks);
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

function geometryOf({ corners, triangles }: Solid): BufferGeometry {
    return new BufferGeometry().setAttribute('position', new BufferAttribute(corners, 3)).setIndex(new BufferAttribute(triangles, 1));
}

/** Rows of four as columns of four. */
const columns = (f: Float32Array): number[] =>
    [0, 1, 2, 3].flatMap((k) => [f[k] as number, f[4 + k] as number, f[8 + k] as number, k === 3 ? 1 : 0]);
