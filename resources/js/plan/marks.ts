import type Feature from 'ol/Feature';
import type { FeatureLike } from 'ol/Feature';
import LineString from 'ol/geom/LineString';
import type Point from 'ol/geom/Point';
import { Circle, Fill, Icon, RegularShape, Stroke, Style, Text } from 'ol/style';
import type { Ink } from './ink';

export interface PlanPlace3 {
    northing: number;
    easting: number;
    elevation?: number | null;
}

/** What a feature of the plan stands for. */
export type PlanThing =
    | { what: 'control'; id: number; name: string }
    | {
          what: 'point';
          id: number;
          name: string;
          state: 'open' | 'redo' | 'done' | 'target';
          origin: string;
          chosen: boolean;
          colour: string | null;
          label: [number, number] | null;
      }
    | { what: 'alignment'; id: number; name: string }
    | { what: 'mark'; id: number; name: string; verdict: string }
    | { what: 'instrument'; at: PlanPlace3 }
    | { what: 'pole'; at: PlanPlace3 }
    | { what: 'sight' }
    | { what: 'move' }
    | { what: 'walker'; says: string }
    | { what: 'walk' };

/** The plan shows the beginning of a long name; touching the point shows all of it. */
const LONGEST_LABEL = 24;

/** always: drawn even where it covers another label */
const label = (text: string, ink: Ink, dy = -16, bold = false, always = false) =>
    new Text({
        text: text.length > LONGEST_LABEL ? `${text.slice(0, LONGEST_LABEL)}…` : text,
        declutterMode: always ? 'obstacle' : 'declutter',
        font: `${bold ? 700 : 500} 13px "Atkinson Hyperlegible Next Variable"`,
        offsetY: dy,
        fill: new Fill({ color: ink.ink }),
        stroke: new Stroke({ color: ink.paper, width: 4 }),
        // Lines of the drawing and of the grid stop at a name.
        backgroundFill: new Fill({ color: ink.veil }),
        padding: [-2, 2, -4, 2],
    });

const icon = (body: string, always = false) =>
    new Icon({
        declutterMode: always ? 'obstacle' : 'declutter',
        src: `data:image/svg+xml,${encodeURIComponent(`<svg xmlns="http://www.w3.org/2000/svg" width="40" height="40" viewBox="-20 -20 40 40" fill="none">${body}</svg>`)}`,
    });

/** Control: a square on its corner, quartered like a survey target. */
const control = (name: string, ink: Ink) =>
    new Style({
        image: icon(
            `<path d="M0 -11 L11 0 L0 11 L-11 0 Z" fill="${ink.paper}" stroke="${ink.ink}" stroke-width="${2 * ink.weight}"/><path d="M0 0 V-11 L11 0 Z M0 0 V11 L-11 0 Z" fill="${ink.ink}"/>`,
        ),
        text: label(name, ink, -19, true),
    });

/** A point to be staked: a peg seen from above; the target wears a ring with four ticks. */
function point(thing: PlanThing & { what: 'point' }, ink: Ink): Style {
    const { name, state } = thing;
    if (state === 'target') {
        return new Style({
            image: icon(
                `<circle r="12" stroke="${ink.chalk}" stroke-width="${3 * ink.weight}"/><path d="M0 -18V-8M0 18V8M-18 0H-8M18 0H8" stroke="${ink.chalk}" stroke-width="${3 * ink.weight}"/><circle r="3.5" fill="${ink.chalk}"/>`,
                true,
            ),
            text: label(name, ink, -26, true, true),
        });
    }
    if (state === 'redo') {
        return new Style({ image: pegToRedo(ink), text: label(`${name} · redo`, ink, -14, true) });
    }
    return new Style({ image: peg(thing, ink), text: label(name, ink, -12) });
}

/** Staked out of tolerance, and to be done again: a peg in a triangle. */
const pegToRedo = (ink: Ink) =>
    icon(
        `<path d="M0 -12 L11 8 H-11 Z" stroke="${ink.out}" stroke-width="${2.4 * ink.weight}" fill="${ink.paper}"/><circle r="2.5" cy="1" fill="${ink.out}"/>`,
    );

/** A label that was moved stands where it was put, with a leader back to its point. */
function moved(own: Style, [east, north]: [number, number], feature: FeatureLike, resolution: number, ink: Ink): Style[] {
    const text = own.getText();
    const at = (feature.getGeometry() as Point).getCoordinates();
    own.setText(new Text());
    text?.setOffsetX(east / resolution);
    text?.setOffsetY(-north / resolution);
    const [x = 0, y = 0] = at;
    return [
        new Style({
            geometry: new LineString([at, [x + east, y + north]]),
            stroke: new Stroke({ color: ink.quiet, width: ink.weight }),
        }),
        own,
        new Style({ text: text ?? undefined }),
    ];
}

const dots = new Map<string, Style>();

/** Stays where there is no room for mark and name: no point is lost, whatever lies beside it. */
function dot(colour: string): Style {
    const known = dots.get(colour);
    const made = known ?? new Style({ image: new Circle({ radius: 2.5, fill: new Fill({ color: colour }), declutterMode: 'none' }) });
    dots.set(colour, made);
    return made;
}

