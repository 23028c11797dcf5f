import { lazy, Suspense, useMemo } from 'react';
import type { Design, Schemas } from '../api/client';
import { useSetup } from '../api/hooks';
import { Dialog } from '../parts/Dialog';
import type { StageProps } from '../stage/stages';
import type { SpaceMark } from './SpaceScene';

// With its library of triangles it is as large as all the rest: fetched when it is first asked for.
const SpaceView = lazy(() => import('./SpaceView').then((m) => ({ default: m.SpaceView })));

/** Points more than these would hide the model they stand in. */
const MOST_MARKS = 2000;

interface Props extends StageProps {
    /** the model that is looked at; null where none is */
    model: Design | null;
    /** the instance that is looked at first */
    focus?: number | null;
    onClose: () => void;
    /** where something is chosen to be staked, and not to become points */
    onTarget?: (part: Omit<Schemas['AimToTake'], 'key'>) => void;
}

/** A building model in space, before everything else. */
export function InSpace({ model, focus, onClose, onTarget, ...stage }: Props) {
    const marks = useSpaceMarks(stage);
    return (
        <Dialog open={model !== null} onClose={onClose} title={`${model?.name ?? ''} in space`} wide="full">
            {model && (
                <Suspense fallback={<p role="status">The view is being fetched…</p>}>
                    <SpaceView project={stage.project.id} design={model.id} focus={focus ?? null} marks={marks} onTarget={onTarget} />
                </Suspense>
            )}
        </Dialog>
    );
}

/** Those that can be looked at: with their heights, and of the newest revision. */
export const modelsOf = (designs: readonly Design[]): Design[] =>
    designs.filter((d) => d.placeWord === 'instance' && d.heights === 'used' && d.current);

/** What stands on the site with a height: control, points, pole, instrument. */
function useSpaceMarks({ project, control, allPoints, live }: StageProps): SpaceMark[] {
    const station = useSetup(project.id).data?.current ?? null;
    // A pole that trembles by millimetres is the same one: each new picture costs.
    const seen = live?.pole ? [live.pole.easting, live.pole.northing, live.pole.elevation].map((v) => v?.toFixed(2)).join(' ') : '';
    // biome-ignore lint/correctness/useExhaustiveDependencies: as it was seen
    const pole = useMemo(() => live?.pole ?? null, [seen]);
    return useMemo(() => {
        const at = (what: SpaceMark['what']) => (p: { easting: number; northing: number; elevation: number | null }) =>
            p.elevation === null ? [] : [{ easting: p.easting, northing: p.northing, elevation: p.elevation, what }];
        return [
            ...control.flatMap(at('control')),
            ...(allPoints.length <= MOST_MARKS ? allPoints.flatMap(at('point')) : []),
            ...(pole ? at('pole')(pole) : []),
            ...(station ? at('instrument')(station) : []),
        ];
    }, [control, allPoints, pole, station]);
}
