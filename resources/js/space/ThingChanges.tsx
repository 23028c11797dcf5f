import { useQuery } from '@tanstack/react-query';
import { api, ask, type Schemas } from '../api/client';
import { Button } from '../parts/Button';
import { Failure } from '../parts/Notice';
import { formatAngle, formatLength } from '../units/format';
import { useUnits } from '../units/UnitsContext';

const MOST_LISTED = 100;

/** What a revision of a building model changed, thing by thing; those with staked points first. */
export function ThingChanges({ project, design, onShow }: { project: number; design: number; onShow: (instance: number) => void }) {
    const units = useUnits();
    const changes = useQuery({
        queryKey: ['thing-changes', project, design],
        queryFn: () => ask(api.GET('/api/v1/projects/{project}/designs/{design}/thing-changes', { params: { path: { project, design } } })),
        retry: false,
    });
    const c = changes.data;
    const all = c ? c.added + c.gone + c.moved + c.turned + c.resized + c.reshaped : 0;
    const words = (t: Schemas['ChangedThing']): string => {
        const size = (s: number[]) => s.map((v) => formatLength(v, units.length)).join(' by ');
        return [
            t.before === null ? 'added' : '',
            t.after === null ? 'gone' : '',
            t.moved > 0 ? `moved ${formatLength(t.moved, units.length)}` : '',
            t.turned > 0 ? `turned ${formatAngle(t.turned, units.angle)}` : '',
            t.resized ? `${size(t.sizeBefore)} became ${size(t.sizeAfter)}` : '',
            t.reshaped ? 'has other faces' : '',
        ]
            .filter((w) => w !== '')
            .join(', ');
    };
    return (
        <div className="mt-2 grid gap-2">
            <Failure of={changes.error} />
            {changes.isPending && <p role="status">The things of both revisions are being compared…</p>}
            {c && (
                <>
                    <p>
                        <span className="font-semibold">Thing by thing:</span>{' '}
                        {(['resized', 'turned', 'reshaped', 'moved', 'added', 'gone'] as const)
                            .filter((k) => c[k] > 0)
                            .map((k) => `${c[k]} ${k}${k === 'moved' ? `, farthest ${formatLength(c.farthest, units.length)}` : ''}`)
                            .join('; ') || 'nothing changed'}
                        ; {c.unchanged} as before.
                        {c.newIds > 0 && ` ${c.newIds} carry a new id, and were known by shape and place.`}
                    </p>
                    <ul>
                        {c.things.slice(0, MOST_LISTED).map((t) => (
                            <li key={`${t.before} ${t.after}`} className="flex items-center gap-2 border-t border-rule py-1">
                                <span className="min-w-0 flex-1 [overflow-wrap:anywhere]">
                                    <span className="font-semibold">{t.name}</span> <span className="text-quiet">{t.class}</span> {words(t)}
                                    {t.points > 0 && (
                                        <span className={t.staked > 0 ? 'text-open' : 'text-quiet'}>
                                            {' · '}
                                            {t.points === 1 ? '1 point' : `${t.points} points`} made from it
                                            {t.staked > 0 && `, ${t.staked} staked`}
                                        </span>
                                    )}
                                </span>
                                {t.after !== null && <Button onClick={() => onShow(t.after ?? 0)}>Show it</Button>}
                            </li>
                        ))}
                    </ul>
                    {all > MOST_LISTED && <p className="text-quiet">and {all - MOST_LISTED} more, not listed</p>}
                </>
            )}
        </div>
    );
}
