import type { Aim, Live, StakeoutPoint } from '../api/client';
import type { PlanPlace } from '../plan/contract';
import type { StageProps } from '../stage/stages';

export type AimTarget = { kind: 'aim'; aim: Aim; key: string; name: string };

/** What is staked: a prepared point, or what was chosen in the field. */
export type Target = { kind: 'point'; point: StakeoutPoint; key: string; name: string } | AimTarget;

/** Along a line, or at a height, one may stand anywhere. */
export const isAnywhere = (aim: Aim): boolean => ['line', 'elevation', 'alignment', 'surface', 'face'].includes(aim.kind);

export const ofPoint = (point: StakeoutPoint): Target => ({ kind: 'point', point, key: `point ${point.id}`, name: point.name });

export const ofAim = (aim: Aim): Target => ({ kind: 'aim', aim, key: `aim ${aim.id}`, name: aim.name });

export function targetOf({ points, target, aim }: Pick<StageProps, 'points' | 'target' | 'aim'>): Target | null {
    const point = target === null ? undefined : points.find((p) => p.id === target);
    return point ? ofPoint(point) : aim ? ofAim(aim) : null;
}

/** What a measurement is held against, as it was seen when it was asked for. */
export const targetIds = (target: Target | null) =>
    target?.kind === 'point' ? { pointId: target.point.id } : target ? { aimId: target.aim.id, aimVersion: target.aim.version } : {};

/** What a live answer says of this target; null where it still speaks of the one before. */
export function liveOf(
    live: Live | undefined,
    target: Target | null,
): Pick<Live, 'guidance' | 'designed' | 'judged' | 'by' | 'byStation' | 'surfaces' | 'pole' | 'gradeTolerance'> | null {
    if (!live || !target) {
        return null;
    }
    const same =
        target.kind === 'point' ? live.target === target.point.id : live.aim === target.aim.id && live.aimVersion === target.aim.version;
    return same ? live : null;
}

/** Where the target is, or is nearest to the pole. */
export function targetPlace(props: Pick<StageProps, 'points' | 'target' | 'aim' | 'live'>): PlanPlace | null {
    const target = targetOf(props);
    if (target?.kind === 'point') {
        return target.point;
    }
    if (!target || target.aim.kind === 'elevation') {
        return null;
    }
    const led = target.aim.kind === 'line' || target.aim.kind === 'face' || (target.aim.kind === 'alignment' && !target.aim.civil?.grade);
    return (led ? liveOf(props.live, target)?.designed?.place : null) ?? target.aim.place;
}
