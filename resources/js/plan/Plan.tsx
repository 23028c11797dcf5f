import { useQueries } from '@tanstack/react-query';
import { Compass, Crosshair, Expand, ListChecks, Minus, Plus, SquareDashed, Undo2 } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { ControlPoint, Design, Live, Mark, Project, StakeoutPoint } from '../api/client';
import { shapesQuery } from '../api/hooks';
import { Button } from '../parts/Button';
import type { PlanThing } from './marks';
import { contentOf, type PlanEvents, PlanMap, type PlanPlace } from './PlanMap';
import { ScaleBar } from './ScaleBar';
import { Shapes } from './shapes';
import type { Spot } from './snap';
import { TouchedNote, type TouchedThing } from './TouchedNote';

export interface PlanProps {
    project: Project;
    control: ControlPoint[];
    designs: Design[];
    points: StakeoutPoint[];
    marks: Mark[];
    live: Live | undefined;
    stage: string;
    target: number | null;
    theme: string;
    picking: boolean;
    poleCanBeDragged: boolean;
    onTake: (spot: Spot | null, place: PlanPlace) => void;
    onChoosePoint: (id: number) => void;
    onPoleDragged: (place: PlanPlace) => void;
}

export function Plan(props: PlanProps) {
    const { project, control, designs, points, marks, live, stage, target, picking } = props;
    const element = useRef<HTMLDivElement>(null);
    const plan = useRef<PlanMap | null>(null);
    const callbacks = useRef(props);
    callbacks.current = props;
    const [spot, setSpot] = useState<{ spot: Spot; pixel: number[] } | null>(null);
    const [view, setView] = useState({ northing: 0, easting: 0, resolution: 0.2, rotation: 0 });
    const [touched, setTouched] = useState<TouchedThing | null>(null);
    const [following, setFollowing] = useState(false);

    useEffect(() => {
        if (!element.current) {
            return;
        }
        const events: PlanEvents = {
            onSpot: (found, pixel) => setSpot(found ? { spot: found, pixel } : null),
            onTake: (found, place) => callbacks.current.onTake(found, place),
            onTouch: (thing, drawn, place) => {
                setTouched(thing || drawn ? { thing, drawn, place } : null);
                if (thing?.what === 'point') {
                    callbacks.current.onChoosePoint(thing.id);
                }
            },
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

    const visible = useMemo(() => designs.flatMap((d) => d.layers.filter((l) => l.visible)), [designs]);
    const shapes = useQueries({
        queries: visible.map((l) => shapesQuery(project.id, l.id)),
        combine: (results) => ({ buffers: results.map((r) => r.data), loading: results.filter((r) => r.isPending).length }),
    });
    const layers = useMemo(
        () =>
            visible.flatMap((l, i) =>
                shapes.buffers[i]
                    ? [{ id: l.id, name: l.name, colour: l.colour, strings: l.strings, shapes: new Shapes(shapes.buffers[i]) }]
                    : [],
            ),
        [visible, shapes.buffers],
    );
    const quiet = stage !== 'prepare';
    useEffect(() => plan.current?.showLayers(layers, quiet), [layers, quiet]);

    const things = useMemo(() => thingsOf(control, points, marks, stage, target), [control, points, marks, stage, target]);
    useEffect(() => plan.current?.showThings(things), [things]);

    const station = live?.elsewhere ? null : project.setup;
    const aim = points.find((p) => p.id === target) ?? null;
    const pole = live?.pole ?? null;
    useEffect(() => plan.current?.showMoving(station, pole, pole ? aim : null), [station, pole, aim]);
    useEffect(() => {
        if (following && pole) {
            plan.current?.centreOn(pole);
        }
    }, [following, pole]);

    const content = useMemo(
        () =>
            contentOf(
                [...control, ...points],
                visible.map((l) => l.extent),
            ),
        [control, points, visible],
    );
    const hasContent = content !== null;
    useEffect(() => plan.current?.setContent(content), [content]);
    useEffect(() => {
        if (hasContent) {
            plan.current?.zoomToContent();
        }
    }, [hasContent]);
    useEffect(() => {
        if (plan.current) {
            plan.current.picking = picking;
            plan.current.poleCanBeDragged = props.poleCanBeDragged;
        }
    }, [picking, props.poleCanBeDragged]);
    // biome-ignore lint/correctness/useExhaustiveDependencies: the theme is read from the page once it has been applied
    useEffect(() => plan.current?.repaint(), [props.theme]);

    const instrumentUp = Math.abs(view.rotation) > 1e-6;
    return (
        <div className="relative h-full min-h-0 bg-paper" style={{ gridArea: 'plan' }}>
            <div
                ref={element}
                className="absolute inset-0"
                role="application"
                aria-label="Plan"
                data-view={[view.northing, view.easting, view.resolution, view.rotation].join(' ')}
            />
            <div className="absolute top-2 left-2 flex flex-col gap-1 bg-paper/80" role="toolbar" aria-label="View">
                <Button
                    kind="bare"
                    aria-label="Show everything"
                    title="Show everything"
                    onClick={() => plan.current?.zoomToContent()}
                    icon={<Expand />}
                />
                <Button
                    kind="bare"
                    aria-label="Show the worklist"
                    title="Show the worklist"
                    onClick={() => plan.current?.zoomTo(points)}
                    icon={<ListChecks />}
                />
                <Button
                    kind="bare"
                    aria-label="Zoom to a box"
                    title="Zoom to a box: drag it"
                    onClick={() => plan.current?.startBox()}
                    icon={<SquareDashed />}
                />
                <Button
                    kind="bare"
                    aria-label="Previous view"
                    title="Previous view"
                    onClick={() => plan.current?.previousView()}
                    icon={<Undo2 />}
                />
                <Button kind="bare" aria-label="Nearer" title="Nearer" onClick={() => plan.current?.zoomBy(1)} icon={<Plus />} />
                <Button kind="bare" aria-label="Farther" title="Farther" onClick={() => plan.current?.zoomBy(-1)} icon={<Minus />} />
                <Button
                    kind="bare"
                    aria-label="Follow the pole"
                    title="Follow the pole"
                    pressed={following}
                    onClick={() => setFollowing(!following)}
                    icon={<Crosshair />}
                />
                <Button
                    kind="bare"
                    aria-label={instrumentUp ? 'Turn north up' : 'Turn the instrument up'}
                    title={instrumentUp ? 'Turn north up' : 'Turn the instrument up'}
                    pressed={instrumentUp}
                    onClick={() => plan.current?.turnUp(instrumentUp ? 0 : (live?.guidance?.facing ?? 0))}
                    icon={<Compass style={{ transform: `rotate(${view.rotation}rad)` }} />}
                />
            </div>
            <ScaleBar resolution={view.resolution} rotation={view.rotation} />
            {shapes.loading > 0 && (
                <div className="absolute top-2 left-16 bg-sheet px-3 py-1 text-quiet">Loading {shapes.loading} layers…</div>
            )}
            {picking && spot && (
                <div
                    className="pointer-events-none absolute z-10 max-w-72 border border-ink bg-sheet px-2 py-1 text-sm"
                    style={{ left: (spot.pixel[0] ?? 0) + 18, top: (spot.pixel[1] ?? 0) - 34 }}
                >
                    {spot.spot.label}
                </div>
            )}
            {touched && !picking && (
                <TouchedNote touched={touched} control={control} points={points} designs={designs} onClose={() => setTouched(null)} />
            )}
        </div>
    );
}

/** What each stage puts on the plan: finished points leave it while staking. */
function thingsOf(control: ControlPoint[], points: StakeoutPoint[], marks: Mark[], stage: string, target: number | null) {
    const things: { thing: PlanThing; at: PlanPlace }[] = control.map((c) => ({
        thing: { what: 'control', id: c.id, name: c.name },
        at: c,
    }));
    const showDone = stage === 'prepare' || stage === 'control';
    for (const p of points) {
        const state = p.id === target && stage === 'stake' ? 'target' : p.stakes > 0 ? 'done' : 'open';
        if (state !== 'done' || showDone) {
            things.push({ thing: { what: 'point', id: p.id, name: p.name, state }, at: p });
        }
    }
    if (stage === 'as-built' || stage === 'hand-over') {
        for (const m of marks) {
            if (m.kind !== 'check') {
                things.push({ thing: { what: 'mark', id: m.id, name: m.name, verdict: m.verdict }, at: m.found });
            }
        }
    }
    return things;
}
