import { useMemo } from 'react';
import type { Aim } from '../api/client';
import type { FigurePlace, PlanFigure } from '../plan/contract';
import { figures, useShow } from '../plan/shown';

/** What was chosen in the field, drawn on the plan, whatever layers are hidden: the line with its start marked, and the places taken. */
export function useAimFigure(aim: Aim | null, aims: Aim[]): void {
    const figure = useMemo(() => figureOf(aim, aims), [aim, aims]);
    useShow(figures, figure);
}

export function figureOf(aim: Aim | null, aims: Aim[]): PlanFigure | null {
    if (!aim) {
        return null;
    }
    const line = aim.line ?? aims.find((a) => a.id === aim.lineId)?.line ?? null;
    const alike = aims.filter(
        (a) => a.kind !== 'line' && a.kind !== 'elevation' && (aim.line ? a.lineId === aim.id : a.lineId === aim.lineId),
    );
    const places: FigurePlace[] = alike.flatMap((a) => (a.place ? [{ ...a.place, label: a.name, quiet: a.id !== aim.id }] : []));
    if (line) {
        places.push({ ...line.start, label: line.closed ? 'start and end' : 'start' });
        if (!line.closed) {
            places.push({ ...line.end, label: 'end', quiet: true });
        }
    }
    return {
        paths: line ? [line.flat] : [],
        places,
        evidence: line && line.touched.length > 0 ? [{ flat: line.touched, as: 'unused' }] : [],
    };
}
