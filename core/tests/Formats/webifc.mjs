// What web-ifc makes of a file: by name of the product its box, its volume and its triangles, in metres, z up.
import { createRequire } from 'node:module';
import { readFileSync } from 'node:fs';
const { IfcAPI } = createRequire(import.meta.url)('web-ifc');
const api = new IfcAPI();
await api.Init();
api.SetLogLevel(6);
const model = api.OpenModel(new Uint8Array(readFileSync(process.argv[2])), { CIRCLE_SEGMENTS: 36 });
const found = {};
api.StreamAllMeshes(model, (mesh) => {
    const name = api.GetLine(model, mesh.expressID).Name?.value ?? '';
    const one = (found[name] ??= { low: [Infinity, Infinity, Infinity], high: [-Infinity, -Infinity, -Infinity], volume: 0, triangles: 0 });
    for (let i = 0; i < mesh.geometries.size(); i++) {
        const placed = mesh.geometries.get(i);
        const m = placed.flatTransformation;
        const geometry = api.GetGeometry(model, placed.geometryExpressID);
        const v = api.GetVertexArray(geometry.GetVertexData(), geometry.GetVertexDataSize());
        const index = api.GetIndexArray(geometry.GetIndexData(), geometry.GetIndexDataSize());
        const at = (k) => {
            const [x, y, z] = [v[6 * k], v[6 * k + 1], v[6 * k + 2]];
            const p = [0, 1, 2].map((r) => m[r] * x + m[4 + r] * y + m[8 + r] * z + m[12 + r]);
            return [p[0], -p[2], p[1]];
        };
        for (let k = 0; k < index.length; k += 3) {
            const [a, b, c] = [at(index[k]), at(index[k + 1]), at(index[k + 2])];
            one.volume += (a[0] * (b[1] * c[2] - b[2] * c[1]) - a[1] * (b[0] * c[2] - b[2] * c[0]) + a[2] * (b[0] * c[1] - b[1] * c[0])) / 6;
            one.triangles++;
            for (const p of [a, b, c]) {
                for (const r of [0, 1, 2]) {
                    one.low[r] = Math.min(one.low[r], p[r]);
                    one.high[r] = Math.max(one.high[r], p[r]);
                }
            }
        }
        geometry.delete();
    }
});
console.log(`\n${JSON.stringify(found)}`);
