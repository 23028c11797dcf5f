import {
    AmbientLight,
    type Box3,
    type BufferGeometry,
    Color,
    DirectionalLight,
    Group,
    InstancedMesh,
    Matrix4,
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
import type { Bodies } from './bodies';
import { type Place, SpaceDots, type SpaceShot, type SpaceSpot } from './SpaceDots';
import { SpaceModel } from './SpaceModel';
import { INK } from './sprites';

/** Something of the site that stands in the model: control, a point, the pole, the instrument. */
export interface SpaceMark {
    easting: number;
    northing: number;
    elevation: number;
    what: 'control' | 'point' | 'pole' | 'instrument';
}

const MARKS = { control: INK.line, point: INK.blue, pole: INK.red, instrument: INK.blue } as const;
/** How far beside a thing a thumb may touch, pixels. */
const THUMB = 16;
/** Of a picture that takes longer only the largest things are drawn while one turns, milliseconds. */
const SLOW = 40;
/** At least this share of it. */
const LEAST = 0.03;
/** From where all of it is looked at first: from the south-west, above. */
const FROM = new Vector3(-0.29, -0.6, 0.46).normalize();
/** Radius of a mark, by how far away the camera is. */
const MARK = 0.006;

/** A building model drawn with WebGL: turned, cut, touched. Knows nothing of the page around it. */
export class SpaceScene {
    /** no graphics hardware draws it */
    readonly software: boolean;
    private readonly renderer: WebGLRenderer;
    private readonly scene = new Scene();
    private readonly camera = new PerspectiveCamera(45, 1, 0.05, 5000);
    private readonly controls: OrbitControls;
    private readonly model: SpaceModel;
    private readonly marks = new Group();
    private readonly dots: SpaceDots;
    private readonly cut = new Plane(new Vector3(0, 0, -1), Number.POSITIVE_INFINITY);
    /** six sides about a thing, looking inward; none where nothing is boxed */
    private box: Plane[] = [];
    private through = false;
    private lit: { touched: number | null; others: ReadonlySet<number> } = { touched: null, others: new Set() };
    private shown: (thing: number) => boolean = () => true;
    private moving = false;
    private thinned = false;
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
        this.model = new SpaceModel(bodies);
        this.software = drawsInSoftware();
        // Smooth edges take software as long again as all the rest.
        this.renderer = new WebGLRenderer({ canvas, antialias: !this.software });
        this.renderer.setPixelRatio(sharp());
        this.dots = new SpaceDots(bodies.origin, sharp());
        this.scene.background = new Color(ground);
        this.scene.add(new AmbientLight('#ffffff', 1.6));
        const sun = new DirectionalLight('#ffffff', 2.2);
        sun.position.set(-0.5, -1, 1.4);
        this.scene.add(sun, this.model.group, this.marks, this.dots.group);
        this.camera.up.set(0, 0, 1);
        this.controls = new OrbitControls(this.camera, canvas);
        this.controls.addEventListener('change', () => this.draw());
        this.controls.addEventListener('start', () => {
            this.moving = true;
        });
        this.controls.addEventListener('end', () => {
            this.moving = false;
            this.whole();
            // Come nearer, marks would cover what they stand on.
            this.mark(this.marked);
        });
        this.fit();
        this.show(() => true);
        this.lookAtAll();
    }

    /** Only those things that are wanted. */
    show(wanted: (thing: number) => boolean): void {
        this.shown = wanted;
        this.model.show(wanted, [this.cut, ...this.box], this.through);
        this.paint();
    }

    /** What stands above a height is cut away; metres of the site. */
    cutAt(elevation: number | null): void {
        this.cut.constant = elevation === null ? Number.MAX_VALUE : elevation - this.bodies.origin[2];
        this.clip();
    }

    /** Only what is near a thing, all about it; null for everything. */
    boxAbout(thing: number | null, margin: number): void {
        if (thing === null && this.box.length === 0) {
            return;
        }
        const about = thing === null ? null : this.model.boxOf(thing);
        const box = about && !about.isEmpty() ? about.expandByScalar(margin) : null;
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
        if (on === this.through) {
            return;
        }
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
        this.dots.show({ spots });
        this.draw();
    }

    /** Where points would be: east, north and height in turn. */
    showFound(found: ArrayLike<number>): void {
        this.dots.show({ found });
        this.draw();
    }

    /** Shots on faces: where each lies, and whether it is before the face, behind it, or as near as is allowed. */
    shot(shots: readonly SpaceShot[]): void {
        this.dots.show({ shots });
        this.draw();
    }

    /** The number of the spot under a thumb; null where there is none. */
    spotAt(clientX: number, clientY: number): number | null {
        return this.dots.spotAt(clientX, clientY, this.canvas.getBoundingClientRect(), this.camera);
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
        const hit = this.model.hit(ray, this.renderer.localClippingEnabled ? [this.cut, ...this.box] : []);
        const [x, y, z] = this.bodies.origin;
        return hit && { thing: hit.thing, place: [hit.point.x + x, hit.point.y + y, hit.point.z + z] };
    }

    /** The touched thing in full colour, those like it in half. */
    light(touched: number | null, others: ReadonlySet<number> = new Set()): void {
        this.lit = { touched, others };
        this.paint();
    }

    private paint(): void {
        this.model.paint(this.lit.touched, this.lit.others, this.through);
        this.draw();
    }

    /** Come near to one thing. */
    lookAt(thing: number): void {
        const box = this.model.boxOf(thing);
        if (!box.isEmpty()) {
            this.lookAtBox(box.expandByScalar(0.1 * box.getSize(new Vector3()).length()));
        }
    }

    middleOf(thing: number): Place {
        const box = this.model.boxOf(thing);
        const at = box.isEmpty() ? new Vector3() : box.getCenter(new Vector3());
        const [x, y, z] = this.bodies.origin;
        return [at.x + x, at.y + y, at.z + z];
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
        const box = this.model.boxOf(null);
        if (box.isEmpty()) {
            return;
        }
        const middle = box.getCenter(new Vector3());
        const reach = Math.max(1, box.getSize(new Vector3()).length());
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
                this.render();
            }
        });
    }

    /** While it is turned and cannot follow, the largest things alone are drawn; at rest all of them. */
    private render(): void {
        const begun = performance.now();
        this.renderer.render(this.scene, this.camera);
        if (this.moving && !this.thinned) {
            // What was asked for is waited for: only then is it known how long it takes.
            const gl = this.renderer.getContext();
            gl.readPixels(0, 0, 1, 1, gl.RGBA, gl.UNSIGNED_BYTE, new Uint8Array(4));
            const took = performance.now() - begun;
            if (took > SLOW) {
                this.thinned = true;
                this.model.thin(Math.max(LEAST, (0.6 * SLOW) / took));
            }
        }
    }

    private whole(): void {
        if (this.thinned) {
            this.thinned = false;
            this.model.thin(1);
            this.draw();
        }
    }

    dispose(): void {
        this.gone = true;
        this.model.clear();
        this.clear(this.marks);
        this.dots.clear();
        this.controls.dispose();
        this.renderer.dispose();
    }

    private clear(group: Group): void {
        for (const o of [...group.children] as (Object3D & { geometry?: BufferGeometry; material?: { dispose(): void } })[]) {
            o.geometry?.dispose();
            o.material?.dispose();
            o.removeFromParent();
        }
    }
}

function drawsInSoftware(): boolean {
    const gl = document.createElement('canvas').getContext('webgl2');
    const told = gl?.getExtension('WEBGL_debug_renderer_info');
    const name = gl && told ? String(gl.getParameter(told.UNMASKED_RENDERER_WEBGL)) : '';
    gl?.getExtension('WEBGL_lose_context')?.loseContext();
    return /swiftshader|llvmpipe|software|basic render/i.test(name);
}

const sharp = (): number => Math.min(2, window.devicePixelRatio);
