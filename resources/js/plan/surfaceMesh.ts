/** A surface as it is drawn: places and triangles in flat arrays. */
export interface SurfaceMesh {
    e: Float64Array;
    n: Float64Array;
    z: Float64Array;
    corners: Uint32Array;
}

/** Reads the tiles of a surface, each after its length in bytes (docs/civil.md). */
export function meshOf(bytes: ArrayBuffer): SurfaceMesh {
    const view = new DataView(bytes);
    let points = 0;
    let triangles = 0;
    for (let at = 0; at + 12 <= bytes.byteLength; at += 4 + view.getUint32(at, true)) {
        points += view.getUint32(at + 4, true);
        triangles += view.getUint32(at + 8, true);
    }
    const mesh = {
        e: new Float64Array(points),
        n: new Float64Array(points),
        z: new Float64Array(points),
        corners: new Uint32Array(3 * triangles),
    };
    let point = 0;
    let corner = 0;
    for (let at = 0; at + 12 <= bytes.byteLength; at += 4 + view.getUint32(at, true)) {
        const own = view.getUint32(at + 4, true);
        const count = view.getUint32(at + 8, true);
        const coordinates = at + 12 + 4 * own;
        for (let i = 0; i < own; i++) {
            mesh.n[point + i] = view.getFloat64(coordinates + 24 * i, true);
            mesh.e[point + i] = view.getFloat64(coordinates + 24 * i + 8, true);
            mesh.z[point + i] = view.getFloat64(coordinates + 24 * i + 16, true);
        }
        const faces = coordinates + 24 * own;
        for (let i = 0; i < 3 * count; i++) {
            mesh.corners[corner++] = point + view.getUint16(faces + 2 * i, true);
        }
        point += own;
    }
    return mesh;
}
