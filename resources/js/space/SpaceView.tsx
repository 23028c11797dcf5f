import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { Button } from '../parts/Button';
import { Choice } from '../parts/Field';
import { Failure, Notice } from '../parts/Notice';
import { formatLength } from '../units/format';
import { useUnits } from '../units/UnitsContext';
import { bodiesOf } from './bodies';
import { type SpaceMark, SpaceScene } from './SpaceScene';

interface Props {
    project: number;
    /** the drawing that came as a building model */
    design: number;
    marks: readonly SpaceMark[];
}

const ALL = '*';

/** A building model in space: turned and moved with finger or mouse, by storey and class, cut at a height, each thing told at a touch. */
export function SpaceView({ project, design, marks }: Props) {
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
    const units = useUnits();
    const canvas = useRef<HTMLCanvasElement>(null);
    const [scene, setScene] = useState<SpaceScene | null>(null);
    const [fault, setFault] = useState<Error | null>(null);
    const [storey, setStorey] = useState(ALL);
    const [kind, setKind] = useState(ALL);
    const [cut, setCut] = useState(1);
    const [touched, setTouched] = useState<number | null>(null);
    const model = bodies.data;
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
    useEffect(() => {
        scene?.show((t) => {
            const thing = model?.things[t];
            return (storey === ALL || thing?.storey === storey) && (kind === ALL || thing?.class === kind);
        });
        setTouched(null);
    }, [scene, model, storey, kind]);
    useEffect(() => scene?.cutAt(cut >= 1 ? null : low + cut * (high - low)), [scene, cut, low, high]);
    useEffect(() => scene?.mark(marks), [scene, marks]);

    const down = useRef<[number, number]>([0, 0]);
    const thing = touched === null ? null : model?.things[touched];
    return (
        <div className="grid gap-3">
            <Failure of={bodies.error ?? fault} />
            {bodies.isPending && <p role="status">The model is being put together…</p>}
            {model && !model.whole && (
                <Notice kind="caution">There is more in the model than is drawn in space. The plan shows all of it.</Notice>
            )}
            {model && !fault && (
                <>
                    <div className="flex flex-wrap items-end gap-2">
                        <div className="w-44">
                            <Choice
                                label="Storey"
                                value={storey}
                                onValue={setStorey}
                                options={[[ALL, 'all storeys'], ...model.storeys.map((s) => [s, s === '' ? 'on none' : s] as const)]}
                            />
                        </div>
                        <div className="w-56">
                            <Choice
                                label="What is shown"
                                value={kind}
                                onValue={setKind}
                                options={[[ALL, 'everything'], ...model.classes.map((c) => [c, c] as const)]}
                            />
                        </div>
                        <label className="grid min-w-48 flex-1 gap-1 text-sm">
                            <span className="text-quiet">
                                {cut >= 1
                                    ? 'Cut at a height: nothing is cut'
                                    : `Cut at ${formatLength(low + cut * (high - low), units.length)}`}
                            </span>
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
                        <Button onClick={() => scene?.lookAtAll()}>Show all of it</Button>
                    </div>
                    <canvas
                        ref={canvas}
                        aria-label="The model in space: drag to turn it, with two fingers to move it and to come nearer"
                        className="h-[56vh] w-full touch-none border border-rule bg-paper"
                        onPointerDown={(e) => {
                            down.current = [e.clientX, e.clientY];
                        }}
                        onPointerUp={(e) => {
                            const [x, y] = down.current;
                            if (scene && Math.hypot(e.clientX - x, e.clientY - y) < 8) {
                                setTouched(scene.touch(e.clientX, e.clientY));
                            }
                        }}
                    />
                    <p role="status" className="min-h-12">
                        {thing ? (
                            <>
                                <span className="font-semibold">{thing.name || thing.class}</span>
                                {[thing.class, thing.type, thing.storey].filter((w) => w !== '').map((w) => ` · ${w}`)}
                                {' · '}
                                <span className="figure">{thing.size.map((s) => formatLength(s, units.length)).join(' by ')}</span>, along
                                its own axes
                            </>
                        ) : (
                            'Touch a thing to be told what it is.'
                        )}
                    </p>
                </>
            )}
        </div>
    );
}
