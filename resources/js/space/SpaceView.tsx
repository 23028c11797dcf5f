import { useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { api, ask, type Schemas } from '../api/client';
import { useBuilt, useDeed } from '../api/hooks';
import { Button } from '../parts/Button';
import { Choice, LengthField, TextField } from '../parts/Field';
import { Failure, Notice } from '../parts/Notice';
import { bodiesOf } from './bodies';
import type { ExampleShown } from './ExampleForm';
import { MeasurePanel } from './MeasurePanel';
import type { Place } from './SpaceDots';
import { type SpaceMark, SpaceScene } from './SpaceScene';
import { ThingPanel } from './ThingPanel';

interface Props {
    project: number;
    /** the drawing that came as a building model */
    design: number;
    /** the instance that is looked at first */
    focus: number | null;
    marks: readonly SpaceMark[];
    onTarget?: (part: Omit<Schemas['AimToTake'], 'key'>) => void;
}

const ALL = '*';
const NONE: Schemas['BuiltPart'][] = [];
/** How much is left about what is cut about, metres. */
const BOX = 1;

/** A building model in space: turned and moved with finger or mouse, by storey and class, cut at a height, each thing told at a touch. */
export function SpaceView({ project, design, focus, marks, onTarget }: Props) {
    const bodies = useQuery({
        queryKey: ['bodies', project, design],
        queryFn: async () => {
            const response = await fetch(`/api/v1/projects/${project}/designs/${design}/bodies`);
            if (!response.ok) {
                throw new Error(
                    ((await response.json().catch(() => null)) as { message?: string } | null)?.message ??
                        'The model could not be fetched. Try again.',
                );
            }
            return bodiesOf(await response.arrayBuffer());
        },
        staleTime: Number.POSITIVE_INFINITY,
        retry: false,
    });
    const canvas = useRef<HTMLCanvasElement>(null);
    const [scene, setScene] = useState<SpaceScene | null>(null);
    const [fault, setFault] = useState<Error | null>(null);
    const [storey, setStorey] = useState(ALL);
    const [kind, setKind] = useState(ALL);
    const [cut, setCut] = useState(1);
    const [words, setWords] = useState('');
    const [touched, setTouched] = useState<{ thing: number; place: Place } | null>(null);
    const [touchedSpot, setTouchedSpot] = useState<{ spot: number; time: number } | null>(null);
    const [hidden, setHidden] = useState<ReadonlySet<number>>(new Set());
    const [only, setOnly] = useState<number | null>(null);
    const [boxed, setBoxed] = useState<number | null>(null);
    const [through, setThrough] = useState(false);
    const [measuring, setMeasuring] = useState(false);
    const model = bodies.data;
    const wanted = words.trim();
    const found = useQuery({
        queryKey: ['things', project, design, wanted],
        queryFn: () =>
            ask(
                api.GET('/api/v1/projects/{project}/designs/{design}/things', {
                    params: { path: { project, design }, query: { words: wanted } },
                }),
            ),
        enabled: wanted !== '',
        staleTime: Number.POSITIVE_INFINITY,
    }).data;
    const saying = useMemo(() => (wanted === '' || !found ? null : new Set(found.numbers)), [wanted, found]);
    const [low, high] = model?.heights ?? [0, 0];

    useEffect(() => {
        const on = canvas.current;
        if (!model || !on) {
            return;
        }
        let made: SpaceScene;
        try {
            made = new SpaceScene(on, model, getComputedStyle(on).backgroundColor);
        } catch {
            setFault(new Error('This browser draws nothing in space: WebGL is switched off, or not there. The plan shows the same model.'));
            return;
        }
        setScene(made);
        const watch = new ResizeObserver(() => made.fit());
        watch.observe(on);
        return () => {
            watch.disconnect();
            made.dispose();
            setScene(null);
        };
    }, [model]);
    const isShown = useCallback(
        (t: number) => {
            const thing = model?.things[t];
            return (
                (storey === ALL || thing?.storey === storey) &&
                (kind === ALL || thing?.class === kind) &&
                (saying === null || saying.has(thing?.instance ?? 0)) &&
                (only === null || t === only) &&
                !hidden.has(t)
            );
        },
        [model, storey, kind, saying, only, hidden],
    );
    useEffect(() => scene?.show(isShown), [scene, isShown]);
    // Of the class of what is touched, what is shown now: chosen by how it is looked at.
    const shownAlike = useMemo(() => {
        const of = touched === null ? undefined : model?.things[touched.thing]?.class;
        return model?.things.flatMap((t, i) => (t.class === of && isShown(i) ? [t.instance] : [])) ?? [];
    }, [model, touched, isShown]);
    useEffect(() => scene?.boxAbout(boxed, BOX), [scene, boxed]);
    useEffect(() => scene?.seeThrough(through), [scene, through]);
    const byInstance = useMemo(() => new Map(model?.things.map((t, i) => [t.instance, i])), [model]);
    const shown = useCallback(
        (example: ExampleShown) => {
            scene?.offer(example.spots);
            scene?.showFound(example.found);
            scene?.light(touched?.thing ?? null, new Set(example.things.flatMap((n) => byInstance.get(n) ?? [])));
        },
        [scene, byInstance, touched],
    );
    // To a tenth of a millimetre: what is typed is what is cut at.
    const cutHeight = Math.round((low + cut * (high - low)) * 1e4) / 1e4;
    useEffect(() => scene?.cutAt(cut >= 1 ? null : cutHeight), [scene, cut, cutHeight]);
    useEffect(() => scene?.mark(marks), [scene, marks]);
    const built = useBuilt(project).data ?? NONE;
    useEffect(
        () =>
            scene?.shot(
                built.flatMap((b) =>
                    b.shots.flatMap((s) =>
                        b.kind === 'face' && s.elevation !== null
                            ? [
                                  {
                                      place: [s.easting, s.northing, s.elevation] as const,
                                      look: s.out ? (s.before > 0 ? ('before' as const) : ('behind' as const)) : ('in' as const),
                                  },
                              ]
                            : [],
                    ),
                ),
            ),
        [scene, built],
    );

    useEffect(() => {
        const thing = focus === null ? undefined : byInstance.get(focus);
        if (scene && thing !== undefined) {
            scene.lookAt(thing);
            scene.light(thing);
            setTouched({ thing, place: scene.middleOf(thing) });
        }
    }, [scene, focus, byInstance]);

    const keepCut = useDeed(project, (body: Schemas['CutWanted']) =>
        ask(api.POST('/api/v1/projects/{project}/designs/{design}/cut', { params: { path: { project, design } }, body })),
    );
    const down = useRef<[number, number]>([0, 0]);
    const thing = touched === null ? null : model?.things[touched.thing];
    const letGo = () => {
        setTouched(null);
        scene?.offer([]);
        scene?.showFound([]);
        scene?.light(null);
    };
    const take = (x: number, y: number) => {
        const spot = scene?.spotAt(x, y) ?? null;
        if (spot !== null) {
            setTouchedSpot({ spot, time: Date.now() });
            return;
        }
        const hit = scene?.touch(x, y) ?? null;
        if (hit === null) {
            letGo();
        } else if (hit.thing !== touched?.thing || onTarget || measuring) {
            // Another face of the same thing is another target.
            scene?.offer([]);
            scene?.showFound([]);
            scene?.light(hit.thing);
            setTouchedSpot(null);
            setTouched(hit);
        }
    };
    return (
        <div className="flex flex-col gap-3 lg:h-full">
            <Failure of={bodies.error ?? fault} />
            {bodies.isPending && <p role="status">The model is being put together…</p>}
            {model && !model.whole && (
                <Notice kind="caution">There is more in the model than is drawn in space. The plan shows all of it.</Notice>
            )}
            {model && !fault && (
                <>
                    <div className="flex flex-wrap items-end gap-2">
                        <div className="w-36">
                            <Choice
                                label="Storey"
                                value={storey}
                                onValue={setStorey}
                                options={[[ALL, 'all storeys'], ...model.storeys.map((s) => [s, s === '' ? 'on none' : s] as const)]}
                            />
                        </div>
                        <div className="w-40">
                            <Choice
                                label="What is shown"
                                value={kind}
                                onValue={setKind}
                                options={[[ALL, 'everything'], ...model.classes.map((c) => [c, c] as const)]}
                            />
                        </div>
                        <label className="grid min-w-36 flex-1 gap-1 text-sm">
                            <span className="text-quiet">{cut >= 1 ? 'Cut at a height: none' : 'Cut at a height'}</span>
                            <input
                                type="range"
                                className="h-12 w-full"
                                min={0}
                                max={1}
                                step={0.005}
                                value={cut}
                                onChange={(e) => setCut(Number(e.target.value))}
                            />
                        </label>
                        {cut < 1 && high > low && (
                            <div className="w-32">
                                <LengthField
                                    label="Height of the cut"
                                    value={cutHeight}
                                    onValue={(v) => v !== null && setCut(Math.min(0.9999, Math.max(0, (v - low) / (high - low))))}
                                />
                            </div>
                        )}
                        <div className="w-40">
                            <TextField
                                label={saying ? `With these words: ${saying.size} of ${model.things.length}` : 'With these words'}
                                aria-label="With these words"
                                value={words}
                                onValue={setWords}
                            />
                        </div>
                        {cut < 1 && (
                            <Button
                                busy={keepCut.isPending}
                                onClick={() =>
                                    keepCut.mutate({
                                        elevation: cutHeight,
                                        storey: storey === ALL ? null : storey,
                                        class: kind === ALL ? null : kind,
                                    })
                                }
                            >
                                Cut onto the plan
                            </Button>
                        )}
                        <Button pressed={measuring} onClick={() => setMeasuring(!measuring)}>
                            Measure
                        </Button>
                        <Button pressed={through} onClick={() => setThrough(!through)}>
                            See through
                        </Button>
                        <Button onClick={() => scene?.lookAtAll()}>Fit the view</Button>
                        <Button
                            onClick={() => {
                                setHidden(new Set());
                                setOnly(null);
                                setBoxed(null);
                                setWords('');
                                scene?.lookAtAll();
                            }}
                        >
                            {hidden.size > 0 ? `Show all, ${hidden.size} hidden` : 'Show all of it'}
                        </Button>
                    </div>
                    <Failure of={keepCut.error} />
                    {keepCut.data && (
                        <Notice>
                            The cut is a drawing of its own now, among the designs: its lines can be touched and staked on the plan.
                        </Notice>
                    )}
                    <div className="grid min-h-0 flex-1 gap-4 lg:grid-cols-[minmax(0,1fr)_23rem]">
                        <div className="relative h-[42vh] lg:h-full">
                            <canvas
                                ref={canvas}
                                aria-label="The model in space: drag to turn it, with two fingers to move it and to come nearer"
                                className="absolute inset-0 h-full w-full touch-none border border-rule bg-paper"
                                onPointerDown={(e) => {
                                    down.current = [e.clientX, e.clientY];
                                }}
                                onPointerUp={(e) => {
                                    const [x, y] = down.current;
                                    if (Math.hypot(e.clientX - x, e.clientY - y) < 8) {
                                        take(e.clientX, e.clientY);
                                    }
                                }}
                            />
                            {touched && (
                                <div className="absolute bottom-2 left-2 flex flex-wrap gap-2">
                                    <Button onClick={() => scene?.lookAt(touched.thing)}>Come near</Button>
                                    <Button
                                        pressed={boxed === touched.thing}
                                        onClick={() => setBoxed(boxed === touched.thing ? null : touched.thing)}
                                    >
                                        Cut all about it
                                    </Button>
                                    <Button pressed={only === touched.thing} onClick={() => setOnly(only === null ? touched.thing : null)}>
                                        Only this
                                    </Button>
                                    <Button
                                        onClick={() => {
                                            setHidden(new Set([...hidden, touched.thing]));
                                            letGo();
                                        }}
                                    >
                                        Hide it
                                    </Button>
                                </div>
                            )}
                        </div>
                        <div className="min-h-0 lg:overflow-auto">
                            {measuring ? (
                                <MeasurePanel
                                    project={project}
                                    design={design}
                                    thing={thing ?? null}
                                    place={touched?.place ?? null}
                                    touchedSpot={touchedSpot}
                                    onShown={shown}
                                />
                            ) : thing && touched ? (
                                <ThingPanel
                                    project={project}
                                    design={design}
                                    thing={thing}
                                    place={touched.place}
                                    touchedSpot={touchedSpot}
                                    built={built}
                                    shownAlike={shownAlike}
                                    onTarget={onTarget}
                                    onShown={shown}
                                    onLookAt={(instance) => {
                                        const at = byInstance.get(instance);
                                        if (at !== undefined) {
                                            scene?.lookAt(at);
                                        }
                                    }}
                                />
                            ) : (
                                <p role="status" className="min-h-12">
                                    {onTarget
                                        ? 'Touch a thing to stake a face, its axis, an edge or a spot of it.'
                                        : 'Touch a thing to be told what it is, and to make points on it and on all like it.'}
                                    {built.some((b) => b.kind === 'face') && (
                                        <span className="mt-2 block text-sm">
                                            Shots on faces: ● as near as is allowed, ▲ in front, ▼ behind.
                                        </span>
                                    )}
                                    {scene?.software && (
                                        <span className="mt-2 block text-sm text-quiet">
                                            No graphics hardware draws here: of a large model only the largest things are drawn while it is
                                            turned.
                                        </span>
                                    )}
                                </p>
                            )}
                        </div>
                    </div>
                </>
            )}
        </div>
    );
}
