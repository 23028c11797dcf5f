import { type ReactNode, useState } from 'react';
import type { Judged, Live, Mark, Project } from '../api/client';
import { isTaped, METHODS } from '../parts/foundFrom';
import { besideWords, type OffsetShot as Offset } from '../parts/offsetShot';
import { OffsetShot } from './OffsetShot';
import { SeriesPanel } from './SeriesPanel';
import { type Several, SeveralShots } from './SeveralShots';
import type { Series } from './series';
import type { Target } from './target';
import { useSeries } from './useSeries';
import { useShooting, useStoring } from './useStoring';

interface Shot {
    target: Target | null;
    judged: Judged | null;
    name: string;
    code: string;
    note: string;
}

/** How what is built is measured: the prism itself, beside it, from several shots, or a series while one walks; one of these at a time. */
export function useBuiltShot(project: Project, live: Live | undefined, marks: Mark[], onStored: (mark: Mark, inSeries: boolean) => void) {
    const [offset, setOffset] = useState<Offset | null>(null);
    const [several, setSeveral] = useState<Several | null>(null);
    const [series, setSeries] = useState<Series | null>(null);
    const storing = useStoring(project, (mark) => {
        // What is beside this prism is not beside the next.
        setOffset(null);
        setSeveral(null);
        onStored(mark, false);
    });
    const walking = useSeries(project, live, marks, (mark) => onStored(mark, true));
    const shooting = useShooting(project, (reading) => setSeveral((s) => s && { ...s, taken: [...s.taken, reading] }));
    const shots = several ? METHODS[several.shot.method].shots : [];
    const measure = (shot: Shot) => {
        if (walking.running) {
            walking.stop();
        } else if (series) {
            // Many shots are of no single point.
            walking.begin(series, {
                ...shot,
                target: shot.target?.kind === 'aim' ? shot.target : null,
                name: shot.name || (shot.target?.name ?? ''),
            });
        } else if (several && several.taken.length + 1 < shots.length) {
            shooting.mutate({ target: shot.target, name: shot.name });
        } else {
            storing.store({ ...shot, kind: 'as_built', offset, foundFrom: several && { shot: several.shot, more: several.taken } });
        }
    };
    const ways: ReactNode = (
        <div className="flex flex-wrap gap-2">
            {!several && !series && <OffsetShot value={offset} onValue={setOffset} />}
            {!offset && !series && <SeveralShots value={several} onValue={setSeveral} />}
            {!offset && !several && (
                <SeriesPanel value={series} onValue={setSeries} running={walking.running} count={walking.count} why={walking.why} />
            )}
        </div>
    );
    return {
        ways,
        measure,
        /** what the button says; null where one shot on the prism is measured */
        word: walking.running
            ? `Stop the series (${walking.count})`
            : series
              ? 'Begin the series'
              : several
                ? `Measure shot ${several.taken.length + 1}: ${shots[several.taken.length]}`
                : null,
        running: walking.running,
        ready: several === null || isTaped(several.shot),
        /** what is measured is where the pole stands, and one shot is enough */
        onThePrism: several === null && besideWords(offset, project.units.length) === '',
        busy: storing.busy || shooting.isPending,
        error: storing.error ?? shooting.error,
        question: storing.question,
    };
}
