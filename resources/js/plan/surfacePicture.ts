import type { SurfaceMesh } from './surfaceMesh';

/** What of a surface is drawn. */
export interface SurfaceLook {
    triangles: boolean;
    bands: Bands;
    /** arrows that point downhill */
    arrows: boolean;
}

export type Bands = 'none' | 'elevation' | 'slope' | 'cut_fill';

/** A band of colour: from where it begins, as rgb; striped ones are told from others without colour too. */
export interface Band {
    from: number;
    rgb: [number, number, number];
    striped: boolean;
}

/** The part of the plan that is painted: metres to a pixel, and the place of its upper left corner. */
export interface Sheet {
    west: number;
    north: number;
    resolution: number;
    width: number;
    height: number;
}

/** Edges closer than this many pixels would be a grey sheet. */
const LEAST_EDGE = 4;

/** Places of a mesh on a sheet, in pixels from its upper left corner. */
function onSheet(mesh: SurfaceMesh, { west, north, resolution }: Sheet): [Float64Array, Float64Array] {
    const { e, n } = mesh;
    const x = new Float64Array(e.length);
    const y = new Float64Array(e.length);
    for (let i = 0; i < x.length; i++) {
        x[i] = ((e[i] as number) - west) / resolution;
        y[i] = (north - (n[i] as number)) / resolution;
    }
    return [x, y];
}

/** Height of the surface at the middle of each pixel, NaN outside of it. */
export function heightsOf(mesh: SurfaceMesh, sheet: Sheet): Float32Array {
    const { width, height } = sheet;
    const heights = new Float32Array(width * height).fill(Number.NaN);
    const { z, corners } = mesh;
    const [px, py] = onSheet(mesh, sheet);
    for (let i = 0; i < corners.length; i += 3) {
        const a = corners[i] as number;
        const b = corners[i + 1] as number;
        const c = corners[i + 2] as number;
        const ax = (px[a] as number) - 0.5;
        const bx = (px[b] as number) - 0.5;
        const cx = (px[c] as number) - 0.5;
        const left = Math.max(0, Math.ceil(Math.min(ax, bx, cx)));
        const right = Math.min(width - 1, Math.floor(Math.max(ax, bx, cx)));
        if (right < left) {
            continue;
        }
        const ay = (py[a] as number) - 0.5;
        const by = (py[b] as number) - 0.5;
        const cy = (py[c] as number) - 0.5;
        const top = Math.max(0, Math.ceil(Math.min(ay, by, cy)));
        const bottom = Math.min(height - 1, Math.floor(Math.max(ay, by, cy)));
        const area = (bx - ax) * (cy - ay) - (cx - ax) * (by - ay);
        if (bottom < top || area === 0) {
            continue;
        }
        const az = z[a] as number;
        const toX = (((z[b] as number) - az) * (cy - ay) - ((z[c] as number) - az) * (by - ay)) / area;
        const toY = ((bx - ax) * ((z[c] as number) - az) - (cx - ax) * ((z[b] as number) - az)) / area;
        // Shares of the second and third corner grow evenly along a row.
        const uX = (cy - ay) / area;
        const uY = -(cx - ax) / area;
        const vX = -(by - ay) / area;
        const vY = (bx - ax) / area;
        for (let y = top; y <= bottom; y++) {
            const dy = y - ay;
            let at = y * width + left;
            for (let x = left; x <= right; x++, at++) {
                const dx = x - ax;
                const u = dx * uX + dy * uY;
                const v = dx * vX + dy * vY;
                if (u >= -1e-9 && v >= -1e-9 && u + v <= 1 + 1e-9) {
                    heights[at] = az + dx * toX + dy * toY;
                }
            }
        }
    }
    return heights;
}

/** Rise over way at each pixel, from its neighbours. */
export function slopesOf(heights: Float32Array, { width, height, resolution }: Sheet): Float32Array {
    const slopes = new Float32Array(heights.length).fill(Number.NaN);
    for (let y = 1; y < height - 1; y++) {
        for (let x = 1; x < width - 1; x++) {
            const at = y * width + x;
            const dx = ((heights[at + 1] as number) - (heights[at - 1] as number)) / (2 * resolution);
            const dy = ((heights[at + width] as number) - (heights[at - width] as number)) / (2 * resolution);
            slopes[at] = Math.hypot(dx, dy);
        }
    }
    return slopes;
}

