import {
    Box3,
    BufferAttribute,
    BufferGeometry,
    Color,
    DoubleSide,
    EdgesGeometry,
    FrontSide,
    Group,
    InstancedMesh,
    type Intersection,
    LineBasicMaterial,
    LineSegments,
    Matrix4,
    Mesh,
    MeshLambertMaterial,
    type Plane,
    type Raycaster,
    Vector3,
} from 'three';
import type { Bodies, Solid, Standing } from './bodies';
import { INK } from './sprites';

/** Tints of classes, apart in grey as well as in colour. */
const TINTS = ['#c9bfa8', '#8fa3b5', '#b58f7a', '#6f7f6a', '#ded4c0', '#9a86a0', '#a9a9a2', '#73685a'];
export const TOUCHED = new Color(INK.blue);
/** Where more stands, edges in ink cost more than they show. */
const EDGES_UP_TO = 3000;
/** Corners drawn in one go. */
const AT_ONCE = 200_000;
/** How much is left of what is seen through. */
const THROUGH = 0.22;

/** How things are drawn together, which of them a ray has hit, and in which colours they are. */
interface Drawn {
    mesh: Mesh;
    things: readonly number[];
    thingOf: (hit: Intersection) => number | undefined;
    paint: (colourOf: (thing: number) => Color) => void;
    /** how much each weighs, the heaviest first, with its triangles */
    weights: readonly { weight: number; triangles: number }[];
    /** draws only so many of the first of them */
    first: (count: number) => void;
}

/** The solids of a model: what stands often is drawn once and set up as often as it stands, what stands once is drawn together. */
export class SpaceModel {
    readonly group = new Group();
    private drawn: Drawn[] = [];
    /** of each thing, by its class */
    private readonly tints: Color[];
    private readonly byThing = new Map<number, Standing[]>();
    private readonly weighed = new Map<Standing, number>();

    constructor(private readonly bodies: Bodies) {
        const ofClass = new Map(bodies.classes.map((c, i) => [c, new Color(TINTS[i % TINTS.length])]));
        this.tints = bodies.things.map((t) => ofClass.get(t.class) ?? TOUCHED);
        for (const s of bodies.standing) {
            const known = this.byThing.get(s.thing);
            known ? known.push(s) : this.byThing.set(s.thing, [s]);
        }
    }

    /** Only those things that are wanted, cut by planes, seen through or not. */
    show(wanted: (thing: number) => boolean, clippingPlanes: Plane[], through: boolean): void {
        this.clear();
        const bySolid = new Map<number, Standing[]>();
        for (const s of this.bodies.standing) {
            if (wanted(s.thing) && this.solid(s).triangles.length > 0) {
                const known = bySolid.get(s.solid);
                known ? known.push(s) : bySolid.set(s.solid, [s]);
            }
        }
        // What has an inside is seen from outside, until it is cut.
        const cut = through || clippingPlanes.some((p) => p.constant < Number.MAX_VALUE);
        const sided = (some: readonly Standing[]) => (!cut && some.every((s) => this.solid(s).closed) ? FrontSide : DoubleSide);
        const look = { flatShading: true, clippingPlanes };
        const fade = through ? { transparent: true, opacity: THROUGH, depthWrite: false } : {};
        const edged = this.bodies.standing.length <= EDGES_UP_TO;
        const edges: number[] = [];
        let single: Standing[] = [];
        let corners = 0;
        const together = () => {
            if (single.length > 0) {
                this.add(
                    this.merged(
                        heaviestFirst(single, this.weightOf),
                        new MeshLambertMaterial({ vertexColors: true, side: sided(single), ...look, ...fade }),
                    ),
                );
            }
            [single, corners] = [[], 0];
        };
        for (const standing of bySolid.values()) {
            const [first] = standing;
            if (first && standing.length === 1) {
                single.push(first);
                corners += this.solid(first).corners.length / 3;
                corners > AT_ONCE && together();
            } else {
                // A mirrored one turns the other way round where it is drawn, and not where it is touched: it has no outside.
                for (const some of [standing.filter((s) => !mirrors(s)), standing.filter(mirrors)]) {
                    if (some.length > 0) {
                        this.add(
                            this.instanced(
                                heaviestFirst(some, this.weightOf),
                                new MeshLambertMaterial({
                                    color: '#ffffff',
                                    side: some.some(mirrors) ? DoubleSide : sided(some),
                                    ...look,
                                    ...fade,
                                }),
                            ),
                        );
                    }
                }
            }
            edged && this.outline(standing, edges);
        }
        together();
        if (edges.length > 0) {
            const lines = new BufferGeometry().setAttribute('position', new BufferAttribute(new Float32Array(edges), 3));
            this.group.add(new LineSegments(lines, new LineBasicMaterial({ color: INK.line, clippingPlanes })));
        }
    }

