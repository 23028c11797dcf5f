import { zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { kindOf, kindOfFile } from './fileKind';

describe('what a file holds', () => {
    it.each([
        ['hall.dxf', '  0\r\nSECTION\r\n', 'drawing'],
        ['hall.txt', '999\nmade by hand\n  0\nSECTION', 'drawing'],
        ['hall', 'AutoCAD Binary DXF\r\n', 'drawing'],
        ['broken.DXF', 'nothing of it', 'drawing'],
        ['points.csv', 'name,northing', 'list'],
        ['points', '<?xml version="1.0"?><LandXML', 'civil'],
        ['points.geojson', '\uFEFF{"type":"FeatureCollection"', 'list'],
        ['model.ifc', 'ISO-10303-21;', 'model'],
        ['day.parlay.zip', 'PK\u0003\u0004', 'packed'],
        ['photo.jpg', '\u00ff\u00d8', 'unknown'],
    ])('%s', (name, beginning, kind) => {
        expect(kindOf(name, beginning)).toBe(kind);
    });

    it.each([
        ['hall.ifc', 'model'],
        ['Yard.SHP', 'shapes'],
        ['parlay.json', 'packed'],
    ])('a zip that holds %s', async (name, kind) => {
        const zip = zipSync({ [name]: new Uint8Array(20) });
        expect(await kindOfFile(new File([zip as BlobPart], 'sent.zip'))).toBe(kind);
    });
});
