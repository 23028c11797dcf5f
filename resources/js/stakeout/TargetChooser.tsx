import { ChevronLeft, ChevronRight } from 'lucide-react';
import type { Aim, StakeoutPoint } from '../api/client';
import { useGridLines } from '../api/hooks';
import { Button } from '../parts/Button';
import type { PlanPlace } from '../plan/contract';
import type { StageProps } from '../stage/stages';
import { layOf } from './lay';
import { PointChooser } from './PointChooser';
import type { Target } from './target';
import { useChangeAim, useTakeAim } from './useTaking';

interface ChooserProps extends Pick<StageProps, 'project' | 'points' | 'aims'> {
    pole: PlanPlace | null;
    target: Target | null;
    onPoint: (point: StakeoutPoint | null) => void;
    onAim: (aim: Aim) => void;
}

/** What is staked, by name, and the next and the one before: of the points, of the places taken today, or of the parallels of a line. */
export function TargetChooser({ project, points, aims, pole, target, onPoint, onAim }: ChooserProps) {
    const change = useChangeAim(project.id);
    const gridLines = useGridLines(project.id).data ?? [];
    const take = useTakeAim(project.id, onAim);
    const step = (by: number) => {
        if (target?.kind !== 'aim') {
            const index = target ? points.findIndex((p) => p.id === target.point.id) : -1;
            onPoint(points[(index + by + points.length) % points.length] ?? null);
            return;
        }
        const { aim } = target;
        const lay = aim.line && layOf(aim.line);
        const count = lay?.parallels.length ?? 0;
        if (lay && count > 1) {
            change.mutate({ aim, lay: { ...lay, parallel: (lay.parallel + by + count) % count } });
            return;
        }
        const alike = aims.filter((a) => (aim.lineId === null ? a.kind === aim.kind && a.lineId === null : a.lineId === aim.lineId));
        const next = alike[(alike.findIndex((a) => a.id === aim.id) + by + alike.length) % alike.length];
        if (next && next.id !== aim.id) {
            onAim(next);
        }
    };
    return (
        <span className="flex min-w-0 flex-1 items-center gap-1">
            <span className="sr-only">Stake {target?.name}</span>
            <Button kind="bare" aria-label="Previous in the list" onClick={() => step(-1)} icon={<ChevronLeft />} />
            <PointChooser
                points={points}
                aims={aims}
                gridLines={gridLines.filter((g) => !g.ring)}
                from={pole}
                onGridLine={(gridLineId) => take.mutate({ line: { gridLineId } })}
                chosen={target}
                onChoose={(to) => (to === null ? onPoint(null) : to.kind === 'point' ? onPoint(to.point) : onAim(to.aim))}
            />
            <Button kind="bare" aria-label="Next in the list" onClick={() => step(1)} icon={<ChevronRight />} />
        </span>
    );
}
