import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, type Schemas } from '../api/client';
import { useDeed } from '../api/hooks';
import { Button } from '../parts/Button';
import { CheckBox } from '../parts/CheckBox';
import { Choice, Labelled, LengthField, TextField } from '../parts/Field';
import { Failure } from '../parts/Notice';
import { Step } from '../parts/Step';
import type { StageProps } from '../stage/stages';
import { HeightsFrom, usualHeights } from './HeightsFrom';
import { type Alignment, useSurfaces } from './hooks';
import { MadePoints } from './MadePoints';
import { MainPointNames } from './MainPointNames';

type Way = 'every' | 'rows' | 'slope';

/** Points along an alignment: at round stations, of a pasted list, or where its side slopes meet the ground; drawn before they are kept. */
export function AlignmentPoints({ project, alignment: a, onClose }: StageProps & { alignment: Alignment; onClose: () => void }) {
    const surfaces = useSurfaces(project.id).data ?? [];
    const [way, setWay] = useState<Way>('every');
    const [interval, setInterval] = useState<number | null>(project.civil.interval);
    const [main, setMain] = useState(true);
    const [axis, setAxis] = useState(true);
    const [left, setLeft] = useState<number | null>(null);
    const [right, setRight] = useState<number | null>(null);
    const [rows, setRows] = useState('');
    const [positive, setPositive] = useState<'right' | 'left'>('right');
    const [heights, setHeights] = useState(() => usualHeights(a, surfaces));
    const [prefix, setPrefix] = useState('');
    const [code, setCode] = useState('');
    const [template, setTemplate] = useState(() => a.shapes.findIndex((s) => s.template));
    const [ground, setGround] = useState(() => surfaces.find((s) => s.kind === 'ground')?.id ?? surfaces[0]?.id ?? null);
    const path = { params: { path: { project: project.id, alignment: a.id } } };
    const offsets = [...(left ? [-Math.abs(left)] : []), ...(axis ? [0] : []), ...(right ? [Math.abs(right)] : [])];
    const wanted: Schemas['AlignmentPoints'] = {
        interval: way === 'every' ? (interval ?? 0) : 0,
        main: way === 'every' && main,
        offsets,
        rows: way === 'rows' ? rows : '',
        positiveRight: positive === 'right',
        ...heights,
        prefix,
        code,
    };
    const slopes: Schemas['SlopeStakes'] | null =
        template >= 0 && ground !== null && heights.profile !== null && interval !== null
            ? { interval, profile: heights.profile, template, groundId: ground, prefix, code }
            : null;
    const ready = way === 'slope' ? slopes !== null : way === 'rows' ? rows.trim() !== '' : main || (interval ?? 0) > 0;
    const preview = useQuery({
        queryKey: ['points-of', project.id, a.id, a.version, project.revision, way, wanted, slopes],
        queryFn: () =>
            way === 'slope' && slopes
                ? ask(api.POST('/api/v1/projects/{project}/alignments/{alignment}/compute-slope-stakes', { ...path, body: slopes }))
                : ask(api.POST('/api/v1/projects/{project}/alignments/{alignment}/compute-points', { ...path, body: wanted })),
        enabled: ready,
        retry: false,
        placeholderData: (before) => before,
    });
    const keep = useDeed(project.id, () =>
        way === 'slope' && slopes
            ? ask(api.POST('/api/v1/projects/{project}/alignments/{alignment}/slope-stakes', { ...path, body: slopes }))
            : ask(api.POST('/api/v1/projects/{project}/alignments/{alignment}/points', { ...path, body: wanted })),
    );
    const points = ready && !preview.error ? (preview.data ?? []) : [];
    const good = points.filter((p) => p.fault === null).length;
    return (
        <form className="grid gap-3" onSubmit={(e) => e.preventDefault()}>
            <h2 className="font-semibold">Points along {a.name}</h2>
            <Choice
                label="Which"
                value={way}
                onValue={setWay}
                options={[
                    ['every', 'at round stations and main points'],
                    ['rows', 'of a list of stations and offsets'],
                    ['slope', 'slope stakes: where side slopes meet the ground'],
                ]}
            />
            {way !== 'rows' && <LengthField label="Every" value={interval} optional onValue={setInterval} />}
            {way === 'every' && (
                <>
                    <CheckBox label="Ends and main points" checked={main} onChecked={setMain} />
                    {main && <MainPointNames project={project} />}
                    <CheckBox label="On the axis" checked={axis} onChecked={setAxis} />
                    <div className="grid grid-cols-2 gap-2">
                        <LengthField label="To the left" value={left} optional onValue={setLeft} />
                        <LengthField label="To the right" value={right} optional onValue={setRight} />
                    </div>
                </>
            )}
            {way === 'rows' && (
                <>
                    <Labelled
                        label="Station, offset, name, code: one to a line"
                        hint="As copied from a spreadsheet. A side may stand beside the offset: 3.5 L, left 3.5."
                    >
                        {(id) => (
                            <textarea
                                id={id}
                                className="figure min-h-32 w-full border-[length:var(--stroke)] border-ink/50 bg-sheet p-2"
                                value={rows}
                                onChange={(e) => setRows(e.target.value)}
                            />
                        )}
                    </Labelled>
                    <Choice
                        label="An offset without a side, and without a minus, lies to the"
                        value={positive}
                        onValue={setPositive}
                        options={[
                            ['right', 'right, looking along'],
                            ['left', 'left, looking along'],
                        ]}
                    />
                </>
            )}
            {way === 'slope' ? (
                <>
                    <Choice
                        label="Template"
                        value={String(template)}
                        onValue={(t) => setTemplate(Number(t))}
                        options={[
                            ...(template < 0 ? [['-1', 'none: type one under “Across it”'] as const] : []),
                            ...a.shapes.flatMap((s, i) => (s.template ? [[String(i), s.name] as const] : [])),
                        ]}
                    />
                    <Choice
                        label="Ground they meet"
                        value={String(ground ?? '')}
                        onValue={(g) => setGround(Number(g))}
                        options={surfaces.map((s) => [String(s.id), s.name] as const)}
                    />
                </>
            ) : (
                <HeightsFrom alignment={a} surfaces={surfaces} value={heights} onValue={setHeights} />
            )}
            <div className="grid grid-cols-2 gap-2">
                <TextField label="Names begin with" value={prefix} onValue={setPrefix} />
                <TextField label="Code" value={code} onValue={setCode} />
            </div>
            <MadePoints points={points} />
            <Failure of={(ready ? preview.error : null) ?? keep.error} />
            <Step
                busy={keep.isPending}
                why={
                    good === 0
                        ? 'There is no point to make yet.'
                        : way !== 'slope' && good < points.length
                          ? 'Mend the lines above first.'
                          : null
                }
                second={<Button onClick={onClose}>Cancel</Button>}
                onClick={() => keep.mutate(undefined, { onSuccess: onClose })}
            >
                Make {good} points
            </Step>
        </form>
    );
}