    private add(drawn: Drawn): void {
        this.drawn.push(drawn);
        this.group.add(drawn.mesh);
    }

    private solid(s: Standing): Solid {
        return this.bodies.solids[s.solid] as Solid;
    }

    private instanced(standing: readonly Standing[], material: MeshLambertMaterial): Drawn {
        const mesh = new InstancedMesh(geometryOf(this.solid(standing[0] as Standing)), material, standing.length);
        standing.forEach((s, i) => {
            mesh.setMatrixAt(i, matrixOf(s));
            mesh.setColorAt(i, TOUCHED);
        });
        return {
            mesh,
            things: standing.map((s) => s.thing),
            thingOf: (hit) => standing[hit.instanceId ?? -1]?.thing,
            paint: (colourOf) => {
                standing.forEach((s, i) => {
                    mesh.setColorAt(i, colourOf(s.thing));
                });
                if (mesh.instanceColor) {
                    mesh.instanceColor.needsUpdate = true;
                }
            },
            weights: this.weights(standing),
            first: (count) => {
                mesh.count = count;
            },
        };
    }

    private merged(standing: readonly Standing[], material: MeshLambertMaterial): Drawn {
        const counts = standing.map((s) => [this.solid(s).corners.length / 3, this.solid(s).triangles.length] as const);
        const corners = new Float32Array(3 * counts.reduce((n, [c]) => n + c, 0));
        const triangles = new Uint32Array(counts.reduce((n, [, t]) => n + t, 0));
        const colours = new Float32Array(corners.length);
        // Where each begins, among the corners and among the triangles.
        const from = new Uint32Array(standing.length + 1);
        const firstTriangle = new Uint32Array(standing.length + 1);
        const v = new Vector3();
        standing.forEach((s, i) => {
            const solid = this.solid(s);
            const [count, some] = counts[i] as readonly [number, number];
            const [c, t] = [from[i] as number, firstTriangle[i] as number];
            const at = matrixOf(s);
            for (let k = 0; k < count; k++) {
                v.fromArray(solid.corners, 3 * k)
                    .applyMatrix4(at)
                    .toArray(corners, 3 * (c + k));
            }
            for (let k = 0; k < some; k++) {
                // Turned round where it is mirrored.
                const of = mirrors(s) ? k - (k % 3) + 2 - (k % 3) : k;
                triangles[3 * t + k] = (solid.triangles[of] as number) + c;
            }
            from[i + 1] = c + count;
            firstTriangle[i + 1] = t + some / 3;
        });
        const tinted = new BufferAttribute(colours, 3);
        const geometry = new BufferGeometry()
            .setAttribute('position', new BufferAttribute(corners, 3))
            .setAttribute('color', tinted)
            .setIndex(new BufferAttribute(triangles, 1));
        return {
            mesh: new Mesh(geometry, material),
            things: standing.map((s) => s.thing),
            thingOf: (hit) => standing[lastUpTo(firstTriangle, hit.faceIndex ?? 0)]?.thing,
            paint: (colourOf) => {
                standing.forEach((s, i) => {
                    const colour = colourOf(s.thing);
                    for (let k = from[i] as number; k < (from[i + 1] as number); k++) {
                        colour.toArray(colours, 3 * k);
                    }
                });
                tinted.needsUpdate = true;
            },
            weights: this.weights(standing),
            first: (count) => geometry.setDrawRange(0, 3 * (firstTriangle[count] as number)),
        };
    }

    private weights(standing: readonly Standing[]): { weight: number; triangles: number }[] {
        return standing.map((s) => ({ weight: this.weightOf(s), triangles: this.solid(s).triangles.length / 3 }));
    }

    /** How much of the picture it makes, by how large it is; things of one size in no order, so that a share of them lies all over. */
    private readonly weightOf = (s: Standing): number => {
        const known = this.weighed.get(s);
        if (known !== undefined) {
            return known;
        }
        const box = new Box3().setFromArray(this.solid(s).corners).applyMatrix4(matrixOf(s));
        const weight = box.getSize(new Vector3()).length() * (0.75 + 0.5 * Math.random());
        this.weighed.set(s, weight);
        return weight;
    };

