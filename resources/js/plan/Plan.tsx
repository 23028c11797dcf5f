import { useQueries } from '@tanstack/react-query';
import { type ReactNode, useEffect, useMemo, useRef, useState } from 'react';
import {
    api,
    ask,
    type ControlPoint,
    type Design,
    type Live,
    type Mark,
    type Project,
    type Schemas,
    type StakeoutPoint,
} from '../api/client';
import { useCodes, useDeed } from '../api/hooks';
import { Button } from '../parts/Button';
import type { DrawnCivil, LabelChoice, PlanEvents, PlanPlace, PlanTaken, Want } from './contract';
import { Inverse, type Ruled } from './Inverse';
import { OFFERED_WITHIN, offerFor } from './offer';
import { contentOf, PlanMap } from './PlanMap';
import { PlanTools } from './PlanTools';
import { changesQuery, curvesQuery, shapesQuery } from './queries';
import { ScaleBar } from './ScaleBar';
import { Shapes } from './shapes';
import {
    boxAsked,
    figures,
    lookAt,
    moreSurfaces,
    offeredSpot,
    offsetLabels,
    onlyPoints,
    pieces,
    practicePole,
    touchedControl,
    touchedSpot,
    useAllShown,
    useShown,
} from './shown';
import type { SnapKind, Spot } from './snap';
import { TouchedNote, type TouchedThing } from './TouchedNote';
import { placeOf, takenWords } from './taken';
import { drawnDesigns, otherDesign, thingsOf } from './things';
import { useGoingAlong } from './useGoingAlong';

const NO_CODES: Schemas['CodeResource'][] = [];

/** What was touched, its line drawn to the very place its figures are computed from. */
function ruledOf(taken: PlanTaken, { points, control }: Pick<PlanProps, 'points' | 'control'>): Ruled | null {
    const given = placeOf(taken);
    const listed = points.find((p) => p.id === given?.pointId) ?? control.find((c) => c.id === given?.controlId);
    const northing = listed?.northing ?? given?.spot?.nearNorthing ?? given?.northing ?? taken.place.northing;
    const easting = listed?.easting ?? given?.spot?.nearEasting ?? given?.easting ?? taken.place.easting;
    return given && { given, words: takenWords(taken), northing, easting };
}

export interface PlanProps {
    project: Project;
    control: ControlPoint[];
    designs: Design[];
    points: StakeoutPoint[];
    marks: Mark[];
    live: Live | undefined;
    stage: string;
    /** control, points or designs are still on their way: too early to show everything */
    loading: boolean;
    target: number | null;
    /** where the target is, or is nearest; null where it is nowhere */
    aimAt: PlanPlace | null;
    /** spots and lines of the drawings can be touched to be staked */
    staking: boolean;
    /** the spot nearest to the pole is offered; locked: and stays the one it is */
    offering: 'off' | 'on' | 'locked';
    /** what is said of something touched, in place of what the plan says */
    note?: (touched: TouchedThing, close: () => void) => ReactNode;
    /** what else may be done with a point or control that was touched */
    moreOf?: (touched: TouchedThing, close: () => void) => ReactNode;
    /** beside the other tools of the plan */
    tools?: ReactNode;
    theme: string;
    want: Want | null;
    snaps: ReadonlySet<SnapKind>;
    chosen: ReadonlySet<number>;
    setChosen: (chosen: ReadonlySet<number>) => void;
    civil: DrawnCivil;
    /** the revision whose changes are drawn over the plan */
    changesOf: number | null;
    poleCanBeDragged: boolean;
    onChoosePoint: (id: number) => void;
    onPoleDragged: (place: PlanPlace) => void;
    onFind: () => void;
}

