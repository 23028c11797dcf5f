import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, newKey, type Schemas, type SetupState } from '../api/client';
import { showSetup } from '../api/hooks';
import { Button } from '../parts/Button';
import { AngleField, Choice, Labelled, LengthField, NumberField } from '../parts/Field';
import { AngleFigure, Length, SmallAngle } from '../parts/Figure';
import { FileDrop } from '../parts/FileDrop';
import { Failure, Notice } from '../parts/Notice';
import type { StageProps } from '../stage/stages';

type Reading = Schemas['TypedReading'];

/** Readings without a link: typed from the instrument's display, or from a text of raw observations. */
export function WithoutLink(props: StageProps & { draft: SetupState['draft'] }) {
    return (
        <details>
            <summary className="min-h-12 cursor-pointer content-center">Readings without a link</summary>
            <div className="grid gap-4 border-rule border-l-2 pl-3">
                <Typed {...props} />
                <RawText {...props} />
            </div>
        </details>
    );
}

function useTake(project: number) {
    const client = useQueryClient();
    return async (readings: Reading[]) => {
        const state = await ask(
            api.POST('/api/v1/projects/{project}/readings', { params: { path: { project } }, body: { key: newKey(), readings } }),
        );
        showSetup(client, project, state);
    };
}

function Typed({ project, control, draft }: StageProps & { draft: SetupState['draft'] }) {
    const take = useTake(project.id);
    const targets = ['grid_lines', 'baseline', 'known_direction'].includes(draft.method) ? otherTargets(draft) : [];
    const [to, setTo] = useState('');
    const [circle, setCircle] = useState<number | null>(null);
    const [zenith, setZenith] = useState<number | null>(null);
    const [slope, setSlope] = useState<number | null>(null);
    const [ppm, setPpm] = useState(0);
    const [constant, setConstant] = useState(0);
    const [failure, setFailure] = useState<Error | null>(null);
    const options: [string, string][] = [
        ['', 'choose'],
        ...targets.map((t) => [`line ${t}`, t] as [string, string]),
        ...control.map((c) => [String(c.id), c.name] as [string, string]),
    ];
    const keep = async () => {
        if (circle === null || zenith === null) {
            return;
        }
        const at = to.startsWith('line ') ? { line: to.slice(5) } : { controlId: Number(to) };
        try {
            await take([
                {
                    ...at,
                    circle,
                    zenith,
                    slope: slope ?? 0,
                    ppmApplied: ppm,
                    prismConstantApplied: constant / 1000,
                    angleFactor: draft.oneFace ? Math.SQRT2 : 1,
                },
            ]);
            setCircle(null);
            setZenith(null);
            setSlope(null);
            setTo('');
            setFailure(null);
        } catch (error) {
            setFailure(error as Error);
        }
    };
    return (
        <section className="grid grid-cols-2 gap-3" aria-label="Typed from the display">
            <h3 className="col-span-2 font-semibold">Typed from the display</h3>
            <Choice label="Sighted" value={to} options={options} onValue={setTo} />
            <AngleField key={`hz ${to}`} label="Horizontal circle" value={circle} direction={false} onValue={setCircle} />
            <AngleField key={`v ${to}`} label="Zenith angle" value={zenith} onValue={setZenith} />
            <LengthField key={`sd ${to}`} label="Slope distance" value={slope} onValue={setSlope} optional hint="empty: angles only" />
            <NumberField label="ppm set on the instrument" unit="" value={ppm} onValue={setPpm} />
            <NumberField label="Constant set on the instrument" unit="mm" value={constant} onValue={setConstant} />
            <div className="col-span-2 grid">
                <Button disabled={to === '' || circle === null || zenith === null} onClick={() => void keep()}>
                    Take this reading
                </Button>
            </div>
            <div className="col-span-2">
                <Failure of={failure} />
            </div>
        </section>
    );
}

const otherTargets = (draft: SetupState['draft']): string[] =>
    draft.method === 'grid_lines' ? draft.lines.map((l) => l.name) : [draft.method === 'baseline' ? 'baseline' : 'direction'];

function RawText({ project }: StageProps & { draft: SetupState['draft'] }) {
    const take = useTake(project.id);
    const [text, setText] = useState('');
    const [failure, setFailure] = useState<Error | null>(null);
    // Asked anew with each key, and only the answer to the last one counts.
    const preview = useQuery({
        queryKey: [project.id, 'raw-text', text],
        enabled: text.trim() !== '',
        queryFn: ({ signal }) =>
            ask(
                api.POST('/api/v1/projects/{project}/raw-text-preview', {
                    params: { path: { project: project.id } },
                    body: { text },
                    signal,
                }),
            ),
    });
    const read: Schemas['RawText'] | undefined = text.trim() === '' ? undefined : preview.data;
    const known = read?.sights.filter((s) => s.controlId !== null) ?? [];
    const keep = async () => {
        try {
            await take(
                known.map((s) => ({
                    controlId: s.controlId,
                    circle: s.rounds.mean.circle,
                    zenith: s.rounds.mean.zenith,
                    slope: s.rounds.mean.slope,
                    targetHeight: s.targetHeight,
                    angleFactor: s.rounds.angleFactor,
                })),
            );
            setText('');
            setFailure(null);
        } catch (error) {
            setFailure(error as Error);
        }
    };
    return (
        <section className="grid gap-2" aria-label="Raw observations">
            <h3 className="font-semibold">A text of raw observations</h3>
            <p className="text-quiet text-sm">
                A line for each reading: point, horizontal circle, zenith angle, slope distance, target height, in the project’s units. Both
                faces and all rounds of a point are made into one. Distances are taken as shown with 0 ppm and a constant of 0 mm set.
            </p>
            <FileDrop
                label="Choose or drop raw observations (text)"
                accept=".csv,.txt,.raw,text/plain"
                onFiles={([file]) => void file?.text().then(setText)}
            />
            <Labelled label="or paste them">
                {(id) => (
                    <textarea
                        id={id}
                        className="figure block min-h-24 w-full rounded-sm border-[length:var(--stroke)] border-ink/50 bg-sheet p-2 text-base text-ink"
                        value={text}
                        onChange={(e) => setText(e.target.value)}
                    />
                )}
            </Labelled>
            {read?.problems.map((p) => (
                <Notice key={p} kind="caution">
                    {p}
                </Notice>
            ))}
            {known.map(({ name, rounds: r }) => (
                <div key={name} className="border-rule border-t text-sm">
                    <span className="font-semibold">{name}</span>: Hz <AngleFigure of={r.mean.circle} />, V{' '}
                    <AngleFigure of={r.mean.zenith} />, SD <Length of={r.mean.slope || null} none="angles only" />; {r.readings}{' '}
                    {r.readings === 1 ? 'reading' : 'readings'}, {r.pairs === 0 ? 'one face' : `${r.pairs} in both faces`}
                    {r.collimation !== null && (
                        <>
                            , collimation <SmallAngle of={r.collimation} />, index <SmallAngle of={r.index} />
                        </>
                    )}
                    {r.readings > 2 && (
                        <>
                            , rounds within <SmallAngle of={r.spread} />
                        </>
                    )}
                </div>
            ))}
            {known.length > 0 && (
                <Button className="min-h-16" onClick={() => void keep()}>
                    Take {known.length} {known.length === 1 ? 'sight' : 'sights'}
                </Button>
            )}
            <Failure of={failure ?? preview.error} />
        </section>
    );
}