/** Paints bands over the values that are numbers. */
export function paintBands(image: Uint8ClampedArray, values: Float32Array, width: number, bands: readonly Band[]): void {
    // A pixel is written at once; the one before it mostly lies in the same band.
    const pixels = new Uint32Array(image.buffer, image.byteOffset, values.length);
    const from = bands.map((b) => b.from);
    const full = bands.map(({ rgb: [r, g, b] }) => ((190 << 24) | (b << 16) | (g << 8) | r) >>> 0);
    const pale = bands.map(({ rgb: [r, g, b] }) => ((70 << 24) | (b << 16) | (g << 8) | r) >>> 0);
    const striped = bands.map((b) => b.striped);
    const last = bands.length - 1;
    let k = 0;
    for (let at = 0; at < values.length; at++) {
        const value = values[at] as number;
        if (Number.isNaN(value)) {
            continue;
        }
        while (k > 0 && value < (from[k] as number)) {
            k--;
        }
        while (k < last && value >= (from[k + 1] as number)) {
            k++;
        }
        // Stripes across tell one kind from the other in grey.
        const faint = striped[k] && (Math.floor(at / width) + (at % width)) % 8 < 2;
        pixels[at] = (faint ? pale : full)[k] as number;
    }
}

const known = new WeakMap<SurfaceMesh, Uint32Array>();

/** Each edge of a mesh once, by both its ends: found when it is drawn first. */
function edgesOf(mesh: SurfaceMesh): Uint32Array {
    const found = known.get(mesh);
    if (found) {
        return found;
    }
    const { corners } = mesh;
    const seen = new Set<number>();
    const edges: number[] = [];
    for (let i = 0; i < corners.length; i++) {
        const a = corners[i] as number;
        const b = corners[i % 3 === 2 ? i - 2 : i + 1] as number;
        const [p, q] = a < b ? [a, b] : [b, a];
        const key = p * mesh.e.length + q;
        if (!seen.has(key)) {
            seen.add(key);
            edges.push(p, q);
        }
    }
    const own = Uint32Array.from(edges);
    known.set(mesh, own);
    return own;
}

/** Draws the edges of the triangles in one colour, where they are far enough apart to be seen. */
export function paintEdges(
    image: Uint8ClampedArray,
    mesh: SurfaceMesh,
    sheet: Sheet,
    [r, g, b]: readonly [number, number, number],
    alpha: number,
): void {
    const { width, height } = sheet;
    const edges = edgesOf(mesh);
    const [xs, ys] = onSheet(mesh, sheet);
    // A pixel is written at once.
    const pixels = new Uint32Array(image.buffer, image.byteOffset, width * height);
    const colour = ((alpha << 24) | (b << 16) | (g << 8) | r) >>> 0;
    for (let i = 0; i < edges.length; i += 2) {
        const p = edges[i] as number;
        const q = edges[i + 1] as number;
        const px = xs[p] as number;
        const py = ys[p] as number;
        const qx = xs[q] as number;
        const qy = ys[q] as number;
        const long = Math.max(Math.abs(qx - px), Math.abs(qy - py));
        // Where edges are too close, or out of view, nothing is drawn.
        if (long < LEAST_EDGE || (px < 0 && qx < 0) || (py < 0 && qy < 0) || (px > width && qx > width) || (py > height && qy > height)) {
            continue;
        }
        const steps = Math.min(Math.ceil(long), 4 * (width + height));
        const dx = (qx - px) / steps;
        const dy = (qy - py) / steps;
        for (let k = 0; k <= steps; k++) {
            const x = Math.floor(px + dx * k);
            const y = Math.floor(py + dy * k);
            if (x >= 0 && y >= 0 && x < width && y < height) {
                pixels[y * width + x] = colour;
            }
        }
    }
}

/** Where arrows of fall stand on a sheet, and which way down is there, as x and y of the screen. */
export function fallsOf(
    heights: Float32Array,
    { width, height }: Sheet,
    every: number,
): { x: number; y: number; dx: number; dy: number }[] {
    const falls = [];
    for (let y = Math.round(every / 2); y < height - 2; y += every) {
        for (let x = Math.round(every / 2); x < width - 2; x += every) {
            const at = y * width + x;
            const dx = (heights[at - 2] as number) - (heights[at + 2] as number);
            const dy = (heights[at - 2 * width] as number) - (heights[at + 2 * width] as number);
            const size = Math.hypot(dx, dy);
            if (size > 1e-6) {
                falls.push({ x, y, dx: dx / size, dy: dy / size });
            }
        }
    }
    return falls;
}
