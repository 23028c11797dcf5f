import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ArrowDown, ArrowLeft, ArrowRight, ArrowUp, X } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { api, ask, type ControlPoint, type Schemas } from '../api/client';
import { Button } from '../parts/Button';
import { CheckBox } from '../parts/CheckBox';
import { LengthField } from '../parts/Field';
import { Length } from '../parts/Figure';
import { Failure, Notice } from '../parts/Notice';
import { askedMark, practicePole, useShow, useShown } from '../plan/shown';
import type { StageProps } from '../stage/stages';

const STEPS = [1, 0.1, 0.01, 0.001];

type World = Schemas['WorldResource'];

/** What practitioners find behind a bad residual, each as something that is done to the world. */
const BLUNDERS: [string, (mark: string, world: World) => Schemas['PracticeBody'] | null][] = [
    ['Pole slides 100 mm in', (_, w) => ({ do: 'pole', height: w.pole.height - 0.1 })],
    ['Another prism, 34.4 mm', () => ({ do: 'pole', prismConstant: 0.0344 })],
    ['Usual prism again', () => ({ do: 'pole', prismConstant: 0 })],
    ['Mark moves 60 mm', (mark) => ({ do: 'move_mark', mark, north: 0.05, east: 0.033, up: 0 })],
    ['Mark sinks 40 mm', (mark) => ({ do: 'move_mark', mark, north: 0, east: 0, up: -0.04 })],
    ['List is 1 m wrong', (mark) => ({ do: 'move_mark', mark, north: 1, east: 0, up: 0 })],
    [
        'Names exchanged',
        (mark, w) => {
            const other = w.marks.find((m) => m.name !== mark);
            return other ? { do: 'swap_marks', mark, with: other.name } : null;
        },
    ],
    ['Tape held slanted', (_, w) => ({ do: 'tape', on: !w.tripod.tapeSlanted })],
    ['Next on the wrong face', () => ({ do: 'wrong_face', on: true })],
    ['Air of another day', () => ({ do: 'air', pressure: 700, temperature: 35 })],
    ['Constant set by hand, 30 mm', () => ({ do: 'set_constant', prismConstant: 0.03 })],
];

/** metres within which the pole is said to stand on something */
const ON_IT = 0.05;

/** and within which it has been where it was sent */
const STANDS = 0.001;

/** Whether the pole is on its way there. */
const goesTo = ({ pole }: World, to: { northing: number; easting: number }) =>
    pole.goal != null && Math.hypot(to.northing - pole.goal.northing, to.easting - pole.goal.easting) < STANDS;

/** Where the pole really is, in words: on its way, or here. */
function placeOf(world: World, aim: { name: string; northing: number; easting: number } | undefined) {
    const { pole, marks } = world;
    const near = (to: { northing: number; easting: number }) => {
        const all = [...(aim ? [aim] : []), ...marks];
        return all.find((m) => Math.hypot(m.northing - to.northing, m.easting - to.easting) < ON_IT)?.name;
    };
    const at = { northing: pole.northing, easting: pole.easting };
    if (pole.goal) {
        const left = Math.hypot(pole.goal.northing - at.northing, pole.goal.easting - at.easting);
        const name = near(pole.goal);
        return { at, goal: pole.goal, says: `on its way${name ? ` to ${name}` : ''}, ${left.toFixed(left < 10 ? 1 : 0)} m to go` };
    }
    const name = near(at);
    return { at, goal: null, says: name ? `here, on ${name}` : 'here' };
}

