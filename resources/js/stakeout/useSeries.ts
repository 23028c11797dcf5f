import { useEffect, useRef, useState } from 'react';
import type { Judged, Live, Mark, Project } from '../api/client';
import { markOf, measure, useDayDeed } from '../api/hooks';
import { isDue, type LastShot, nextName, type Series, stopped } from './series';
import { type Target, targetIds } from './target';

interface Shot {
    target: Target | null;
    judged: Judged | null;
    /** of the series; each shot has a number behind it */
    name: string;
    code: string;
    note: string;
}

/** milliseconds */
const LOOKED_AT = 250;

/**
 * Measures by itself while one walks, every so many metres or seconds; stops where nothing can be measured on, where something must be decided, or when it is told to.
 */
export function useSeries(project: Project, live: Live | undefined, marks: Mark[], onStored: (mark: Mark) => void) {
    const [running, setRunning] = useState<{ series: Series; shot: Shot } | null>(null);
    const [count, setCount] = useState(0);
    const [why, setWhy] = useState<string | null>(null);
    const last = useRef<LastShot | null>(null);
    const names = useRef<string[]>([]);
    const now = useRef(live);
    now.current = live;
    const stop = (reason: string | null) => {
        setRunning(null);
        setWhy(reason);
    };
    const shoot = useDayDeed(project.id, async ({ target, judged, name, code, note }: Shot) => {
        const own = nextName(name, names.current);
        names.current.push(own);
        return markOf(
            await measure(project.id, {
                purpose: 'as_built',
                sighted: own,
                ...targetIds(target),
                mark: { name: own, code, judged, note, offset: null, foundFrom: null },
            }),
        );
    });
    const { mutate, isPending } = shoot;
    // biome-ignore lint/correctness/useExhaustiveDependencies: what is called is the same for as long as a series runs
    useEffect(() => {
        if (!running || isPending) {
            return;
        }
        const look = () => {
            const seen = now.current;
            const reason = stopped(seen);
            if (reason !== null || !seen?.pole) {
                stop(reason);
            } else if (isDue(running.series, last.current, seen, Date.now())) {
                last.current = { northing: seen.pole.northing, easting: seen.pole.easting, at: Date.now() };
                mutate(running.shot, {
                    onSuccess: (mark) => {
                        setCount((c) => c + 1);
                        onStored(mark);
                    },
                    onError: (e) => stop(e.message),
                });
            }
        };
        look();
        const timer = setInterval(look, LOOKED_AT);
        return () => clearInterval(timer);
    }, [running, isPending]);
    return {
        running: running !== null,
        count,
        why,
        begin: (series: Series, shot: Shot) => {
            names.current = marks.map((m) => m.name);
            last.current = null;
            setCount(0);
            setWhy(null);
            setRunning({ series, shot });
        },
        stop: () => stop(null),
    };
}
