import Feature from 'ol/Feature';
import LineString from 'ol/geom/LineString';
import MultiLineString from 'ol/geom/MultiLineString';
import Point from 'ol/geom/Point';
import VectorLayer from 'ol/layer/Vector';
import VectorSource from 'ol/source/Vector';
import { Fill, Stroke, Style, Text } from 'ol/style';
import type { Schemas, Units } from '../api/client';
import { formatLength, formatStation } from '../units/format';
import { apart, BESIDE, type Beside } from './apart';
import type { Ink } from './ink';

/** An alignment as the plan draws it. */
export interface DrawnAlignment {
    id: number;
    name: string;
    line: readonly number[];
    marks: readonly Schemas['StationMark'][];
    /** it is the one that is worked with */
    active: boolean;
}

/** Contours of a surface, each level by itself. */
export interface DrawnContours {
    lines: readonly Schemas['ContourLine'][];
    interval: number;
}

/** A label of station and offset beside a point, with its foot on the alignment where that is wished. */
export interface DrawnOffset {
    text: string;
    easting: number;
    northing: number;
    foot: { easting: number; northing: number } | null;
    /** where the label of its point was put, metres east and north of it */
    moved: [number, number] | null;
}

const USUAL = BESIDE[0] as Beside;

/** Round stations are written where they stand this many pixels apart. */
const LABEL_EVERY = 70;
const FONT = '"Atkinson Hyperlegible Mono Variable", monospace';

/** Alignments with their stations, contours, and labels of station and offset. */
export class AlignmentLayer {
    private readonly source = new VectorSource();
    private readonly contours = new VectorSource();
    private readonly offsets = new VectorSource();
    readonly layers: VectorLayer[];
    /** where labels stand at the scale that is shown */
    private placed: { resolution: number; beside: Map<Feature, Beside> } | null = null;

    constructor(
        private readonly ink: () => Ink,
        private readonly units: () => Units,
    ) {
        const layer = (source: VectorSource, zIndex: number, style: (f: Feature, resolution: number) => Style | Style[] | undefined) =>
            new VectorLayer({ source, zIndex, declutter: true, style: (f, r) => style(f as Feature, r) });
        this.layers = [
            layer(this.contours, 2, (f) => this.contourStyle(f)),
            layer(this.source, 8, (f, r) => this.style(f, r)),
            layer(this.offsets, 21, (f, r) => this.offsetStyle(f, r)),
        ];
    }

    show(alignments: readonly DrawnAlignment[]): void {
        this.source.clear(true);
        for (const a of alignments) {
            this.source.addFeature(
                new Feature({ geometry: new LineString([...a.line], 'XY'), what: 'line', active: a.active, id: a.id, name: a.name }),
            );
            for (const mark of a.marks) {
                this.source.addFeature(
                    new Feature({ geometry: new Point([mark.easting, mark.northing]), what: 'mark', mark, marks: a.marks }),
                );
            }
        }
    }

    showContours(all: readonly DrawnContours[]): void {
        this.contours.clear(true);
        for (const { lines, interval } of all) {
            for (const { elevation, pieces } of lines) {
                const parts: number[][][] = [];
                for (let i = 0; i + 3 < pieces.length; i += 4) {
                    parts.push([
                        [pieces[i] as number, pieces[i + 1] as number],
                        [pieces[i + 2] as number, pieces[i + 3] as number],
                    ]);
                }
                const heavy = Math.abs(Math.round(elevation / (5 * interval)) - elevation / (5 * interval)) < 1e-6;
                this.contours.addFeature(new Feature({ geometry: new MultiLineString(parts), heavy }));
                const middle = parts[Math.floor(parts.length / 2)];
                if (middle?.[0]) {
                    this.contours.addFeature(new Feature({ geometry: new Point(middle[0]), elevation }));
                }
            }
        }
    }

    showOffsets(offsets: readonly DrawnOffset[]): void {
        this.offsets.clear(true);
        this.placed = null;
        for (const o of offsets) {
            this.offsets.addFeature(new Feature({ geometry: new Point([o.easting, o.northing]), text: o.text, moved: o.moved }));
            if (o.foot) {
                this.offsets.addFeature(
                    new Feature({
                        geometry: new LineString([
                            [o.easting, o.northing],
                            [o.foot.easting, o.foot.northing],
                        ]),
                    }),
                );
            }
        }
    }

    /** The alignment within reach of a place. */
    near([x = 0, y = 0]: number[], reach: number): { what: 'alignment'; id: number; name: string } | null {
        const found = this.source.getClosestFeatureToCoordinate([x, y], (f) => f.get('what') === 'line');
        const [fx = 0, fy = 0] = found?.getGeometry()?.getClosestPoint([x, y]) ?? [];
        return found && Math.hypot(fx - x, fy - y) <= reach
            ? { what: 'alignment', id: found.get('id') as number, name: found.get('name') as string }
            : null;
    }

