import type { ControlPoint, Schemas, StakeoutPoint } from '../api/client';
import type { PlanTaken } from '../plan/contract';
import { spotBody } from '../plan/snap';

export type GivenPlace = Schemas['GivenPlace'];
export type GivenDirection = Schemas['GivenDirection'];
export type GivenDistance = Schemas['GivenDistance'];
export type GivenLine = Schemas['GivenLine'];
export type GivenPolyline = Schemas['GivenPolyline'];

/** What was touched, as a place to compute from; null where nothing was within reach. */
export function placeOf({ spot, thing }: PlanTaken): GivenPlace | null {
    if (thing?.what === 'point') {
        return { pointId: thing.id };
    }
    if (thing?.what === 'control') {
        return { controlId: thing.id };
    }
    return spot ? { spot: spotBody(spot) } : null;
}

export interface Named {
    points: StakeoutPoint[];
    control: ControlPoint[];
}

/** The place of a point or control point that is called so. */
export function placeNamed(name: string, { points, control }: Named): GivenPlace | null {
    const p = points.find((x) => x.name === name);
    const c = control.find((x) => x.name === name);
    return p ? { pointId: p.id } : c ? { controlId: c.id } : null;
}

export function placeWords(given: GivenPlace, { points, control }: Named): string {
    if (given.pointId != null) {
        return points.find((p) => p.id === given.pointId)?.name ?? 'a point that is gone';
    }
    if (given.controlId != null) {
        return control.find((c) => c.id === given.controlId)?.name ?? 'control that is gone';
    }
    return given.spot ? `${given.spot.kind === 'start' ? 'end' : given.spot.kind} in the drawing` : '';
}
