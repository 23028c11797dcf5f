import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect, useId, useMemo, useState } from 'react';
import { api, ask, type Schemas } from '../api/client';
import { useWorklists } from '../api/hooks';
import { Button } from '../parts/Button';
import { CheckBox } from '../parts/CheckBox';
import { Choice } from '../parts/Field';
import { Deviation } from '../parts/Figure';
import { Failure, Notice } from '../parts/Notice';
import type { PlanFigure } from '../plan/contract';
import { figures, useShow } from '../plan/shown';
import { drawnDesigns } from '../plan/things';
import { Sheet } from '../stage/Sheet';
import type { StageProps } from '../stage/stages';
import { formatDeviation } from '../units/format';
import { useUnits } from '../units/UnitsContext';
import { type Raster, standFigure, timesOf } from './standFigure';

/** Rows and columns of the first, coarse map, and of the refined one, which comes in bands. */
const COARSE = 40;
const FINE = 200;
const BAND = 25;

/** So many points are told of at most. */
const SHOWN = 500;

interface Place {
    northing: number;
    easting: number;
}

/** Before setting up: a ghost instrument on the plan, what it would see, and how well it would serve the work. */
export function WhereToStand(props: StageProps & { onDone: () => void }) {
    const { project, designs, control, points, setWant, onDone } = props;
    const own = useId();
    const units = useUnits();
    const lists = useWorklists(project.id);
    const [walls, setWalls] = useState<readonly number[]>([]);
    const [list, setList] = useState<number | null>(null);
    const [ghost, setGhost] = useState<Place | null>(null);
    useEffect(() => {
        setWant({ id: own, picking: 'place', onTake: ({ place }) => setGhost(place) });
        return () => setWant(null);
    }, [own, setWant]);
    const here = useQuery({
        queryKey: [project.id, 'stand-here', ghost, walls, list],
        enabled: ghost !== null,
        placeholderData: keepPreviousData,
        queryFn: ({ signal }) =>
            ask(
                api.POST('/api/v1/projects/{project}/stand-here', {
                    signal,
                    params: { path: { project: project.id } },
                    body: { ...(ghost as Place), wallLayers: [...walls], worklistId: list },
                }),
            ),
    });
    const { raster, failure, looking, look } = useRaster(props, walls, list);
    const figure = useMemo<PlanFigure>(
        () => ({ ...standFigure(ghost, here.data ?? null, raster, control, (m) => formatDeviation(m, units.length)), onMoved: setGhost }),
        [ghost, here.data, raster, control, units.length],
    );
    useShow(figures, figure);
    const best = useMemo(() => bestOf(raster), [raster]);
    const layers = drawnDesigns(designs).flatMap((d) => d.layers.filter((l) => l.count > 0));
    return (
        <Sheet
            title="Where to stand"
            next={
                <Button kind="primary" onClick={onDone}>
                    Begin a setup there
                </Button>
            }
        >
            <p>Touch the plan to stand a ghost instrument there, and drag it about.</p>
            <Choice
                label="For staking"
                value={String(list ?? '')}
                options={[['', 'all points still open'], ...(lists.data ?? []).map((l) => [String(l.id), l.name] as const)]}
                onValue={(id) => setList(id === '' ? null : Number(id))}
            />
            <details>
                <summary className="min-h-12 cursor-pointer content-center">
                    Layers that block the sight: {walls.length === 0 ? 'none' : walls.length}
                </summary>
                {layers.map((l) => (
                    <CheckBox
                        key={l.id}
                        label={`${l.name} (${l.count})`}
                        checked={walls.includes(l.id)}
                        onChecked={(on) => setWalls(on ? [...walls, l.id] : walls.filter((id) => id !== l.id))}
                    />
                ))}
            </details>
            <div className="flex flex-wrap gap-2">
                <Button busy={looking} onClick={() => void look()} disabled={points.length === 0 || control.length < 2}>
                    {looking ? 'Looking…' : 'Look for good places'}
                </Button>
                {best && <Button onClick={() => setGhost(best)}>Stand at the best place</Button>}
            </div>
            {points.length === 0 && (
                <Notice kind="info">There is nothing to stake yet: make stakeout points first, then places can be compared.</Notice>
            )}
            {raster && <Legend raster={raster} />}
            <Failure of={failure ?? here.error} />
            {here.data && <Here here={here.data} />}
        </Sheet>
    );
}

