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
}

export function currentInk(): Ink {
    const css = getComputedStyle(document.documentElement);
    const of = (name: string) => css.getPropertyValue(name).trim();
    return {
        paper: of('--paper'),
        veil: veiled(of('--paper')),
        ink: of('--ink'),
        quiet: of('--quiet'),
        chalk: of('--chalk'),
        inside: of('--in'),
        out: of('--out'),
        open: of('--open'),
        weight: document.documentElement.dataset.theme === 'sun' ? 1.6 : 1,
    };
}

/** A colour of the theme, written with three digits or with six, that lets a fifth through. */
export function veiled(colour: string): string {
    const digits = colour.slice(1);
    const six = digits.length === 3 ? [...digits].map((d) => d + d).join('') : digits;
    const n = Number.parseInt(six, 16);
    return `rgba(${(n >> 16) & 255}, ${(n >> 8) & 255}, ${n & 255}, 0.8)`;
}

/** A drawing's own colour made dark enough to be read on paper; white becomes ink. */
export function readable(colour: string): string {
    const n = Number.parseInt(colour.slice(1), 16);
    const rgb = [(n >> 16) & 255, (n >> 8) & 255, n & 255];
    const light = (0.299 * (rgb[0] ?? 0) + 0.587 * (rgb[1] ?? 0) + 0.114 * (rgb[2] ?? 0)) / 255;
    if (light > 0.96) {
        return '#1f1c17';
    }
    const factor = light > 0.45 ? 0.45 / light : 1;
    return `rgb(${rgb.map((c) => Math.round(c * factor)).join(',')})`;
}