    /** Draws only the largest things, so that about a share of all triangles is drawn; 1 for all. */
    thin(share: number): void {
        const all = this.drawn.flatMap((d) => d.weights).sort((a, b) => b.weight - a.weight);
        let left = share * all.reduce((n, w) => n + w.triangles, 0);
        let least = -1;
        for (let k = 0; k < all.length && share < 1 && left > 0; k++) {
            left -= all[k]?.triangles ?? 0;
            least = all[k]?.weight ?? -1;
        }
        for (const d of this.drawn) {
            const count = d.weights.findIndex((w) => w.weight < least);
            d.first(count < 0 ? d.weights.length : count);
        }
    }

    /** Sharp edges, as ink. */
    private outline(standing: readonly Standing[], into: number[]): void {
        const edges = new EdgesGeometry(geometryOf(this.solid(standing[0] as Standing)), 20).getAttribute('position');
        const v = new Vector3();
        for (const s of standing) {
            const at = matrixOf(s);
            for (let k = 0; k < edges.count; k++) {
                v.fromBufferAttribute(edges, k).applyMatrix4(at);
                into.push(v.x, v.y, v.z);
            }
        }
    }

    /** The touched thing in full colour, those like it in half; what is neither is seen through where that is wished. */
    paint(touched: number | null, others: ReadonlySet<number>, through: boolean): void {
        const half = new Color();
        for (const d of this.drawn) {
            d.paint((thing) => {
                const tint = this.tints[thing] ?? TOUCHED;
                return thing === touched ? TOUCHED : others.has(thing) ? half.copy(tint).lerp(TOUCHED, 0.5) : tint;
            });
            const lit = through && d.things.some((t) => t === touched || others.has(t));
            (d.mesh.material as MeshLambertMaterial).opacity = through && !lit ? THROUGH : 1;
        }
    }

    /** The nearest thing a ray hits that no plane has cut away, and where. */
    hit(ray: Raycaster, planes: readonly Plane[]): { thing: number; point: Vector3 } | null {
        const hit = ray
            .intersectObjects(
                this.drawn.map((d) => d.mesh),
                false,
            )
            .find((h) => planes.every((p) => p.distanceToPoint(h.point) >= 0));
        const thing = hit && this.drawn.find((d) => d.mesh === hit.object)?.thingOf(hit);
        return hit && thing !== undefined ? { thing, point: hit.point } : null;
    }

    /** About one thing, or about all that is shown. */
    boxOf(thing: number | null): Box3 {
        const all = new Box3();
        const things = thing === null ? this.drawn.flatMap((d) => d.things) : [thing];
        for (const s of things.flatMap((t) => this.byThing.get(t) ?? [])) {
            const box = new Box3().setFromBufferAttribute(new BufferAttribute(this.solid(s).corners, 3));
            if (!box.isEmpty()) {
                all.union(box.applyMatrix4(matrixOf(s)));
            }
        }
        return all;
    }

    clear(): void {
        this.drawn = [];
        for (const o of [...this.group.children] as (Mesh | LineSegments)[]) {
            o.geometry.dispose();
            for (const m of [o.material].flat()) {
                m.dispose();
            }
            o.removeFromParent();
        }
    }
}

function geometryOf({ corners, triangles }: Solid): BufferGeometry {
    return new BufferGeometry().setAttribute('position', new BufferAttribute(corners, 3)).setIndex(new BufferAttribute(triangles, 1));
}

const mirrors = (s: Standing): boolean => matrixOf(s).determinant() < 0;

const heaviestFirst = (standing: readonly Standing[], weightOf: (s: Standing) => number): Standing[] =>
    [...standing].sort((a, b) => weightOf(b) - weightOf(a));

/** Rows of four as columns of four. */
function matrixOf({ frame: f }: Standing): Matrix4 {
    return new Matrix4().fromArray([0, 1, 2, 3].flatMap((k) => [f[k] as number, f[4 + k] as number, f[8 + k] as number, k === 3 ? 1 : 0]));
}

/** The number of the last that begins at or before a place; they begin in order. */
function lastUpTo(begins: Uint32Array, place: number): number {
    let [low, high] = [0, begins.length - 1];
    while (high - low > 1) {
        const middle = (low + high) >> 1;
        if ((begins[middle] as number) <= place) {
            low = middle;
        } else {
            high = middle;
        }
    }
    return low;
}
