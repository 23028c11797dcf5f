import { unitMetres } from '../units/format';
import { useUnits } from '../units/UnitsContext';

const WIDEST = 130;

/** Scale and north, always in sight. */
export function ScaleBar({ resolution, rotation }: { resolution: number; rotation: number }) {
    const { length } = useUnits();
    const unit = unitMetres(length);
    const fits = (WIDEST * resolution) / unit;
    const power = 10 ** Math.floor(Math.log10(fits));
    const round = ([5, 2, 1].find((n) => n * power <= fits) ?? 1) * power;
    const name = length === 'm' ? 'm' : length === 'mm' ? 'mm' : length === 'usft' ? 'ft US' : 'ft';
    return (
        <div className="pointer-events-none absolute right-3 bottom-2 flex items-end gap-4">
            <div>
                <div className="figure text-center text-sm">
                    {Number(round.toPrecision(2))} {name}
                </div>
                <div className="h-2 border-2 border-t-0 border-ink" style={{ width: (round * unit) / resolution }} />
            </div>
            <svg viewBox="-12 -18 24 36" className="h-13" role="img" aria-label="North" style={{ transform: `rotate(${rotation}rad)` }}>
                <path d="M0 -16 L7 14 L0 8 L-7 14 Z" fill="var(--ink)" />
                <text x="0" y="7" textAnchor="middle" fontSize="9.5" fontWeight="700" fill="var(--paper)">
                    N
                </text>
            </svg>
        </div>
    );
}
