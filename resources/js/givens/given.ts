import type { ControlPoint, Schemas, StakeoutPoint } from '../api/client';

export type GivenPlace = Schemas['GivenPlace'];
export type GivenDirection = Schemas['GivenDirection'];
export type GivenDistance = Schemas['GivenDistance'];
export type GivenLine = Schemas['GivenLine'];
export type GivenPolyline = Schemas['GivenPolyline'];

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
    if (given.element != null) {
        return 'a spot of a model';
    }
    return given.spot ? `${given.spot.kind === 'start' ? 'end' : given.spot.kind} in the drawing` : '';
}
