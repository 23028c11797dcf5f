import type { Schemas } from '../api/client';
import { formatLength } from '../units/format';
import { useUnits } from '../units/UnitsContext';
import { DASHES } from './LineSample';
import { niceStep, rangeOf, runLine } from './lookLines';
import { useWidth } from './useWidth';

const LEFT = 84;
const BOTTOM = 30;

interface Props {
    section: Schemas['RoadSection'];
    /** metres to either side */
    width: number;
    height: number;
    pole: { right: number; elevation: number | null } | null;
}

/** What lies across an alignment: design and ground, looking along it, with the pole in its place. */
export function SectionDrawing({ section, width, height, pole }: Props) {
    const units = useUnits();
    const [measured, wide] = useWidth();
    const design = section.design.flatMap((p) => [p.offset, p.elevation]);
    const heights = [
        ...section.design.map((p) => p.elevation),
        ...section.surfaces.flatMap((s) => s.runs.flatMap((r) => r.line.filter((_, i) => i % 2 === 1))),
        ...(section.axis === null ? [] : [section.axis]),
        ...(pole?.elevation == null ? [] : [pole.elevation]),
    ];
    const range = rangeOf(heights);
    if (!range) {
        return <p className="text-quiet">Nothing is known across it here.</p>;
    }
    const x = (right: number) => LEFT + ((wide - LEFT - 10) * (right + width)) / (2 * width);
    const perMetre = (wide - LEFT - 10) / (2 * width);
    const taller = [20, 10, 5, 2, 1].find((n) => n * perMetre * (range.high - range.low) <= height - BOTTOM - 12) ?? 1;
    const middle = (range.low + range.high) / 2;
    const y = (z: number) => (height - BOTTOM) / 2 + 4 - (z - middle) * perMetre * taller;
    const step = niceStep((range.high - range.low) / 4);
    const levels = [];
    for (let z = Math.ceil(range.low / step) * step; z <= range.high; z += step) {
        levels.push(z);
    }
    return (
        <div ref={measured} className="w-full shrink-0">
            <svg viewBox={`0 0 ${wide} ${height}`} height={height} className="block w-full bg-paper" role="img" aria-label="Cross-section">
                <title>{`Cross-section, heights drawn ${taller} times taller`}</title>
                {levels.map((z) => (
                    <g key={z}>
                        <line x1={LEFT} x2={wide - 10} y1={y(z)} y2={y(z)} className="stroke-rule" strokeWidth="1" />
                        <text x={LEFT - 6} y={y(z) + 4} textAnchor="end" className="fill-ink text-[13px] tabular-nums">
                            {formatLength(z, units.length)}
                        </text>
                    </g>
                ))}
                <line x1={x(0)} x2={x(0)} y1={4} y2={height - BOTTOM} className="stroke-ink" strokeWidth="1" strokeDasharray="10 3 2 3" />
                <text x={LEFT} y={height - 6} className="fill-ink text-[13px]">
                    {formatLength(width, units.length)} left
                </text>
                <text x={x(0)} y={height - 6} textAnchor="middle" className="fill-ink text-[13px]">
                    axis, looking along · heights ×{taller}
                </text>
                <text x={wide - 10} y={height - 6} textAnchor="end" className="fill-ink text-[13px]">
                    {formatLength(width, units.length)} right
                </text>
                {section.surfaces.map((s, i) =>
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
                {design.length > 2 && <path d={runLine(design, x, y)} fill="none" className="stroke-ink" strokeWidth="3" />}
                {pole && Math.abs(pole.right) <= width && (
                    <g>
                        <line x1={x(pole.right)} x2={x(pole.right)} y1={4} y2={height - BOTTOM} className="stroke-out" strokeWidth="2" />
                        {pole.elevation !== null && <circle cx={x(pole.right)} cy={y(pole.elevation)} r="6" className="fill-out" />}
                    </g>
                )}
            </svg>
        </div>
    );
}
