/** The colours of the theme in use, for what is drawn on the canvas. */
export interface Ink {
    paper: string;
    /** paper that a line shows through by a fifth */
    veil: string;
    ink: string;
    quiet: string;
    chalk: string;
    inside: string;
    out: string;
    open: string;
    /** how much heavier lines are than on paper */
    weight: number;
    /** lines of drawings, pixels */
    line: number;
    /** how much of a drawing is seen where it stands back behind what a stage is about */
    behind: number;
    /** how light a drawing's own colour may be */
    lightest: number;
}

export function currentInk(): Ink {
    const css = getComputedStyle(document.documentElement);
    const of = (name: string) => css.getPropertyValue(name).trim();
    const sun = document.documentElement.dataset.theme === 'sun';
    return {
        paper: of('--paper'),
        veil: veiled(of('--paper')),
        ink: of('--ink'),
        quiet: of('--quiet'),
        chalk: of('--chalk'),
        inside: of('--in'),
        out: of('--out'),
        open: of('--open'),
        weight: sun ? 1.6 : 1,
        // In the sun thin and pale lines are not there.
        line: sun ? 2 : 1,
        behind: sun ? 0.85 : 0.5,
        lightest: sun ? 0.3 : LIGHTEST,
    };
}

/** A colour of the theme, written with three digits or with six, that lets a fifth through. */
export function veiled(colour: string): string {
    const digits = colour.slice(1);
    const six = digits.length === 3 ? [...digits].map((d) => d + d).join('') : digits;
    const n = Number.parseInt(six, 16);
    return `rgba(${(n >> 16) & 255}, ${(n >> 8) & 255}, ${n & 255}, 0.8)`;
}

/** Of a drawing's own colours on paper, 0 to 1. */
const LIGHTEST = 0.45;

/** A drawing's own colour made dark enough to be read; white becomes ink. */
export function readable(colour: string, lightest = LIGHTEST): string {
    const n = Number.parseInt(colour.slice(1), 16);
    const rgb = [(n >> 16) & 255, (n >> 8) & 255, n & 255];
    const light = (0.299 * (rgb[0] ?? 0) + 0.587 * (rgb[1] ?? 0) + 0.114 * (rgb[2] ?? 0)) / 255;
    if (light > 0.96) {
        return '#1f1c17';
    }
    const factor = light > lightest ? lightest / light : 1;
    return `rgb(${rgb.map((c) => Math.round(c * factor)).join(',')})`;
}
