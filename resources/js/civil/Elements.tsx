import { Length } from '../parts/Figure';
import { formatDirection, formatLength, formatStation } from '../units/format';
import { useUnits } from '../units/UnitsContext';
import type { Alignment } from './hooks';
import { stationAt } from './stationAt';

const LAWS: Record<string, string> = {
    clothoid: 'clothoid',
    bloss: 'Bloss curve',
    cosine: 'cosine curve',
    sinusoid: 'sinusoid',
    biquadratic: 'biquadratic parabola',
    cubic: 'cubic parabola',
};

/** The lines, arcs and spirals of an alignment with their figures. */
export function Elements({ alignment }: { alignment: Pick<Alignment, 'elements' | 'from' | 'equations'> }) {
    const units = useUnits();
    return (
        <table className="list" aria-label="Elements">
            <thead>
                <tr>
                    <th>element</th>
                    <th className="n">begins at</th>
                    <th className="n">length</th>
                    <th>figures</th>
                    <th className="n">direction</th>
                </tr>
            </thead>
            <tbody>
                {alignment.elements.map((e) => (
                    <tr key={e.begins}>
                        <td>{e.kind === 'spiral' ? (LAWS[e.law ?? ''] ?? 'spiral') : e.kind}</td>
                        <td className="n">
                            {formatStation(stationAt(alignment, e.begins).station, units)}
                            {stationAt(alignment, e.begins).region > 1 && ` (${stationAt(alignment, e.begins).region})`}
                        </td>
                        <td className="n">
                            <Length of={e.length} />
                        </td>
                        <td>{figuresOf(e, units.length)}</td>
                        <td className="n">{formatDirection(e.azimuth, units)}</td>
                    </tr>
                ))}
            </tbody>
        </table>
    );
}

function figuresOf(e: Alignment['elements'][number], length: Parameters<typeof formatLength>[1]): string {
    const radius = (r: number | null) => (r === null ? 'straight' : `R ${formatLength(Math.abs(r), length)}`);
    const side = (e.radiusTo ?? e.radiusFrom ?? 0) > 0 ? 'right' : 'left';
    if (e.kind === 'line') {
        return '';
    }
    if (e.kind === 'arc') {
        return `${radius(e.radiusFrom)} to the ${side}`;
    }
    return `${radius(e.radiusFrom)} to ${radius(e.radiusTo)}, to the ${side}${e.parameter === null ? '' : `, A ${formatLength(e.parameter, length)}`}`;
}
