import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useState } from 'react';
import { api, ask, type Schemas } from '../api/client';
import { useGridLines } from '../api/hooks';
import { KeepCollected } from '../cogo/CollectPlaces';
import { TouchContext } from '../givens/touch';
import { Button } from '../parts/Button';
import { TextField } from '../parts/Field';
import { figures, useShow } from '../plan/shown';
import type { StageProps } from '../stage/stages';
import { CorrectGrid } from './CorrectGrid';
import { GridSource } from './GridSource';
import { KeptGrid } from './KeptGrid';

type Line = Schemas['GridLineResource'];

const NONE: Line[] = [];

/** The building's grid: found in the drawing or typed, corrected by hand; its crossings become points. */
export function GridLines({ onClose, ...props }: StageProps & { onClose: () => void }) {
    const { project, want, setWant } = props;
    const kept = useGridLines(project.id).data ?? NONE;
    const [found, setFound] = useState<Line[] | null>(null);
    const [separator, setSeparator] = useState('');
    const shown = found ?? kept;
    const figure = useMemo(() => (shown.length > 0 ? { paths: shown.map(pathOf), places: shown.flatMap(namesOf) } : null), [shown]);
    useShow(figures, figure);
    useEffect(() => () => setWant(null), [setWant]);
    const collection = { kind: 'gridCrossings', separator } as const;
    const crossings = useQuery({
        queryKey: [project.id, 'collection', collection, kept],
        queryFn: () =>
            ask(
                api.POST('/api/v1/projects/{project}/collections-preview', {
                    params: { path: { project: project.id } },
                    body: { collection },
                }),
            ),
        enabled: kept.length > 1,
        retry: false,
    });
    return (
        <TouchContext value={{ want, setWant }}>
            <form className="grid gap-4 p-4" aria-label="Grid lines" onSubmit={(e) => e.preventDefault()}>
                <div className="flex items-center justify-between gap-2">
                    <h2 className="text-lg font-semibold">Grid lines</h2>
                    <Button onClick={onClose}>Other computations</Button>
                </div>
                {found ? (
                    <CorrectGrid {...props} lines={found} onLines={setFound} onDone={() => setFound(null)} />
                ) : (
                    <>
                        <GridSource {...props} onFound={setFound} />
                        {kept.length > 0 && <KeptGrid project={project} lines={kept} onCorrect={() => setFound(kept)} />}
                        {crossings.data && (
                            <section className="grid gap-3 border-t border-rule pt-3">
                                <p role="status">
                                    <span className="font-semibold">{crossings.data.count} crossings</span>
                                    {crossings.data.names[0] && `, named ${crossings.data.names[0]} and so on`}
                                    {crossings.data.standing > 0 && `; ${crossings.data.standing} stand already`}
                                </p>
                                <TextField label="Between both names" value={separator} onValue={setSeparator} hint="empty: A1" />
                                <KeepCollected
                                    project={project}
                                    collection={collection}
                                    elevation={{ rule: 'asMade', value: 0 }}
                                    count={crossings.data.count - crossings.data.standing}
                                    named
                                />
                            </section>
                        )}
                    </>
                )}
            </form>
        </TouchContext>
    );
}

function pathOf(l: Line): number[] {
    if (!l.ring) {
        return [l.easting1, l.northing1, l.easting2, l.northing2];
    }
    const radius = Math.hypot(l.easting2 - l.easting1, l.northing2 - l.northing1);
    return Array.from({ length: 73 }, (_, i) => [
        l.easting1 + radius * Math.sin((i * Math.PI) / 36),
        l.northing1 + radius * Math.cos((i * Math.PI) / 36),
    ]).flat();
}

function namesOf(l: Line) {
    const ends = [
        { easting: l.easting2, northing: l.northing2, label: l.name, bare: true },
        { easting: l.easting1, northing: l.northing1, label: l.name, bare: true },
    ];
    return l.ring ? ends.slice(0, 1) : ends;
}