function Here({ here }: { here: Schemas['StandHere'] }) {
    return (
        <section className="grid gap-2 border-ink border-t-2 pt-2" aria-label="From the ghost">
            <p>
                Seen from here: {here.seen.length === 0 ? 'no control' : here.seen.join(', ')}
                {here.hidden.length > 0 && <span className="text-quiet">; hidden: {here.hidden.join(', ')}</span>}.
            </p>
            {here.worst === null ? (
                <Notice kind="caution">Too little control is seen from here to set up, or nothing is left to be staked.</Notice>
            ) : (
                <>
                    {here.weakness && <Notice kind="caution">{here.weakness}</Notice>}
                    <p>
                        With all of it, the worst point is <span className="font-semibold">{here.worstName}</span>: it may come out{' '}
                        <Deviation of={here.worst} /> wrong in plan for the setup’s sake (95 of 100).
                    </p>
                    <p className="text-quiet text-sm">
                        On the plan each point has its 95 % ellipse, drawn{' '}
                        <span className="figure">{timesOf(here.points).toLocaleString('en')}</span> times as large as it is
                        {here.points.length === SHOWN && `, the worst ${SHOWN} points`}.
                    </p>
                    {here.best.length > 0 && (
                        <p>
                            Best sighted: <span className="font-semibold">{here.best.join(', ')}</span>; with these the worst point may come
                            out <Deviation of={here.bestWorst} /> wrong.
                        </p>
                    )}
                </>
            )}
        </section>
    );
}

function Legend({ raster }: { raster: Raster }) {
    const steps = raster.steps;
    return (
        <p className="text-sm">
            Lightest: at most a tenth worse than the best place, the worst point within <Deviation of={steps[0]} />; darkest: more than
            twice as bad, beyond <Deviation of={steps[3]} />. Not shaded: too little control is seen.{' '}
            {raster.columns < FINE ? 'Being refined…' : `${FINE} × ${FINE} places.`}
        </p>
    );
}

/** The map of places: coarse at once, then in bands while one looks. */
function useRaster({ project, control, points }: StageProps, walls: readonly number[], list: number | null) {
    const [raster, setRaster] = useState<Raster | null>(null);
    const [failure, setFailure] = useState<Error | null>(null);
    const [looking, setLooking] = useState(false);
    // biome-ignore lint/correctness/useExhaustiveDependencies: other walls or another list make the map untrue
    useEffect(() => setRaster(null), [walls, list]);
    const look = async () => {
        setLooking(true);
        setFailure(null);
        const all = [...control, ...points];
        const [south, north] = [Math.min(...all.map((p) => p.northing)), Math.max(...all.map((p) => p.northing))];
        const [west, east] = [Math.min(...all.map((p) => p.easting)), Math.max(...all.map((p) => p.easting))];
        const size = Math.max(north - south, east - west, 10);
        const origin = { south: (south + north - size) / 2, west: (west + east - size) / 2 };
        const band = (columns: number, fromRow: number, toRow: number) =>
            ask(
                api.POST('/api/v1/projects/{project}/stand-map', {
                    params: { path: { project: project.id } },
                    body: { ...origin, step: size / columns, columns, fromRow, toRow, wallLayers: [...walls], worklistId: list },
                }),
            );
        try {
            const coarse = (await band(COARSE, 0, COARSE)).values;
            setRaster({ ...origin, step: size / COARSE, columns: COARSE, values: coarse, steps: stepsOf(coarse) });
            const fine: number[] = [];
            for (let row = 0; row < FINE; row += BAND) {
                fine.push(...(await band(FINE, row, row + BAND)).values);
            }
            setRaster({ ...origin, step: size / FINE, columns: FINE, values: fine, steps: stepsOf(fine) });
        } catch (error) {
            setFailure(error as Error);
        }
        setLooking(false);
    };
    return { raster, failure, looking, look };
}

/** A tenth worse than the best place, a quarter, a half, and twice as bad: small differences are not made to look large. */
function stepsOf(values: number[]): number[] {
    const best = values.reduce((least, v) => (v > 0 && v < least ? v : least), Number.POSITIVE_INFINITY);
    return [1.1, 1.25, 1.5, 2].map((times) => times * best);
}

function bestOf(raster: Raster | null): Place | null {
    if (!raster) {
        return null;
    }
    let best = -1;
    raster.values.forEach((v, i) => {
        if (v > 0 && (best < 0 || v < (raster.values[best] ?? Number.POSITIVE_INFINITY))) {
            best = i;
        }
    });
    return best < 0
        ? null
        : {
              northing: raster.south + (Math.floor(best / raster.columns) + 0.5) * raster.step,
              easting: raster.west + ((best % raster.columns) + 0.5) * raster.step,
          };
}
