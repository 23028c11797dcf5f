import type { Units } from '../api/client';
import { formatLength } from '../units/format';
import { useUnits } from '../units/UnitsContext';

/** A distance beside an axis with its side in a word. */
export const offsetWords = (right: number, style: Units['length']): string => {
    const figure = formatLength(Math.abs(right), style);
    return figure === formatLength(0, style) ? 'on the axis' : `${figure} ${right < 0 ? 'left' : 'right'}`;
};

export function Offset({ of }: { of: number }) {
    const { length } = useUnits();
    return <span className="figure">{offsetWords(of, length)}</span>;
}
