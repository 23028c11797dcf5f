const OF_A_SHAPEFILE = /\.(shp|shx|dbf|prj|cpg|qpj|sbn|sbx|qix|shp\.xml)$/i;

/** The files of a shapefile belong together: they are packed into one. Whatever else is chosen comes one at a time. */
export async function oneFile(files: File[]): Promise<File> {
    const [first] = files;
    if (!first) {
        throw new Error('Choose a file.');
    }
    const shape = files.find((f) => /\.shp$/i.test(f.name));
    if (!shape) {
        if (OF_A_SHAPEFILE.test(first.name)) {
            throw new Error(`“${first.name}” is part of a shapefile. Choose its .shp, .dbf and .prj together, or their zip.`);
        }
        if (files.length > 1) {
            throw new Error('Choose one file at a time; only the files of a shapefile belong together.');
        }
        return first;
    }
    const other = files.find((f) => !OF_A_SHAPEFILE.test(f.name));
    if (other) {
        throw new Error(`“${other.name}” does not belong to the shapefile. Choose it by itself.`);
    }
    const parts = await Promise.all(files.map(async (f) => [f.name, new Uint8Array(await f.arrayBuffer())] as const));
    const { zipSync } = await import('fflate');
    const zip = zipSync(Object.fromEntries(parts), { level: 1 });
    return new File([zip as BlobPart], shape.name.replace(/\.shp$/i, '.zip'), { type: 'application/zip' });
}
