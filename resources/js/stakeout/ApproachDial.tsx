import type { Schemas } from '../api/client';
import { useUnits } from '../units/UnitsContext';
import { radiusOf, ringsOf } from './dial';

interface Props {
    guidance: Schemas['Guidance'];
    planTolerance: number;
    heightTolerance: number;
    /** what is up on the dial */
    up: 'instrument' | 'north';
}

const R = 140;

/** So high that the three moves stand under it in a low window, too. */
const HEIGHT = 'h-[clamp(9.5rem,calc(100dvh-27rem),16rem)] @2xl:h-72';

/** The target is the centre; the pole comes in on a logarithmic radius. In tolerance the dial becomes a square. */
export function ApproachDial({ guidance: g, planTolerance, heightTolerance, up }: Props) {
    const { length } = useUnits();
    const turn = up === 'instrument' ? g.facing : 0;
    const onDial = (azimuth: number, radius: number) => ({ x: radius * Math.sin(azimuth - turn), y: -radius * Math.cos(azimuth - turn) });
    const pole = onDial(g.azimuth + Math.PI, radiusOf(g.distance) * R);
    const instrument = onDial(g.facing, R);
    const planIn = g.distance <= planTolerance + 1e-6;
    const tolerance = radiusOf(planTolerance) * R;
    const verdict = g.verdict === 'in' ? 'var(--in)' : planIn ? 'var(--open)' : 'var(--ink)';
    return (
        <div className="flex flex-[1_0_16rem] @2xl:flex-[0_0_auto] items-stretch justify-center gap-3">
            <svg
                viewBox="-158 -174 316 330"
                className={`${HEIGHT} min-w-0`}
                role="img"
                aria-label={`Approach dial, ${up} up${planIn ? ', in tolerance in plan' : ''}`}
            >
                {planIn ? (
                    <rect x={-R} y={-R} width={2 * R} height={2 * R} rx="10" fill="none" stroke={verdict} strokeWidth="12" />
                ) : (
                    <circle r={R} fill="none" stroke="var(--ink)" strokeWidth="2.5" />
                )}
                {ringsOf(length).map((ring) => (
                    <g key={ring.word}>
                        <circle r={radiusOf(ring.metres) * R} fill="none" stroke="var(--quiet)" strokeWidth="1" strokeDasharray="2 4" />
                        <text
                            x={radiusOf(ring.metres) * R * 0.72 + 3}
                            y={radiusOf(ring.metres) * R * 0.72 + 4}
                            fontSize="20"
                            fill="var(--quiet)"
                        >
                            {ring.word}
                        </text>
                    </g>
                ))}
                <circle r={tolerance} fill={planIn ? verdict : 'none'} fillOpacity="0.18" stroke={verdict} strokeWidth="3" />
                <path d="M-7 0H7M0 -7V7" stroke="var(--ink)" strokeWidth="2" />
                <g transform={`translate(${instrument.x} ${instrument.y})`}>
                    <rect x="-11" y="-11" width="22" height="22" fill="var(--paper)" stroke="var(--ink)" strokeWidth="2" />
                    <path d="M-6 7 L0 -7 L6 7 M0 -7 V7" stroke="var(--ink)" strokeWidth="2" fill="none" />
                </g>
                {!planIn && (
                    <line
                        x1={pole.x}
                        y1={pole.y}
                        x2={pole.x * 0.12}
                        y2={pole.y * 0.12}
                        stroke="var(--chalk)"
                        strokeWidth="5"
                        markerEnd="url(#dial-tip)"
                    />
                )}
                <circle cx={pole.x} cy={pole.y} r="10" fill="var(--chalk)" stroke="var(--sheet)" strokeWidth="3" />
                <defs>
                    <marker id="dial-tip" viewBox="0 0 10 10" refX="6" refY="5" markerWidth="4" markerHeight="4" orient="auto">
                        <path d="M0 0L10 5L0 10Z" fill="var(--chalk)" />
                    </marker>
                </defs>
                <text x="0" y="-154" textAnchor="middle" fontSize="20" fontWeight="700" fill="var(--ink)">
                    {up === 'instrument' ? 'instrument up' : 'north up'}
                </text>
            </svg>
            <HeightBar raise={g.raise} tolerance={heightTolerance} />
        </div>
    );
}

/** The same for height: the pole's tip against the design. */
function HeightBar({ raise, tolerance }: { raise: number | null; tolerance: number }) {
    const half = 130;
    if (raise === null) {
        return <div className="w-12 self-center text-center text-sm text-quiet">no design height</div>;
    }
    const inside = Math.abs(raise) <= tolerance + 1e-6;
    const y = Math.sign(raise) * radiusOf(Math.abs(raise)) * half;
    const band = radiusOf(tolerance) * half;
    return (
        <svg viewBox="-34 -174 68 330" className={`${HEIGHT} shrink-0`} role="img" aria-label={`Height${inside ? ', in tolerance' : ''}`}>
            <rect
                x="-9"
                y={-half}
                width="18"
                height={2 * half}
                fill="none"
                stroke="var(--ink)"
                strokeWidth={inside ? 5 : 2}
                rx={inside ? 0 : 9}
            />
            <rect x="-9" y={-band} width="18" height={2 * band} fill="var(--in)" fillOpacity="0.25" stroke="var(--in)" strokeWidth="2" />
            <path d={`M-24 ${y} L-10 ${y - 9} V${y + 9}Z`} fill="var(--chalk)" />
            <path d="M-20 0H20" stroke="var(--ink)" strokeWidth="2" />
            <text x="0" y="-153" textAnchor="middle" fontSize="20" fontWeight="700" fill="var(--ink)">
                height
            </text>
        </svg>
    );
}
