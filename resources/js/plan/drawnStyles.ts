import type { FeatureLike } from 'ol/Feature';
import { Circle, Fill, RegularShape, Stroke, Style, Text } from 'ol/style';
import type { DrawnChange, Evidence } from './contract';
import { type Ink, readable } from './ink';

/** Styles are made once for each colour: a drawing has few colours and many pieces. */
export function drawnStyle(ownColour: string | null, ink: Ink) {
    const styles = new Map<number, { colour: string; stroke: Style; dot: Style }>();
    const styleFor = (rgb: number) => {
        let made = styles.get(rgb);
        if (!made) {
            const colour = readable(ownColour ?? `#${rgb.toString(16).padStart(6, '0')}`, ink.lightest);
            made = {
                colour,
                stroke: new Style({ stroke: new Stroke({ color: colour, width: ink.line, lineCap: 'butt', lineJoin: 'bevel' }) }),
                dot: new Style({ image: new Circle({ radius: 2 * ink.weight, fill: new Fill({ color: colour }) }) }),
            };
            styles.set(rgb, made);
        }
        return made;
    };
    return (feature: { get: (key: string) => unknown }, resolution: number) => {
        const { colour, stroke, dot } = styleFor(feature.get('rgb') as number);
        const text = feature.get('text') as string | undefined;
        if (text === undefined) {
            return feature.get('dot') ? dot : stroke;
        }
        const pixels = (feature.get('height') as number) / resolution;
        if (pixels < 6) {
            return undefined;
        }
        return new Style({
            text: new Text({
                text,
                font: `${Math.min(pixels, 60)}px "Atkinson Hyperlegible Next Variable"`,
                rotation: -(feature.get('rotation') as number),
                rotateWithView: true,
                textAlign: 'left',
                textBaseline: 'bottom',
                fill: new Fill({ color: colour }),
            }),
        });
    };
}

/** Added, gone and moved differ by dash as well as by colour. */
export function changeStyle(kind: DrawnChange['kind'], ink: Ink): Style {
    const [color, lineDash] = { added: [ink.chalk, []], gone: [ink.out, [2, 6]], moved: [ink.open, [12, 4]] }[kind] as [string, number[]];
    const stroke = new Stroke({ color, width: 3.5 * ink.weight, lineDash });
    return new Style({ stroke, image: new Circle({ radius: 6, stroke: new Stroke({ color, width: 3 }) }) });
}

export function measuredStyle(ink: Ink): Style[] {
    return [
        new Style({ stroke: new Stroke({ color: ink.paper, width: 6 }) }),
        new Style({
            stroke: new Stroke({ color: ink.chalk, width: 2.5 * ink.weight }),
            image: new Circle({
                radius: 6,
                fill: new Fill({ color: ink.chalk }),
                stroke: new Stroke({ color: ink.paper, width: 2 }),
            }),
        }),
    ];
}

/** Worked out, not kept yet: chalk lines and open diamonds. */
export function figureStyle(feature: FeatureLike, ink: Ink): Style[] {
    const text = feature.get('label') as string | undefined;
    const quiet = feature.get('quiet') === true;
    const colour = quiet ? ink.quiet : ink.chalk;
    return [
        new Style({ stroke: new Stroke({ color: ink.paper, width: 5 }) }),
        new Style({
            stroke: new Stroke({ color: ink.chalk, width: 2 * ink.weight }),
            image: feature.get('bare')
                ? undefined
                : new RegularShape({
                      points: 4,
                      radius: 7,
                      declutterMode: 'none',
                      fill: new Fill({ color: ink.paper }),
                      stroke: new Stroke({ color: colour, width: 2.5 * ink.weight }),
                  }),
            text: text
                ? new Text({
                      text,
                      font: '700 14px "Atkinson Hyperlegible Next Variable"',
                      offsetY: feature.get('below') ? 22 : feature.get('bare') ? 0 : -16,
                      declutterMode: feature.get('bare') && !feature.get('below') ? 'none' : 'declutter',
                      fill: new Fill({ color: colour }),
                      stroke: new Stroke({ color: ink.paper, width: 4 }),
                  })
                : undefined,
        }),
    ];
}

export function spotStyle(ink: Ink): Style[] {
    return [
        new Style({
            stroke: new Stroke({ color: ink.chalk, width: 5 }),
            image: new Circle({ radius: 11, stroke: new Stroke({ color: ink.paper, width: 6 }) }),
        }),
        new Style({ image: new Circle({ radius: 11, stroke: new Stroke({ color: ink.chalk, width: 3 }) }) }),
    ];
}

/** Sights are thin, left-out ones dashed; residuals and ellipses stand out. */
export function evidenceStyle(feature: FeatureLike, ink: Ink): Style[] {
    const as = feature.get('as') as Evidence;
    const [color, width, lineDash] = {
        ray: [ink.ink, 1.25, undefined],
        unused: [ink.quiet, 1.25, [3, 7]],
        residual: [ink.out, 3, undefined],
        ellipse: [ink.chalk, 2.5, undefined],
        expected: [ink.chalk, 1.5, undefined],
        siteLine: [ink.open, 3, [16, 5, 2, 5]],
    }[as] as [string, number, number[] | undefined];
    const halo = as === 'residual' || as === 'ellipse' ? [new Style({ stroke: new Stroke({ color: ink.paper, width: width + 3 }) })] : [];
    return [...halo, new Style({ stroke: new Stroke({ color, width: width * ink.weight, lineDash }) })];
}

/** From good to bad ever denser hatching by strength of one colour, so that it reads without colours too. */
export function rasterStyle(feature: FeatureLike, ink: Ink): Style {
    const level = feature.get('level') as number;
    return new Style({ fill: new Fill({ color: `color-mix(in srgb, ${ink.chalk} ${[4, 16, 30, 46, 64][level] ?? 64}%, transparent)` }) });
}
