import { useEffect, useId, useSyncExternalStore } from 'react';
import type { Schemas } from '../api/client';
import type { DrawnOffset } from './AlignmentLayer';
import type { PlanFigure, PlanPlace } from './contract';
import type { DrawnSurface } from './SurfaceLayer';
import type { Spot } from './snap';

/** What stages say to the plan while they are there. The plan listens; the page between them holds nothing of it and is not drawn anew. */
export class Shown<T> {
    private readonly said = new Map<string, T>();
    private readonly listeners = new Set<() => void>();
    private everything: readonly T[] = [];

    /** Whoever spoke last is heard; null takes back what was said. */
    say(by: string, what: T | null): void {
        this.said.delete(by);
        if (what !== null) {
            this.said.set(by, what);
        }
        this.everything = [...this.said.values()];
        for (const tell of this.listeners) {
            tell();
        }
    }

    readonly heard = (): T | null => this.everything.at(-1) ?? null;

    /** What all say, in the order in which they spoke; the same array until one speaks again. */
    readonly all = (): readonly T[] => this.everything;

    readonly listen = (tell: () => void): (() => void) => {
        this.listeners.add(tell);
        return () => this.listeners.delete(tell);
    };
}

/** Worked out, drawn before it is kept. */
export const figures = new Shown<PlanFigure>();

/** Only these points are drawn. */
export const onlyPoints = new Shown<ReadonlySet<number>>();

/** Lines and arcs of the drawings that were touched for something: seen until they serve or are let go. */
export const pieces = new Shown<readonly Schemas['ShapeRef'][]>();

/** A box that is to be drawn on the plan, and who waits for it; easting and northing of its sides. */
export const boxAsked = new Shown<(box: { west: number; south: number; east: number; north: number }) => void>();

/** A place that was asked for: the plan goes there and tells what is there. */
export const lookAt = new Shown<PlanPlace>();

/** The pole of the practice world as it really is: Parlay measures it, and is not told. */
export const practicePole = new Shown<{ at: PlanPlace; goal: PlanPlace | null; says: string }>();

/** Surfaces that grow, or are looked at, besides those of the project. */
export const moreSurfaces = new Shown<DrawnSurface>();

/** Points that are to be labelled by their station and offset, from which alignment, and whether their feet are drawn. */
export interface StationLabels {
    alignment: number;
    points: readonly number[];
    feet: boolean;
}
export const stationLabels = new Shown<StationLabels>();

/** Labels of station and offset beside points. */
export const offsetLabels = new Shown<readonly DrawnOffset[]>();

/** The spot of a drawing that is offered while walking. */
export const offeredSpot = new Shown<Spot>();

/** The spot of a drawing that was touched and may be taken. */
export const touchedSpot = new Shown<Spot>();

/** Control that was touched while control is to be sighted. */
export const touchedControl = new Shown<number>();

/** The control point that is to be sighted next, by its name. */
export const askedMark = new Shown<string>();

/** A name whose lines in the field book are asked for. */
export const bookOf = new Shown<string>();

/** Says it as long as the part is there that says it. */
export function useShow<T>(to: Shown<T>, what: T | null): void {
    const by = useId();
    useEffect(() => to.say(by, what), [to, by, what]);
    useEffect(() => () => to.say(by, null), [to, by]);
}

export const useAllShown = <T>(of: Shown<T>): readonly T[] => useSyncExternalStore(of.listen, of.all);

export const useShown = <T>(of: Shown<T>): T | null => useSyncExternalStore(of.listen, of.heard);
