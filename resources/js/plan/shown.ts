import { useEffect, useId, useSyncExternalStore } from 'react';
import type { PlanFigure } from './contract';

/** What stages say to the plan while they are there. The plan listens; the page between them holds nothing of it and is not drawn anew. */
export class Shown<T> {
    private readonly said = new Map<string, T>();
    private readonly listeners = new Set<() => void>();

    /** Whoever spoke last is heard; null takes back what was said. */
    say(by: string, what: T | null): void {
        this.said.delete(by);
        if (what !== null) {
            this.said.set(by, what);
        }
        for (const tell of this.listeners) {
            tell();
        }
    }

    readonly heard = (): T | null => [...this.said.values()].at(-1) ?? null;

    readonly listen = (tell: () => void): (() => void) => {
        this.listeners.add(tell);
        return () => this.listeners.delete(tell);
    };
}

/** Worked out, drawn before it is kept. */
export const figures = new Shown<PlanFigure>();

/** Only these points are drawn. */
export const onlyPoints = new Shown<ReadonlySet<number>>();

/** Says it as long as the part is there that says it. */
export function useShow<T>(to: Shown<T>, what: T | null): void {
    const by = useId();
    useEffect(() => to.say(by, what), [to, by, what]);
    useEffect(() => () => to.say(by, null), [to, by]);
}

export const useShown = <T>(of: Shown<T>): T | null => useSyncExternalStore(of.listen, of.heard);