const pegs = new Map<string, RegularShape | Circle>();

/** Where a point came from is seen by its shape: round from a drawing, six-sided from a model, square from a file, a diamond computed, a
 *  triangle typed. */
function peg({ origin, state, chosen, colour }: PlanThing & { what: 'point' }, ink: Ink): RegularShape | Circle {
    const done = state === 'done';
    const key = `${origin} ${done} ${chosen} ${colour} ${ink.ink} ${ink.weight}`;
    const known = pegs.get(key);
    if (known) {
        return known;
    }
    // Chosen ones are filled and larger; the colour of a code is the rim's.
    const fill = new Fill({ color: chosen ? ink.chalk : done ? ink.quiet : ink.paper });
    const stroke = new Stroke({
        color: colour ?? (chosen ? ink.chalk : done ? ink.quiet : ink.ink),
        width: (colour ? 2.8 : 1.8) * ink.weight,
    });
    const grown = chosen ? 2.5 : 0;
    const made =
        origin === 'file'
            ? new RegularShape({ points: 4, radius: 6 + grown, angle: Math.PI / 4, fill, stroke })
            : origin === 'typed'
              ? new RegularShape({ points: 3, radius: 6.5 + grown, fill, stroke })
              : origin === 'computed'
                ? new RegularShape({ points: 4, radius: 6 + grown, fill, stroke })
                : origin === 'model'
                  ? new RegularShape({ points: 6, radius: 5.5 + grown, fill, stroke })
                  : new Circle({ radius: 4.5 + grown, fill, stroke });
    pegs.set(key, made);
    return made;
}

function mark(name: string, verdict: string, ink: Ink): Style {
    const image =
        verdict === 'out'
            ? new RegularShape({ points: 3, radius: 8, fill: new Fill({ color: ink.out }) })
            : verdict === 'in'
              ? new Circle({ radius: 5.5, fill: new Fill({ color: ink.inside }) })
              : new Circle({ radius: 5.5, stroke: new Stroke({ color: ink.open, width: 2 * ink.weight, lineDash: [3, 2] }) });
    return new Style({ image, text: label(name, ink, 15) });
}

const instrument = (ink: Ink) =>
    new Style({
        image: icon(
            `<g stroke="${ink.ink}" stroke-width="2.4"><path d="M0 -4 L-11 13 M0 -4 L11 13 M0 -4 L0 13"/><rect x="-6" y="-15" width="12" height="11" fill="${ink.chalk}"/></g>`,
        ),
    });

const pole = (ink: Ink) =>
    new Style({
        image: icon(
            `<circle r="9" stroke="${ink.paper}" stroke-width="7"/><circle r="9" stroke="${ink.chalk}" stroke-width="${3 * ink.weight}"/><circle r="2.5" fill="${ink.chalk}"/>`,
        ),
    });

export function styleOf(feature: FeatureLike, ink: Ink, resolution = 1): Style | Style[] {
    const thing = (feature as Feature).get('thing') as PlanThing;
    if ((feature as Feature).get('mass')) {
        return new Style({
            image: new Circle({
                radius: thing.what === 'point' && thing.chosen ? 3.5 : 2,
                fill: new Fill({ color: thing.what === 'point' ? (thing.chosen ? ink.chalk : (thing.colour ?? ink.ink)) : ink.ink }),
                declutterMode: 'none',
            }),
        });
    }
    switch (thing.what) {
        case 'control':
            return [dot(ink.ink), control(thing.name, ink)];
        case 'point': {
            const own = point(thing, ink);
            const under = dot(thing.colour ?? (thing.chosen ? ink.chalk : thing.state === 'done' ? ink.quiet : ink.ink));
            return thing.label ? [under, ...moved(own, thing.label, feature, resolution, ink)] : [under, own];
        }
        case 'mark':
            return [
                dot(thing.verdict === 'out' ? ink.out : thing.verdict === 'in' ? ink.inside : ink.open),
                mark(thing.name, thing.verdict, ink),
            ];
        case 'alignment':
            // Drawn by itself, with its stations.
            return [];
        case 'instrument':
            return instrument(ink);
        case 'pole':
            return pole(ink);
        case 'walker':
            return new Style({
                image: icon(
                    `<path d="M0 9 L-5 -6 H5 Z" fill="${ink.paper}" stroke="${ink.chalk}" stroke-width="${2.4 * ink.weight}"/>`,
                    true,
                ),
                text: label(thing.says, ink, 21, true, true),
            });
        case 'walk':
            return new Style({ stroke: new Stroke({ color: ink.chalk, width: 1.6 * ink.weight, lineDash: [2, 6] }) });
        case 'sight':
            return new Style({ stroke: new Stroke({ color: ink.quiet, width: 1.2 * ink.weight, lineDash: [10, 6] }) });
        case 'move':
            return new Style({ stroke: new Stroke({ color: ink.chalk, width: 2 * ink.weight, lineDash: [2, 5] }) });
    }
}