export function Plan(props: PlanProps) {
    const { project, control, designs, marks, live, stage, target, want } = props;
    const figure = useShown(figures);
    const only = useShown(onlyPoints);
    const touchedPieces = useAllShown(pieces);
    const points = useMemo(() => (only ? props.points.filter((p) => only.has(p.id)) : props.points), [only, props.points]);
    const picking = want?.picking ?? null;
    const element = useRef<HTMLDivElement>(null);
    const plan = useRef<PlanMap | null>(null);
    const callbacks = useRef(props);
    callbacks.current = props;
    const [spot, setSpot] = useState<{ spot: Spot; pixel: number[]; of: number } | null>(null);
    const [view, setView] = useState({ northing: 0, easting: 0, resolution: 0.2, rotation: 0 });
    const [touched, setTouched] = useState<TouchedThing | null>(null);
    const [following, setFollowing] = useState(false);
    const [still, setStill] = useState(false);
    const [said, setSaid] = useState('');
    const [inverse, setInverse] = useState<Ruled[] | null>(null);
    const [labels, setLabels] = useState<LabelChoice>({ name: true, code: false, elevation: false });
    const [labelled, setLabelled] = useState<StakeoutPoint | null>(null);
    const moveLabel = useDeed(project.id, (to: { point: number; north: number | null; east: number | null }) =>
        ask(
            api.PUT('/api/v1/projects/{project}/points/{point}/label', {
                params: { path: { project: project.id, point: to.point } },
                body: { north: to.north, east: to.east },
            }),
        ),
    );
    const measuring = inverse !== null;
    const codes = useCodes(project.id).data ?? NO_CODES;

    const measure = useRef<((taken: PlanTaken) => void) | null>(null);
    const placeLabel = useRef<((place: PlanPlace) => void) | null>(null);
    placeLabel.current =
        labelled &&
        ((place) => {
            moveLabel.mutate({ point: labelled.id, north: place.northing - labelled.northing, east: place.easting - labelled.easting });
            setLabelled(null);
        });
    measure.current = measuring
        ? (taken) => {
              const ruled = ruledOf(taken, callbacks.current);
              // A fourth touch begins anew with the last leg.
              ruled && setInverse((now) => [...((now?.length ?? 0) > 2 ? (now ?? []).slice(-2) : (now ?? [])), ruled]);
          }
        : null;

    useEffect(() => {
        if (!element.current) {
            return;
        }
        const events: PlanEvents = {
            onSpot: (found, pixel, of = 1) => setSpot(found ? { spot: found, pixel, of } : null),
            onTake: (taken) => (measure.current ? measure.current(taken) : callbacks.current.want?.onTake(taken)),
            onBox: (west, south, east, north) => {
                const waiting = boxAsked.heard();
                if (waiting) {
                    waiting({ west, south, east, north });
                    return;
                }
                const { points, chosen, setChosen } = callbacks.current;
                const inside = points.filter((p) => p.easting >= west && p.easting <= east && p.northing >= south && p.northing <= north);
                setChosen(new Set([...chosen, ...inside.map((p) => p.id)]));
            },
            onTouch: (what, lies, place, spots) => {
                if (placeLabel.current) {
                    placeLabel.current(place);
                    return;
                }
                const { staking } = callbacks.current;
                // Whoever stakes touches what the pole stands on, or is to stand on, and not the pole.
                const moving = what?.what === 'pole' || what?.what === 'instrument';
                const thing = staking && moving && (lies || spots.length > 0) ? null : what;
                const drawn = thing ? null : lies;
                const found = { thing, drawn, place, spots: staking ? spots : [], low: made.isLow(place) };
                setTouched(thing || drawn || found.spots.length > 0 ? found : null);
                // What was staked there stands for its point.
                const own = thing?.what === 'mark' ? callbacks.current.marks.find((m) => m.id === thing.id)?.pointId : null;
                const point = thing?.what === 'point' ? thing.id : own;
                if (point != null) {
                    callbacks.current.onChoosePoint(point);
                }
                if (thing?.what === 'control' && callbacks.current.stage === 'set-up') {
                    touchedControl.say('plan', thing.id);
                }
            },
            onStep: setSaid,
            onMove: (centre, resolution, rotation) => setView({ ...centre, resolution, rotation }),
            onPoleDragged: (place) => callbacks.current.onPoleDragged(place),
        };
        const made = new PlanMap(element.current, events);
        plan.current = made;
        return () => {
            plan.current = null;
            made.dispose();
        };
    }, []);

    const visible = useMemo(() => drawnDesigns(designs).flatMap((d) => d.layers.filter((l) => l.visible)), [designs]);
    const shapes = useQueries({
        queries: visible.map((l) => shapesQuery(project.id, l.id)),
        combine: (results) => ({ buffers: results.map((r) => r.data), loading: results.filter((r) => r.isPending).length }),
    });
    const curved = useMemo(() => visible.filter((l) => l.curves > 0), [visible]);
    const curves = useQueries({
        queries: curved.map((l) => curvesQuery(project.id, l.id)),
        combine: (results) => results.map((r) => r.data),
    });
    const read = useRef(new Map<number, Shapes>());
    const layers = useMemo(
        () =>
            visible.flatMap((l, i) => {
                const buffer = shapes.buffers[i];
                const own = l.curves > 0 ? curves[curved.indexOf(l)] : [];
                if (!buffer || !own) {
                    return [];
                }
                const known = read.current.get(l.id) ?? new Shapes(buffer, own);
                read.current.set(l.id, known);
                return [{ id: l.id, name: l.name, ownColour: l.ownColour, pickable: l.pickable, strings: l.strings, shapes: known }];
            }),
        [visible, shapes.buffers, curves, curved],
    );
    const changes = useQueries({
        queries:
            props.changesOf === null
                ? []
                : (['added', 'gone', 'moved'] as const).map((kind) => changesQuery(project.id, props.changesOf ?? 0, kind)),
        combine: (results) => results.flatMap((r) => (r.data ? [r.data] : [])),
    });
    useEffect(() => plan.current?.showChanges(changes), [changes]);
    useEffect(() => plan.current?.showMeasured(inverse ?? []), [inverse]);
    const quiet = stage !== 'prepare';
    useEffect(() => plan.current?.showLayers(layers, quiet), [layers, quiet]);
    // Their chords are those of the layers, so both must be there.
    useEffect(() => layers && plan.current?.showPieces(touchedPieces.flat()), [layers, touchedPieces]);

    const { civil } = props;
    useEffect(() => plan.current?.writeIn(project.units), [project.units]);
    useEffect(() => plan.current?.alignments.show(civil.alignments), [civil.alignments]);
    const more = useAllShown(moreSurfaces);
    useEffect(() => plan.current?.surfaces.show([...civil.surfaces, ...more]), [civil.surfaces, more]);
    useEffect(() => plan.current?.alignments.showContours(civil.contours), [civil.contours]);
    const offsets = useShown(offsetLabels);
    useEffect(() => plan.current?.alignments.showOffsets(offsets ?? []), [offsets]);

    const things = useMemo(
        () => thingsOf(control, points, marks, stage, target, labels, project.units, props.chosen, codes),
        [control, points, marks, stage, target, labels, project.units, props.chosen, codes],
    );
    useEffect(() => plan.current?.showThings(things), [things]);

    const station = live?.elsewhere || live?.another || live?.unproven ? null : project.setup;
    const aim = props.aimAt;
    const pole = live?.pole ?? null;
    const stale = figure?.standsAnew === true;
    useEffect(
        () => (stale ? plan.current?.showMoving(null, null, null) : plan.current?.showMoving(station, pole, pole ? aim : null)),
        [station, pole, aim, stale],
    );
    useEffect(() => {
        if (following && pole) {
            plan.current?.centreOn(pole);
        }
    }, [following, pole]);

    const content = useMemo(
        () => contentOf([...control, ...points], [...drawnDesigns(designs).map((d) => d.extent), ...civil.extents]),
        [control, points, designs, civil.extents],
    );
    const hasContent = content !== null && !props.loading;
    useGoingAlong(plan, still, hasContent, stage, {
        control,
        station,
        aim: stage === 'stake' || stage === 'as-built' ? aim : null,
        pole,
    });
    useEffect(() => plan.current?.setContent(content), [content]);
    useEffect(() => {
        if (hasContent) {
            plan.current?.zoomToContent();
        }
    }, [hasContent]);
    useEffect(() => {
        if (plan.current) {
            plan.current.picker.picking = measuring ? 'place' : picking;
            plan.current.picker.only = want?.only ?? null;
            plan.current.picker.snaps = props.snaps;
            plan.current.poleCanBeDragged = props.poleCanBeDragged;
        }
    }, [picking, want?.only, measuring, props.poleCanBeDragged, props.snaps]);
    // biome-ignore lint/correctness/useExhaustiveDependencies: another field asks, and not only for something else
    useEffect(() => plan.current?.picker.begin(), [want?.id, measuring]);
    useEffect(() => plan.current?.showFigure(figure), [figure]);
    useEffect(() => {
        if (plan.current) {
            plan.current.picker.staking = props.staking;
        }
    }, [props.staking]);
    const { offering } = props;
    const offered = useRef<Spot | null>(null);
    // biome-ignore lint/correctness/useExhaustiveDependencies: other layers offer other spots
    useEffect(() => {
        const picker = plan.current?.picker;
        if (offering === 'off' || !pole || !picker) {
            offered.current = null;
        } else {
            const { easting: x, northing: y } = pole;
            const locked = offering === 'locked';
            const near = locked && offered.current ? [] : picker.snap.spots(x, y, OFFERED_WITHIN, picker.snaps);
            offered.current = offerFor(offered.current, locked, x, y, near);
        }
        offeredSpot.say('walking', offered.current);
    }, [offering, pole, layers, props.snaps]);
    useEffect(() => () => offeredSpot.say('walking', null), []);
    const walkedTo = useShown(offeredSpot);
    const ringed = useShown(touchedSpot) ?? walkedTo;
    useEffect(() => plan.current?.showOffered(ringed), [ringed]);
    const walker = useShown(practicePole);
    useEffect(() => plan.current?.showWalker(walker), [walker]);
    const boxed = useShown(boxAsked) !== null;
    useEffect(() => (boxed ? plan.current?.startBox(true) : plan.current?.stopBox()), [boxed]);
    const asked = useShown(lookAt);
    useEffect(() => {
        if (asked) {
            plan.current?.lookAt(asked);
            lookAt.say('found', null);
        }
    }, [asked]);
    // biome-ignore lint/correctness/useExhaustiveDependencies: the theme is read from the page once it has been applied
    useEffect(() => plan.current?.repaint(), [props.theme]);

    const elsewhere = useMemo(
        () => otherDesign(designs, touched?.place ?? null, 'The touched place') ?? otherDesign(designs, pole, 'The pole'),
        [designs, touched, pole],
    );
    return (
        <div className="relative h-full min-h-0 bg-paper" style={{ gridArea: 'plan' }}>
            <div
                ref={element}
                className="absolute inset-0"
                // biome-ignore lint/a11y/noNoninteractiveTabindex: arrow keys move the plan, and steps from spot to spot begin here
                tabIndex={0}
                role="application"
                aria-label="Plan"
                aria-description="Arrow keys move it, plus and minus zoom, full stop and comma step from spot to spot or from point to point, Enter takes the one offered."
                data-view={[view.northing, view.easting, view.resolution, view.rotation].join(' ')}
            />
            <p className="sr-only" role="status">
                {said}
            </p>
            <PlanTools
                plan={plan}
                points={points}
                following={following}
                onFollow={setFollowing}
                still={still}
                onStill={setStill}
                rotation={view.rotation}
                facing={live?.guidance?.facing ?? 0}
                measuring={measuring}
                onMeasure={(on) => setInverse(on ? [] : null)}
                labels={labels}
                onLabels={setLabels}
                choosing={picking === 'points'}
                onFind={props.onFind}
                more={props.tools}
            />
            <ScaleBar resolution={view.resolution} rotation={view.rotation} />
            {shapes.loading > 0 && (
                <div className="absolute top-2 left-16 bg-sheet px-3 py-1 text-quiet">Loading {shapes.loading} layers…</div>
            )}
            {measuring && <Inverse project={project} places={inverse} layers={layers} onClose={() => setInverse(null)} />}
            {(picking || measuring) && spot && (
                <div
                    className="pointer-events-none absolute z-10 max-w-72 border border-ink bg-sheet px-2 py-1 text-sm"
                    style={{ left: (spot.pixel[0] ?? 0) + 18, top: (spot.pixel[1] ?? 0) - 34 }}
                >
                    {spot.spot.label}
                    {spot.of > 1 && <span className="text-quiet"> · {spot.of} here, full stop for the next</span>}
                </div>
            )}
            {(picking === 'spot' || picking === 'place') && spot && spot.of > 1 && (
                <Button className="absolute right-2 bottom-28 z-10" onClick={() => plan.current?.picker.next()}>
                    Next spot here
                </Button>
            )}
            {touched &&
                !picking &&
                !measuring &&
                (props.note?.(touched, () => setTouched(null)) ?? (
                    <TouchedNote
                        project={project}
                        touched={touched}
                        control={control}
                        points={points}
                        designs={designs}
                        onShow={(places) => plan.current?.zoomTo(places)}
                        onMoveLabel={(point) => {
                            setTouched(null);
                            point.labelEast === null ? setLabelled(point) : moveLabel.mutate({ point: point.id, north: null, east: null });
                        }}
                        more={props.moreOf?.(touched, () => setTouched(null))}
                        onClose={() => setTouched(null)}
                    />
                ))}
            {labelled && (
                <div className="absolute top-2 left-16 z-10 flex items-center gap-3 border-2 border-chalk bg-sheet py-1 pl-4" role="status">
                    Touch where the label of {labelled.name} is to stand.
                    <Button onClick={() => setLabelled(null)}>Cancel</Button>
                </div>
            )}
            {elsewhere && (
                <div className="absolute bottom-14 right-2 max-w-72 border border-open bg-sheet px-3 py-2 text-sm" role="status">
                    {elsewhere}
                </div>
            )}
        </div>
    );
}
