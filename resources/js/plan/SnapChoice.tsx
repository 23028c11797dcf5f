import { Button } from '../parts/Button';
import { SNAPS, type SnapKind } from './snap';

/** Which kinds of spots the plan offers. */
export function SnapChoice({ snaps, onSnaps }: { snaps: ReadonlySet<SnapKind>; onSnaps: (snaps: ReadonlySet<SnapKind>) => void }) {
    const turn = (kind: SnapKind) => {
        const next = new Set(snaps);
        next.has(kind) ? next.delete(kind) : next.add(kind);
        onSnaps(next);
    };
    return (
        <fieldset>
            <legend className="mb-1 text-sm text-quiet">Offered on the plan</legend>
            <div className="flex flex-wrap gap-1">
                {(Object.keys(SNAPS) as SnapKind[]).map((kind) => (
                    <Button key={kind} className="px-3 text-sm" pressed={snaps.has(kind)} onClick={() => turn(kind)}>
                        {SNAPS[kind]}
                    </Button>
                ))}
            </div>
        </fieldset>
    );
}
