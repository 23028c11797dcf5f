/** What a file may hold, told by its beginning, and by its name only where that says nothing. */
export type FileKind = 'drawing' | 'shapes' | 'civil' | 'list' | 'model' | 'packed' | 'unknown';

const LOOKED_AT = 4000;

/** A zip names its files at its end. */
const LIST_OF_ZIP = 200_000;

export async function kindOfFile(file: File): Promise<FileKind> {
    const kind = kindOf(file.name, await file.slice(0, LOOKED_AT).text());
    if (kind !== 'packed') {
        return kind;
    }
    const listed = await file.slice(-LIST_OF_ZIP).text();
    return /\.ifc/i.test(listed) ? 'model' : /\.shp/i.test(listed) ? 'shapes' : kind;
}

export function kindOf(name: string, beginning: string): FileKind {
    const text = beginning.replace(/^\uFEFF/, '').trimStart();
    const ending = name.toLowerCase().match(/\.([a-z0-9]+)$/)?.[1] ?? '';
    if (/^(999\s|0\s*\r?\n\s*SECTION|AutoCAD Binary DXF)/.test(text)) {
        return 'drawing';
    }
    if (text.startsWith('ISO-10303-21')) {
        return 'model';
    }
    if (text.startsWith('PK')) {
        return ending === 'dxf' ? 'drawing' : 'packed';
    }
    if (/<([\w.-]+:)?LandXML\b/.test(text)) {
        return 'civil';
    }
    if (/^[<{]/.test(text)) {
        return 'list';
    }
    // A damaged drawing is still a drawing: what is wrong of it is told by whoever reads it.
    return ending === 'dxf' ? 'drawing' : ['csv', 'txt', 'asc', 'xyz', 'pts'].includes(ending) ? 'list' : 'unknown';
}