/** The stand-in's drawer: move the pole and play tricks on the instrument. Parlay itself is told nothing of what is done here. */
export function PracticeDrawer({ project, control, allPoints, target, aim: touched, onClose }: StageProps & { onClose: () => void }) {
    const client = useQueryClient();
    const world = useQuery({
        queryKey: ['practice'],
        queryFn: () => ask(api.GET('/api/v1/practice')),
        // Who walks is watched on the way.
        refetchInterval: ({ state }) => (state.data?.pole.walking ? 250 : 1000),
        retry: false,
    });
    const deed = useMutation({
        mutationFn: (body: Schemas['PracticeBody']) => ask(api.POST('/api/v1/practice', { body })),
        onSuccess: (data) => client.setQueryData(['practice'], data),
    });
    const plant = useMutation({
        mutationFn: () => ask(api.POST('/api/v1/projects/{project}/practice-site', { params: { path: { project: project.id } } })),
        onSuccess: (data) => client.setQueryData(['practice'], data),
    });
    const [step, setStep] = useState(0.1);
    const asked = useShown(askedMark);
    const [picked, setPicked] = useState<{ mark: string; whenAsked: string | null } | null>(null);
    const [byItself, setByItself] = useState(false);
    const w = world.data;
    const here = w?.site === `project ${project.id}`;
    const aim = allPoints.find((p) => p.id === target) ?? (touched?.place ? { ...touched.place, name: touched.name } : undefined);
    // The mark that is to be sighted next, unless another was chosen since it is asked for.
    const mark = picked?.whenAsked === asked ? (picked?.mark ?? '') : (asked ?? picked?.mark ?? '');
    const chosen = mark || control[0]?.name || '';
    const place = useMemo(() => (w && here ? placeOf(w, aim) : null), [w, here, aim]);
    useShow(practicePole, place);
    const { mutate: walk, isPending: setting } = useMutation({
        mutationFn: (body: Schemas['PracticeBody']) => ask(api.POST('/api/v1/practice', { body })),
        onSuccess: (data) => client.setQueryData(['practice'], data),
    });
    const to = aim ?? w?.marks.find((m) => m.name === asked);
    const toAim = aim && w ? { northing: aim.northing, easting: aim.easting, elevation: aim.elevation ?? w.pole.elevation } : null;
    const wanted = aim ? `${aim.northing} ${aim.easting}` : (asked ?? '');
    const sent = useRef({ to: '', arrived: false });
    // Until it has been there once it is sent again wherever it stands still: nobody stands by to press it again where a busy machine did not
    // answer, and who moves it by hand afterwards is left alone.
    useEffect(() => {
        if (sent.current.to !== wanted) {
            sent.current = { to: wanted, arrived: false };
        }
        if (!byItself || !here || !w || !to || sent.current.arrived) {
            return;
        }
        if (Math.hypot(to.northing - w.pole.northing, to.easting - w.pole.easting) < STANDS && !w.pole.walking) {
            sent.current.arrived = true;
        } else if (!setting && (!w.pole.walking || !goesTo(w, to))) {
            walk(toAim ? { do: 'walk', ...toAim, speed: 4 } : { do: 'walk', mark: to.name, speed: 4 });
        }
    }, [byItself, here, wanted, walk, setting, w, to, toAim]);
    const nudge = (north: number, east: number, up = 0) =>
        deed.mutate({ do: 'nudge', north: north * step, east: east * step, up: up * step });
    return (
        <aside
            className="absolute top-2 right-2 z-20 max-h-[calc(100%-1rem)] w-88 max-w-[calc(100%-5rem)] overflow-auto border-2 border-chalk bg-sheet p-3"
            aria-label="Practice world"
        >
            <div className="flex items-center justify-between">
                <h2 className="font-semibold">Practice world</h2>
                <Button kind="bare" aria-label="Close the practice world" onClick={onClose} icon={<X />} />
            </div>
            <p className="text-sm text-quiet">
                The stand-in instrument has a site of its own. Parlay is told nothing of what is done here.
            </p>
            <Failure of={world.error ?? deed.error ?? plant.error} />
            {w && !here && (
                <div className="my-2 grid gap-2">
                    <Notice kind="caution">The stand-in stands on another site.</Notice>
                    <Button onClick={() => plant.mutate()} busy={plant.isPending}>
                        Bring the stand-in to this site
                    </Button>
                </div>
            )}
            {w && here && (
                <div className="grid gap-3">
                    <Group name="Pole">
                        <p role="status" className="font-semibold">
                            {place?.says}
                        </p>
                        <CheckBox label="Walks by itself to what is asked for" checked={byItself} onChecked={setByItself} />
                        <div className="flex gap-2">
                            <select
                                className="min-h-12 min-w-0 flex-1 border border-ink/50 bg-sheet px-2"
                                aria-label="Mark on the ground"
                                value={chosen}
                                onChange={(e) => setPicked({ mark: e.target.value, whenAsked: asked })}
                            >
                                {w.marks.map((m) => (
                                    <option key={m.name}>{m.name}</option>
                                ))}
                            </select>
                            <Button onClick={() => deed.mutate({ do: 'walk', mark: chosen, speed: 4 })}>Walk there</Button>
                        </div>
                        <Button disabled={!toAim} onClick={() => toAim && deed.mutate({ do: 'walk', ...toAim, speed: 4 })}>
                            {aim ? `Walk to ${aim.name}, as designed` : 'Choose a target to walk to it'}
                        </Button>
                        <div className="flex items-center gap-3">
                            <div className="grid grid-cols-3">
                                <i />
                                <Button kind="bare" aria-label="Nudge north" onClick={() => nudge(1, 0)} icon={<ArrowUp />} />
                                <i />
                                <Button kind="bare" aria-label="Nudge west" onClick={() => nudge(0, -1)} icon={<ArrowLeft />} />
                                <span className="self-center text-center text-sm">N up</span>
                                <Button kind="bare" aria-label="Nudge east" onClick={() => nudge(0, 1)} icon={<ArrowRight />} />
                                <i />
                                <Button kind="bare" aria-label="Nudge south" onClick={() => nudge(-1, 0)} icon={<ArrowDown />} />
                                <i />
                            </div>
                            <div className="grid gap-1">
                                <select
                                    className="min-h-12 border border-ink/50 bg-sheet px-2"
                                    aria-label="Nudge by"
                                    value={step}
                                    onChange={(e) => setStep(Number(e.target.value))}
                                >
                                    {STEPS.map((s) => (
                                        <option key={s} value={s}>
                                            {s * 1000} mm
                                        </option>
                                    ))}
                                </select>
                                <div className="flex gap-1">
                                    <Button onClick={() => nudge(0, 0, 1)}>raise</Button>
                                    <Button onClick={() => nudge(0, 0, -1)}>lower</Button>
                                </div>
                            </div>
                        </div>
                        <p className="text-sm text-quiet">Or drag the pole on the plan.</p>
                        <LengthField
                            key={`pole ${w.pole.height}`}
                            label="The pole’s real height"
                            value={w.pole.height}
                            onValue={(h) => h !== null && deed.mutate({ do: 'pole', height: h })}
                        />
                        <div className="flex flex-wrap gap-2">
                            <Button
                                pressed={w.pole.unsteady > 0}
                                onClick={() => deed.mutate({ do: 'pole', unsteady: w.pole.unsteady > 0 ? 0 : 0.004 })}
                            >
                                Unsteady hand
                            </Button>
                            <Button
                                pressed={w.pole.tilt > 0}
                                onClick={() => deed.mutate({ do: 'pole', tilt: w.pole.tilt > 0 ? 0 : 0.0237 })}
                            >
                                Bubble off
                            </Button>
                            <Button pressed={w.blocked} onClick={() => deed.mutate({ do: 'block', on: !w.blocked })}>
                                Block the sight
                            </Button>
                        </div>
                    </Group>
                    <Group name="Tripod">
                        <p className="text-sm">
                            {w.tripod.over ? `Stands over ${w.tripod.over}` : 'Stands free'}; the tape reads <Length of={w.tripod.tape} />
                            {w.tripod.tapeSlanted ? '.' : ' to the axis.'}
                        </p>
                        <div className="flex flex-wrap gap-2">
                            <Button onClick={() => deed.mutate({ do: 'tripod', mark: chosen, height: w.tripod.height })}>
                                Stand on {chosen}
                            </Button>
                            <Button onClick={() => deed.mutate({ do: 'knock' })}>Knock</Button>
                            <Button onClick={() => deed.mutate({ do: 'knock', hard: true })}>Knock hard</Button>
                            <Button onClick={() => deed.mutate({ do: 'level' })}>Level</Button>
                        </div>
                    </Group>
                    <Group name="Plant a blunder">
                        <p className="text-sm text-quiet">For {chosen}, as chosen above; Parlay has to find it.</p>
                        <div className="grid grid-cols-2 gap-2">
                            {BLUNDERS.map(([word, body]) => (
                                <Button
                                    key={word}
                                    className="px-1 text-sm"
                                    onClick={() => {
                                        const b = body(chosen, w);
                                        b && deed.mutate(b);
                                    }}
                                >
                                    {word}
                                </Button>
                            ))}
                        </div>
                        <div className="flex flex-wrap gap-1">
                            <Button
                                className="px-3 text-sm"
                                disabled={!aim}
                                onClick={() => aim && deed.mutate({ do: 'dull', northing: aim.northing, easting: aim.easting })}
                            >
                                {aim ? `Puddle at ${aim.name}: no return` : 'Choose a target for a puddle there'}
                            </Button>
                            <Button className="px-3 text-sm" onClick={() => deed.mutate({ do: 'dry' })}>
                                All dry
                            </Button>
                        </div>
                        <SlippedLists project={project.id} mark={control.find((c) => c.name === chosen)} />
                    </Group>
                    <Group name="Instrument">
                        <div className="flex flex-wrap gap-2">
                            <Button onClick={() => deed.mutate({ do: 'cut', seconds: 5 })}>Cut the link for 5 s</Button>
                            <Button pressed={w.battery === 0} onClick={() => deed.mutate({ do: 'battery', left: w.battery > 0 ? 0 : 0.8 })}>
                                Flat battery
                            </Button>
                        </div>
                        <p className="text-sm text-quiet figure">
                            air {w.air.pressure.toFixed(0)} hPa, {w.air.temperature.toFixed(0)} °C
                        </p>
                    </Group>
                </div>
            )}
        </aside>
    );
}

const SLIPS: [string, string][] = [
    ['digit', 'a digit wrong'],
    ['neighbours', 'two digits exchanged'],
    ['zero', 'a zero too many'],
    ['exchanged', 'northing and easting exchanged'],
    ['names', 'two names exchanged'],
];

/** Lists as they come from an office in a hurry: brought in as control, a setup has to show what is wrong with them. */
function SlippedLists({ project, mark }: { project: number; mark: ControlPoint | undefined }) {
    return (
        mark && (
            <div className="text-sm">
                <p>The control as a file with a slip at {mark.name}, to be brought in at Control:</p>
                {SLIPS.map(([slip, word]) => (
                    <div key={slip}>
                        <a
                            className="inline-block min-h-11 content-center text-chalk underline"
                            download
                            href={`/api/v1/projects/${project}/practice-list?slip=${slip}&controlId=${mark.id}`}
                        >
                            {word}
                        </a>
                    </div>
                ))}
            </div>
        )
    );
}

function Group({ name, children }: { name: string; children: React.ReactNode }) {
    return (
        <fieldset className="grid gap-2 border-t border-rule pt-1">
            <legend className="pr-2 text-sm font-semibold">{name}</legend>
            {children}
        </fieldset>
    );
}
