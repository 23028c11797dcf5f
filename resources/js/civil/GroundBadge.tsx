import type { Project } from '../api/client';
import { formatLength, inWords, sidedLength } from '../units/format';
import { useUnits } from '../units/UnitsContext';
import { PhaseBadge } from './Phases';
import type { Ground } from './useGround';

/** The phase and the surface that are worked with, always in sight, with the legend of what is drawn. */
export function GroundBadge({ project, ground }: { project: Project; ground: Ground }) {
    const { active, legend, loading, look, surfaces } = ground;
    const there =
        look.bands === 'cut_fill'
            ? (surfaces.find((s) => s.id === look.there) ?? surfaces.find((s) => s.kind !== 'design' && s !== active))
            : null;
    return (
        <div className="pointer-events-none absolute top-2 right-2 z-10 flex max-w-[55%] flex-col items-end gap-1">
            <PhaseBadge project={project} />
            {surfaces.length > 0 && (
                <div className="max-w-full border border-ink bg-sheet/90 px-2 py-1 text-sm">
                    <p className="truncate">
                        <span className="text-quiet">Surface</span> <b>{active ? surfaceWords(active.name, project) : 'none chosen'}</b>
                        {loading && ' · being fetched…'}
                    </p>
                    {legend && <LegendRows legend={legend} what={there ? `${there.name} against it` : ''} />}
                </div>
            )}
        </div>
    );
}

/** The name of a surface with its offset in words. */
export function surfaceWords(name: string, project: Project): string {
    const { verticalOffset } = project.civil;
    return verticalOffset === 0
        ? name
        : `${name}, ${formatLength(Math.abs(verticalOffset), project.units.length)} ${verticalOffset < 0 ? 'below' : 'above'} it`;
}

function LegendRows({ legend, what }: { legend: NonNullable<Ground['legend']>; what: string }) {
    const { length } = useUnits();
    const figure = (value: number) =>
        legend.what === 'slope' ? `${(100 * value).toFixed(value < 0.01 ? 1 : 0)} %` : formatLength(value, length);
    const words = ({ from, to, word }: (typeof legend.ranges)[number]): string => {
        if (word === 'within') {
            return `within ${inWords({ ...sidedLength(to, 'height', length), word: null })}`;
        }
        const [a, b] = word === 'fill' ? [-to, -from] : [from, to];
        return `${Number.isFinite(b) ? `${figure(a)} to ${figure(b)}` : `over ${figure(a)}`}${word ? ` ${word}` : ''}`;
    };
    return (
        <section aria-label="Legend">
            {what && <p className="text-quiet">{what}</p>}
            <ul className="leading-tight">
                {legend.ranges.map((r) => (
                    <li key={r.from} className="flex items-center gap-2 tabular-nums">
                        <span
                            aria-hidden="true"
                            className="inline-block h-3.5 w-6 border border-ink/40"
                            style={{
                                background: r.striped
                                    ? `repeating-linear-gradient(135deg, rgb(${r.rgb.join(',')}) 0 4px, rgb(255 255 255 / 0.8) 4px 6px)`
                                    : `rgb(${r.rgb.join(',')})`,
                            }}
                        />
                        {words(r)}
                    </li>
                ))}
            </ul>
        </section>
    );
}
