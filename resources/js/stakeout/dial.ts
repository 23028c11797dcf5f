import type { Units } from '../api/client';

/** Rings of the dial, metres, with their words: round figures of the project's unit. */
export function ringsOf(length: Units['length']): { metres: number; word: string }[] {
    return length === 'm' || length === 'mm'
        ? [
              { metres: 10, word: '10 m' },
              { metres: 1, word: '1 m' },
              { metres: 0.1, word: '100 mm' },
              { metres: 0.01, word: '10 mm' },
          ]
        : [
              { metres: 3.048 * 3, word: "30'" },
              { metres: 0.3048 * 3, word: "3'" },
              { metres: 0.0254 * 4, word: '4"' },
              { metres: 0.0254 / 2, word: '1/2"' },
          ];
}

const NEAREST = 0.0005;
const FARTHEST = 40;

/** Logarithmic radius, 0 to 1: from half a millimetre at the centre to forty metres at the rim. */
export function radiusOf(metres: number): number {
    const part = Math.log10(Math.max(metres, NEAREST) / NEAREST) / Math.log10(FARTHEST / NEAREST);
    return Math.max(0, Math.min(1, part));
}
