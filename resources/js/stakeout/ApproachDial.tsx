import type { Judged, Schemas } from '../api/client';
import { allowedOf, type HeightTolerance } from '../parts/tolerance';
import { useUnits } from '../units/UnitsContext';
import { radiusOf, ringsOf } from './dial';

interface Props {
    guidance: Schemas['Guidance'];
    planTolerance: number;
    heightTolerance: HeightTolerance;
    /** azimuth that points up on the dial, and what lies there */
    up: { azimuth: number; words: string };
    /** where a line is staked: it runs through the centre in its true direction */
    on: Schemas['OnLine'] | null;
    judged: Judged;
}

const R = 140;

/** So high that the three moves stand under it in a low window, too. */
const HEIGHT = 'h-[clamp(9.5rem,calc(100dvh-27rem),16rem)] @2xl:h-72';

/**
 * The target is the centre; the pole comes in on a logarithmic radius. In tolerance the dial becomes a square. What does not count is not
 * drawn as in or out.
 */
export function ApproachDial({ guidance: g, planTolerance, heightTolerance, up, on, judged }: Props) {
    const { length } = useUnits();
    const turn = up.azimuth;
    const onDial = (azimuth: number, radius: number) => ({ x: radius * Math.sin(azimuth - turn), y: -radius * Math.cos(azimuth - turn) });
    const pole = onDial(g.azimuth + Math.PI, radiusOf(g.distance) * R);
    const instrument = onDial(g.facing, R);
    const { planIn } = g;
    const tolerance = radiusOf(planTolerance) * R;
    const verdict = g.verdict === 'in' ? 'var(--in)' : planIn ? 'var(--open)' : 'var(--ink)';
    return (
        <div className="flex flex-[1_0_16rem] @2xl:flex-[0_0_auto] items-stretch justify-center gap-3">
            <svg
                viewBox="-158 -174 316 330"
                className={`${HEIGHT} min-w-0`}
                role="img"
                aria-label={`Approach dial, ${up.words} up${planIn ? ', in tolerance in plan' : ''}`}
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
                {on ? (
                    <LineThrough azimuth={on.azimuth - turn} band={tolerance} colour={verdict} filled={planIn} />
                ) : (
                    <circle r={tolerance} fill={planIn ? verdict : 'none'} fillOpacity="0.18" stroke={verdict} strokeWidth="3" />
                )}
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
                    {up.words} up
                </text>
            </svg>
            <HeightBar raise={g.raise} tolerance={heightTolerance} inside={g.heightIn} counts={judged !== 'plan'} />
        </div>
    );
}

/** A line through the centre, with an arrow the way it runs and its tolerance as a band beside it. */
function LineThrough({ azimuth, band, colour, filled }: { azimuth: number; band: number; colour: string; filled: boolean }) {
    return (
        <g transform={`rotate(${(azimuth * 180) / Math.PI})`}>
            <rect
                x={-band}
                y={-R}
                width={2 * band}
                height={2 * R}
                fill={filled ? colour : 'none'}
                fillOpacity="0.18"
                stroke={colour}
                strokeWidth="2"
            />
            <path d={`M0 ${R} V${-R + 4}`} stroke="var(--ink)" strokeWidth="3.5" />
            <path d={`M-9 ${-R + 20} L0 ${-R + 2} L9 ${-R + 20}`} stroke="var(--ink)" strokeWidth="3.5" fill="none" />
        </g>
    );
}

interface BarProps {
    raise: number | null;
    tolerance: HeightTolerance;
    /** within tolerance, as core judges it */
    inside: boolean;
    /** the height is judged */
    counts: boolean;
    /** in the dial's place, where there is nothing to say in plan */
    large?: boolean;
}

/** The same for height: the pole's tip against the design. */
export function HeightBar({ raise, tolerance, inside, counts, large = false }: BarProps) {
    const half = 130;
    if (raise === null) {
        return <div className="w-12 self-center text-center text-sm text-quiet">no design height</div>;
    }
    const y = Math.sign(raise) * radiusOf(Math.abs(raise)) * half;
    // The pole's tip against the design in the middle: a floor of +0 is in from below alone.
    const high = radiusOf(allowedOf(tolerance, 1)) * half;
    const low = radiusOf(tolerance.heightTolerance) * half;
    const wide = large ? 30 : 9;
    return (
        <svg
            viewBox={large ? '-80 -174 160 330' : '-34 -174 68 330'}
            className={`${HEIGHT} shrink-0`}
            role="img"
            aria-label={`Height${inside ? ', in tolerance' : counts ? '' : ', not judged'}`}
        >
            <rect
                x={-wide}
                y={-half}
                width={2 * wide}
                height={2 * half}
                fill="none"
                stroke={inside ? 'var(--in)' : 'var(--ink)'}
                strokeWidth={inside ? 6 : 2}
                rx={inside ? 0 : 9}
            />
            {counts && (
                <rect
                    x={-wide}
                    y={-high}
                    width={2 * wide}
                    height={high + low}
                    fill="var(--in)"
                    fillOpacity="0.25"
                    stroke="var(--in)"
                    strokeWidth="2"
                />
            )}
            <path d={`M${-wide - 15} ${y} L${-wide - 1} ${y - 9} V${y + 9}Z`} fill="var(--chalk)" />
            {large && <path d={`M${wide + 15} ${y} L${wide + 1} ${y - 9} V${y + 9}Z`} fill="var(--chalk)" />}
            <path d={`M${-wide - 11} 0H${wide + 11}`} stroke="var(--ink)" strokeWidth="2" />
            <text x="0" y="-153" textAnchor="middle" fontSize="20" fontWeight="700" fill="var(--ink)">
                height
            </text>
            {!counts && (
                // Drawn smaller in a low window, and still to be read: drawn together rather than small.
                <text x="0" y="152" textAnchor="middle" fontSize="17" textLength="66" lengthAdjust="spacingAndGlyphs" fill="var(--quiet)">
                    not judged
                </text>
            )}
        </svg>
    );
}
