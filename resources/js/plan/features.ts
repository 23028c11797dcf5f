import Feature from 'ol/Feature';
import MultiLineString from 'ol/geom/MultiLineString';
import Point from 'ol/geom/Point';
import { Kind, type Shapes, strokes } from './shapes';

/** Lines drawn in one go: more make a path that the canvas is slow to fill, fewer make too many paths. */
const SHEAF = 250;

/** What is drawn of a layer: sheaves of lines of one colour, dots and texts one by one. */
export function featuresOf(shapes: Shapes, strings: string[]): Feature[] {
    const features: Feature[] = [];
    for (const [rgb, { flat, ends }] of strokes(shapes)) {
        for (let from = 0; from < ends.length; from += SHEAF) {
            const begin = ends[from - 1] ?? 0;
            const sheaf = ends.slice(from, from + SHEAF);
            const feature = new Feature(
                new MultiLineString(
                    flat.slice(begin, sheaf.at(-1)),
                    'XY',
                    sheaf.map((end) => end - begin),
                ),
            );
            feature.set('rgb', rgb);
            features.push(feature);
        }
    }
    return features.concat(dotsAndTexts(shapes, strings));
}

function dotsAndTexts(shapes: Shapes, strings: string[]): Feature[] {
    const features: Feature[] = [];
    for (let i = 0; i < shapes.count; i++) {
        const kind = shapes.kind(i);
        const geometry = () => new Point([shapes.v(i, 0), shapes.v(i, 1)]);
        if (kind === Kind.point) {
            features.push(new Feature({ geometry: geometry(), dot: true, rgb: shapes.rgb(i) }));
        } else if (kind === Kind.text) {
            features.push(
                new Feature({
                    geometry: geometry(),
                    text: strings[shapes.v(i, 5)] ?? '',
                    rgb: shapes.rgb(i),
                    height: shapes.v(i, 3),
                    rotation: shapes.v(i, 4),
                }),
            );
        }
    }
    return features;
}