    private style(f: Feature, resolution: number): Style | Style[] | undefined {
        const ink = this.ink();
        if (f.get('what') === 'line') {
            const width = (f.get('active') ? 3 : 2) * ink.weight;
            return [
                new Style({ stroke: new Stroke({ color: ink.veil, width: width + 3 }) }),
                new Style({ stroke: new Stroke({ color: ink.ink, width, lineDash: [18, 5, 3, 5] }) }),
            ];
        }
        const mark = f.get('mark') as Schemas['StationMark'];
        const marks = f.get('marks') as readonly Schemas['StationMark'][];
        return this.markStyle(mark, spacingOf(marks), resolution, ink);
    }

    private markStyle(mark: Schemas['StationMark'], spacing: number, resolution: number, ink: Ink): Style | Style[] | undefined {
        const main = mark.name !== '';
        const apart = spacing / resolution;
        // Where round stations are too close, only every fifth, tenth, ... is drawn.
        const every = apart >= LABEL_EVERY ? 1 : apart * 5 >= LABEL_EVERY ? 5 : apart * 10 >= LABEL_EVERY ? 10 : 50;
        const index = Math.round(mark.station / spacing);
        if (!main && (apart * every < 6 || index % every !== 0)) {
            return undefined;
        }
        const size = (main ? 11 : 7) * resolution;
        const [x, y] = [mark.easting, mark.northing];
        const [dx, dy] = [Math.cos(mark.azimuth) * size, -Math.sin(mark.azimuth) * size];
        const tick = new Style({
            geometry: new LineString([
                [x - dx, y - dy],
                [x + dx, y + dy],
            ]),
            stroke: new Stroke({ color: ink.ink, width: (main ? 2.5 : 1.5) * ink.weight }),
        });
        const station = formatStation(mark.station, this.units());
        const region = mark.region > 1 ? ` (${mark.region})` : '';
        const says =
            mark.back !== null
                ? `${formatStation(mark.back, this.units())} = ${station}`
                : main
                  ? `${mark.name} ${station}${region}`
                  : `${station}${region}`;
        // Written across the alignment and never upside down.
        const up = Math.sin(mark.azimuth) < 0 ? mark.azimuth + Math.PI : mark.azimuth;
        return [
            tick,
            new Style({
                text: new Text({
                    text: says,
                    font: `${main ? 600 : 400} 13px ${FONT}`,
                    rotation: up,
                    rotateWithView: true,
                    textAlign: 'left',
                    offsetX: 14,
                    fill: new Fill({ color: ink.ink }),
                    stroke: new Stroke({ color: ink.paper, width: 3 }),
                }),
                zIndex: main ? 2 : 1,
            }),
        ];
    }

    private contourStyle(f: Feature): Style {
        const ink = this.ink();
        const elevation = f.get('elevation') as number | undefined;
        if (elevation !== undefined) {
            return new Style({
                text: new Text({
                    text: formatLength(elevation, this.units().length),
                    font: `400 12px ${FONT}`,
                    fill: new Fill({ color: ink.ink }),
                    stroke: new Stroke({ color: ink.paper, width: 4 }),
                }),
            });
        }
        return new Style({ stroke: new Stroke({ color: ink.quiet, width: (f.get('heavy') ? 1.8 : 0.9) * ink.weight }) });
    }

    private offsetStyle(f: Feature, resolution: number): Style {
        const ink = this.ink();
        const text = f.get('text') as string | undefined;
        if (text === undefined) {
            return new Style({ stroke: new Stroke({ color: ink.chalk, width: 1.4 * ink.weight, lineDash: [4, 4] }) });
        }
        const moved = f.get('moved') as [number, number] | null;
        const beside = moved ? null : (this.besideAt(resolution).get(f) ?? USUAL);
        return new Style({
            text: new Text({
                text,
                font: `400 13px ${FONT}`,
                textAlign: beside?.align ?? 'left',
                offsetX: moved ? moved[0] / resolution : beside?.x,
                // Below the name, where that was moved.
                offsetY: moved ? -moved[1] / resolution + 24 : beside?.y,
                fill: new Fill({ color: ink.chalk }),
                stroke: new Stroke({ color: ink.paper, width: 3 }),
            }),
        });
    }

    private besideAt(resolution: number): Map<Feature, Beside> {
        if (this.placed?.resolution !== resolution) {
            const labels = this.offsets.getFeatures().filter((f) => f.get('text') !== undefined && !f.get('moved'));
            const places = apart(
                labels.map((f) => {
                    const [e = 0, n = 0] = (f.getGeometry() as Point).getCoordinates();
                    return { x: e / resolution, y: -n / resolution, rows: (f.get('text') as string).split('\n') };
                }),
            );
            this.placed = { resolution, beside: new Map(labels.map((f, i) => [f, places[i] ?? USUAL])) };
        }
        return this.placed.beside;
    }
}

/** metres between round stations */
function spacingOf(marks: readonly Schemas['StationMark'][]): number {
    for (let i = 1; i < marks.length; i++) {
        const [a, b] = [marks[i - 1], marks[i]];
        if (a && b && a.name === '' && b.name === '' && a.region === b.region) {
            return Math.max(1e-3, b.station - a.station);
        }
    }
    return 1;
}
