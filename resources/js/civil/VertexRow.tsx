import { Trash2 } from 'lucide-react';
import type { Schemas } from '../api/client';
import { Button } from '../parts/Button';
import { Choice, LengthField } from '../parts/Field';
import type { Alignment } from './hooks';
import { StationField } from './StationField';

type Vertex = Schemas['TypedVertex'];
type Rounding = 'none' | 'parabola' | 'unequal' | 'circle';

const ROUNDINGS: readonly (readonly [Rounding, string])[] = [
    ['none', 'not rounded'],
    ['parabola', 'parabola'],
    ['unequal', 'unequal parabola'],
    ['circle', 'circle'],
];

/** A length to begin with, metres. */
const FIRST = { length: 20, radius: 500 };

const roundingOf = (v: Vertex): Rounding =>
    v.radius != null ? 'circle' : v.out != null ? 'unequal' : (v.length ?? 0) > 0 ? 'parabola' : 'none';

/** What a vertex is once it is rounded so; lengths are kept as far as they say the same. */
export function rounded(v: Vertex, how: Rounding): Partial<Vertex> {
    const whole = (v.length ?? 0) + (v.out ?? 0) || FIRST.length;
    switch (how) {
        case 'none':
            return { length: 0, out: null, radius: null };
        case 'parabola':
            return { length: whole, out: null, radius: null };
        case 'unequal':
            return { length: v.out == null ? whole / 2 : v.length, out: v.out ?? whole / 2, radius: null };
        case 'circle':
            return { length: 0, out: null, radius: v.radius ?? FIRST.radius };
    }
}

interface Props {
    project: number;
    alignment: Alignment;
    vertex: Vertex;
    number: number;
    /** the first and the last are not rounded */
    isEnd: boolean;
    onChange: (part: Partial<Vertex>) => void;
    onRemove: () => void;
}

/** A point of vertical intersection as it is typed: station, elevation, and how it is rounded. */
export function VertexRow({ project, alignment, vertex: v, number, isEnd, onChange, onRemove }: Props) {
    const how = roundingOf(v);
    return (
        <fieldset className="border-rule border-b pb-2">
            <legend className="sr-only">Vertex {number}</legend>
            <div className="grid grid-cols-[1fr_1fr_auto] items-start gap-2">
                <StationField
                    label="Station"
                    project={project}
                    alignment={alignment}
                    value={v.along}
                    onValue={(along) => along !== null && onChange({ along })}
                />
                <LengthField label="Elevation" value={v.elevation} onValue={(elevation) => elevation !== null && onChange({ elevation })} />
                <Button className="mt-5" kind="bare" aria-label={`Take out vertex ${number}`} icon={<Trash2 />} onClick={onRemove} />
            </div>
            {!isEnd && (
                <div className="mt-2 grid grid-cols-2 gap-2 sm:grid-cols-3">
                    <Choice label="Rounded by" value={how} onValue={(to) => onChange(rounded(v, to))} options={ROUNDINGS} />
                    {how === 'parabola' && (
                        <LengthField
                            label="Length of curve"
                            value={v.length ?? 0}
                            onValue={(l) => l !== null && l > 0 && onChange({ length: l })}
                        />
                    )}
                    {how === 'unequal' && (
                        <>
                            <LengthField
                                label="Before the vertex"
                                value={v.length ?? 0}
                                onValue={(l) => l !== null && l > 0 && onChange({ length: l })}
                            />
                            <LengthField label="After it" value={v.out ?? 0} onValue={(l) => l !== null && l > 0 && onChange({ out: l })} />
                        </>
                    )}
                    {how === 'circle' && (
                        <LengthField label="Radius" value={v.radius ?? 0} onValue={(r) => r !== null && r > 0 && onChange({ radius: r })} />
                    )}
                </div>
            )}
        </fieldset>
    );
}
