import { useEffect, useMemo, useRef } from 'react';
import type { Schemas } from '../api/client';
import { Length } from '../parts/Figure';
import { figures, useShow } from '../plan/shown';
import { formatArea, formatVolume, inWords, sidedLength } from '../units/format';
import { useUnits } from '../units/UnitsContext';

/** A volume with its second figures beside it, its outline on the plan. */
export function VolumeResult({ found: v }: { found: Schemas['VolumeFound'] }) {
    const { length } = useUnits();
    const figure = useMemo(
        () => ({
            paths: v.outline.length > 0 ? [v.outline] : [],
            places: [
                ...(v.deepestCutAt ? [{ ...v.deepestCutAt, label: 'deepest cut' }] : []),
                ...(v.deepestFillAt ? [{ ...v.deepestFillAt, label: 'deepest fill' }] : []),
            ],
        }),
        [v],
    );
    useShow(figures, figure);
    const row = (name: string, cut: number, fill: number) => (
        <tr>
            <td>{name}</td>
            <td className="n">{formatVolume(cut, length)}</td>
            <td className="n">{formatVolume(fill, length)}</td>
            <td className="n">
                {formatVolume(Math.abs(cut - fill), length)} {cut >= fill ? 'cut' : 'fill'}
            </td>
        </tr>
    );
    // What was asked for is seen, however long the form above it is.
    const section = useRef<HTMLElement>(null);
    useEffect(() => {
        if (v.of !== '') {
            section.current?.scrollIntoView({ block: 'start' });
        }
    }, [v]);
    return (
        <section ref={section} aria-label="The volume" className="grid gap-2">
            <h3 className="font-semibold">{v.of}</h3>
            <table className="list" aria-label="Volumes">
                <thead>
                    <tr>
                        <th>by</th>
                        <th className="n">cut</th>
                        <th className="n">fill</th>
                        <th className="n">net</th>
                    </tr>
                </thead>
                <tbody>
                    {row('prisms, exact', v.cut, v.fill)}
                    {row('a grid', v.gridCut, v.gridFill)}
                    {v.endAreaCut !== null && v.endAreaFill !== null && row('end areas', v.endAreaCut, v.endAreaFill)}
                </tbody>
            </table>
            <p className="text-sm">
                Over {formatArea(v.area, length)}: {formatArea(v.cutArea, length)} in cut, {formatArea(v.fillArea, length)} in fill. On
                average {inWords(sidedLength(v.thickness, 'grade', length))}; at most <Length of={v.deepestCut} /> cut and{' '}
                <Length of={v.deepestFill} /> fill.
            </p>
            <p className="text-sm text-quiet">
                Cut is where what is there lies above. The grid has columns <Length of={v.gridWidth} /> wide
                {v.sections.length > 0 &&
                    `; end areas of ${v.sections.length} sections give too much where an area begins or ends between two of them`}
                .
            </p>
        </section>
    );
}
