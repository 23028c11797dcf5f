import type { Schemas } from '../api/client';

/** What the number of a row counts in a file of this format. */
export function placeWord(format: Schemas['PointsPreview']['format']): string {
    return format === 'geojson' ? 'feature' : format === 'shapefile' ? 'record' : 'line';
}
