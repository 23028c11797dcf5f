// web-ifc on a file: seconds to open it and make all its triangles, and how many.
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';

const { IfcAPI } = createRequire(import.meta.url)('web-ifc');
const api = new IfcAPI();
await api.Init();
api.SetLogLevel(6);
const begun = Date.now();
const model = api.OpenModel(new Uint8Array(readFileSync(process.argv[2])));
let triangles = 0;
api.StreamAllMeshes(model, (mesh) => {
    for (let i = 0; i < mesh.geometries.size(); i++) {
        const geometry = api.GetGeometry(model, mesh.geometries.get(i).geometryExpressID);
        api.GetVertexArray(geometry.GetVertexData(), geometry.GetVertexDataSize());
        triangles += api.GetIndexArray(geometry.GetIndexData(), geometry.GetIndexDataSize()).length / 3;
        geometry.delete();
    }
});
process.stdout.write(`\n${JSON.stringify([(Date.now() - begun) / 1000, triangles])}`);
