import type { Schemas } from '../api/client';
import { formatLength, formatStation } from '../units/format';
import { useUnits } from '../units/UnitsContext';
import type { Alignment } from './hooks';
import { DASHES } from './LineSample';
import { niceStep, rangeOf, runLine } from './lookLines';
import { useWidth } from './useWidth';

interface Props {
    alignment: Alignment;
    surfaces: readonly Schemas['HeightsAlong'][];
    /** which of the alignment's profiles is the design */
    profile: number | null;
    /** pixels */
    height: number;
    /** where the pole stands: metres along, and its height */
    at: { along: number; elevation: number | null } | null;
    /** vertices that are being typed, drawn as they are */
    typed?: readonly Schemas['TypedVertex'][];
    /** how much taller heights are drawn; fitted where null */
    exaggeration?: number | null;
}

const LEFT = 84;
const BOTTOM = 30;

/** Ground and design along an alignment. The scale of heights is said, and changes no figure. */
export function ProfileDrawing({ alignment, surfaces, profile, height, at, typed, exaggeration = null }: Props) {
    const units = useUnits();
    const [measured, wide] = useWidth();
    const design = profile === null ? null : (alignment.profiles[profile] ?? null);
    const others = alignment.profiles.filter((p, i) => i !== profile && p.ground);
    const heights = [
        ...(design?.line.filter((_, i) => i % 2 === 1) ?? []),
        ...others.flatMap((p) => p.line.filter((_, i) => i % 2 === 1)),
        ...surfaces.flatMap((s) => s.runs.flatMap((r) => r.line.filter((_, i) => i % 2 === 1))),
        ...(typed?.map((v) => v.elevation) ?? []),
        ...(at?.elevation == null ? [] : [at.elevation]),
    ];
    const range = rangeOf(heights);
    if (!range) {
        return <p className="text-quiet">No heights are known along it: type a profile, or show a surface that it crosses.</p>;
    }
    const x = (along: number) => LEFT + ((wide - LEFT - 10) * along) / alignment.length;
    const fitted = ((height - BOTTOM - 16) / (range.high - range.low)) * (alignment.length / (wide - LEFT - 10));
    const taller = exaggeration ?? niceBelow(fitted);
    const perMetre = (taller * (wide - LEFT - 10)) / alignment.length;
    const middle = (range.low + range.high) / 2;
    const y = (z: number) => (height - BOTTOM) / 2 + 4 - (z - middle) * perMetre;
    const step = niceStep((range.high - range.low) / 4);
    const levels = [];
    for (let z = Math.ceil(range.low / step) * step; z <= range.high; z += step) {
        levels.push(z);
    }
    const marks = alignment.marks.filter((m) => m.name !== '' && m.name !== '=');
    return (
        <div ref={measured} className="w-full shrink-0">
            <svg
                viewBox={`0 0 ${wide} ${height}`}
                height={height}
                className="block w-full bg-paper"
                role="img"
                aria-label={`Profile along ${alignment.name}`}
            >
                <title>{`Profile along ${alignment.name}, heights drawn ${taller} times taller`}</title>
                {levels.map((z) => (
                    <g key={z}>
                        <line x1={LEFT} x2={wide - 10} y1={y(z)} y2={y(z)} className="stroke-rule" strokeWidth="1" />
                        <text x={LEFT - 6} y={y(z) + 4} textAnchor="end" className="fill-ink text-[13px] tabular-nums">
                            {formatLength(z, units.length)}
                        </text>
                    </g>
                ))}
                {marks.map((m, i) => (
                    <g key={`${m.along} ${m.name}`}>
                        <line
                            x1={x(m.along)}
                            x2={x(m.along)}
                            y1={4}
                            y2={height - BOTTOM}
                            className="stroke-rule"
                            strokeWidth="1"
                            strokeDasharray="2 4"
                        />
                        {(i === 0 || i === marks.length - 1 || x(m.along) - x(marks[i - 1]?.along ?? 0) > 64) && (
                            <text
                                x={x(m.along)}
                                y={height - 16}
                                textAnchor={i === marks.length - 1 ? 'end' : 'middle'}
                                className="fill-ink text-[13px]"
                            >
                                {m.name}
                            </text>
                        )}
                    </g>
                ))}
                <text x={LEFT} y={height - 3} className="fill-ink text-[12px] tabular-nums">
                    {formatStation(alignment.from, units)}
                </text>
                <text x={wide - 10} y={height - 3} textAnchor="end" className="fill-ink text-[12px] tabular-nums">
                    {formatStation(alignment.to, units)} · heights ×{taller}
                </text>
                {surfaces.map((s, i) =>
                    s.runs.map((r) => (
                        <path
                            key={`${s.id} ${r.line[0]}`}
                            d={runLine(r.line, x, y)}
                            fill="none"
                            className={s.kind === 'design' ? 'stroke-chalk' : 'stroke-quiet'}
                            strokeWidth="2"
                            strokeDasharray={DASHES[i % DASHES.length]}
                        />
                    )),
                )}
                {others.map((p) => (
                    <path
                        key={p.name}
                        d={runLine(p.line, x, y)}
                        fill="none"
                        className="stroke-quiet"
                        strokeWidth="1.5"
                        strokeDasharray="2 4"
                    />
                ))}
                {design && <path d={runLine(design.line, x, y)} fill="none" className="stroke-ink" strokeWidth="3" />}
                {typed && typed.length > 1 && (
                    <path
                        d={runLine(
                            typed.flatMap((v) => [v.along, v.elevation]),
                            x,
                            y,
                        )}
                        fill="none"
                        className="stroke-chalk"
                        strokeWidth="1.5"
                        strokeDasharray="6 4"
                    />
                )}
                {at && at.along >= 0 && at.along <= alignment.length && (
                    <g>
                        <line x1={x(at.along)} x2={x(at.along)} y1={4} y2={height - BOTTOM} className="stroke-out" strokeWidth="2" />
                        {at.elevation !== null && <circle cx={x(at.along)} cy={y(at.elevation)} r="6" className="fill-out" />}
                    </g>
                )}
            </svg>
        </div>
    );
}

const niceBelow = (value: number): number => [100, 50, 20, 10, 5, 2, 1].find((n) => n <= value) ?? 1;
