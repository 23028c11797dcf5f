import { strFromU8, unzipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { oneFile } from './oneFile';

const file = (name: string, text = 'x') => new File([text], name);

describe('one file out of several', () => {
    it('packs what belongs to a shapefile', async () => {
        const zip = await oneFile([file('Höfe.dbf', 'rows'), file('Höfe.SHP', 'shapes'), file('Höfe.prj')]);
        const held = unzipSync(new Uint8Array(await zip.arrayBuffer()));
        expect(zip.name).toBe('Höfe.zip');
        expect(Object.keys(held)).toEqual(['Höfe.dbf', 'Höfe.SHP', 'Höfe.prj']);
        expect(strFromU8(held['Höfe.SHP'] ?? new Uint8Array())).toBe('shapes');
    });
    it('leaves a single file as it is', async () => {
        const one = file('hall.dxf');
        expect(await oneFile([one])).toBe(one);
    });
    it.each([
        [['a.dxf', 'b.dxf'], 'one file at a time'],
        [['a.dbf'], 'part of a shapefile'],
        [['a.shp', 'photo.jpg'], '“photo.jpg” does not belong'],
    ])('refuses %s', async (names, words) => {
        await expect(oneFile(names.map((n) => file(n)))).rejects.toThrow(words);
    });
});
