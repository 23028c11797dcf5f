import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, type Schemas, type StakeoutPoint } from '../api/client';
import { useDeed } from '../api/hooks';
import { type Elevation, ElevationInput, elevationWords } from '../givens/ElevationInput';
import { Button } from '../parts/Button';
import { Choice, TextField } from '../parts/Field';
import { Failure, Notice } from '../parts/Notice';
import { Step } from '../parts/Step';
import { seenOf } from '../parts/seen';
import type { Construction } from './draft';
import type { Kind } from './kinds';
import type { ComputationProps } from './props';
import type { Made } from './Solutions';

type Naming = 'numbered' | 'byPlace' | 'bySource';

interface KeepProps extends ComputationProps {
    made: Made;
    construction: Construction;
    elevation: Elevation;
    kept: ReadonlySet<string>;
    onKept: (said: string) => void;
    /** the field for it stands with the names */
    onElevation: (elevation: Elevation) => void;
}

export function Keep(props: KeepProps) {
    return props.point ? <KeepRecipe {...props} point={props.point} /> : <KeepPoints {...props} />;
}

const keptList = (kept: ReadonlySet<string>) =>
    [...kept].map((key) => {
        const [letter = 'A', index = '0'] = key.split('.');
        return { letter, index: Number(index) };
    });

function keptWords({ made, standing, names }: Schemas['PointsKept']): string {
    const words = made === 1 ? `${names[0]} is made.` : `${made} points are made.`;
    return standing > 0 ? `${words} ${standing} stood already.` : words;
}

function KeepPoints({ project, spec, made, construction, elevation, onElevation, kept, onKept, points, control }: KeepProps) {
    const drawn = LINES.has(spec.kind) && (made.solutions[0]?.drawn.length ?? 0) > 0;
    const [prefix, setPrefix] = useState('C');
    const [own, setOwn] = useState<string | null>(null);
    const [naming, setNaming] = useState<Naming>(spec.group === 'Patterns' ? 'bySource' : 'numbered');
    const [code, setCode] = useState('');
    const next = useQuery({
        queryKey: [project.id, 'next', prefix],
        queryFn: () =>
            ask(api.GET('/api/v1/projects/{project}/next-name', { params: { path: { project: project.id }, query: { prefix } } })),
    });
    const several = kept.size > 1;
    const name = several ? prefix : (own ?? next.data?.name ?? '');
    const keep = useDeed(project.id, () =>
        ask(
            api.POST('/api/v1/projects/{project}/constructions', {
                params: { path: { project: project.id } },
                body: { construction, kept: keptList(kept), name, naming, code, elevation },
            }),
        ),
    );
    const ways: [Naming, string][] = [
        ['numbered', 'prefix and next free numbers'],
        ['byPlace', 'prefix, dot, number in the figure'],
    ];
    if (spec.group === 'Patterns') {
        ways.push(['bySource', 'the point’s name, dot, number']);
    }
    return (
        <div className="grid gap-3 border-t-2 border-ink pt-1">
            <details>
                <summary className="min-h-12 cursor-pointer content-center">
                    Kept as <strong>{several ? `${prefix} and so on` : name || 'nothing yet'}</strong>, {code === '' ? 'no code' : code},
                    elevation {elevationWords(elevation)}
                </summary>
                <div className="grid grid-cols-2 gap-3">
                    <TextField
                        label="Prefix"
                        value={prefix}
                        onValue={(p) => {
                            setPrefix(p);
                            setOwn(null);
                        }}
                    />
                    {several ? (
                        <Choice label="Names" value={naming} options={ways} onValue={setNaming} />
                    ) : (
                        <TextField label="Name" value={name} onValue={setOwn} hint={own === null ? 'next free name' : undefined} />
                    )}
                    <TextField label="Code" value={code} onValue={setCode} />
                    <div className="col-span-2">
                        <ElevationInput value={elevation} onValue={onElevation} points={points} control={control} />
                    </div>
                </div>
            </details>
            <Failure of={keep.error} />
            {drawn && <KeepLines project={project} construction={construction} />}
            <Step
                busy={keep.isPending}
                why={kept.size === 0 ? 'None of the solutions is chosen.' : !several && name.trim() === '' && 'It needs a name.'}
                onClick={() =>
                    keep.mutate(undefined, {
                        onSuccess: (result) => {
                            setOwn(null);
                            onKept(keptWords(result));
                        },
                    })
                }
            >
                {several ? `Keep ${kept.size} points` : `Keep ${name}`}
            </Step>
        </div>
    );
}

/** What is made of lines may be kept as lines, too. */
const LINES: ReadonlySet<Kind> = new Set<Kind>([
    // From place to place it joins them.
    'corners',
    'parallel',
    'arcThroughThree',
    'arcLeaving',
    'arcBetween',
    'arcBetweenTangents',
    'bestLine',
    'bestCircle',
    'sketch',
    'setBack',
]);

function KeepLines({ project, construction }: Pick<KeepProps, 'project' | 'construction'>) {
    const [name, setName] = useState('');
    const keep = useDeed(project.id, () =>
        ask(api.POST('/api/v1/projects/{project}/lines', { params: { path: { project: project.id } }, body: { construction, name } })),
    );
    return (
        <div className="flex items-end gap-2">
            <div className="flex-1">
                <TextField
                    label="Keep the lines as a drawing called"
                    value={name}
                    onValue={setName}
                    hint={keep.data ? `${keep.data.count} lines and arcs are kept among the drawings` : undefined}
                />
                <Failure of={keep.error} />
            </div>
            <Button busy={keep.isPending} disabled={name.trim() === ''} onClick={() => keep.mutate(undefined)}>
                Keep lines
            </Button>
        </div>
    );
}

function KeepRecipe({
    project,
    construction,
    elevation,
    onElevation,
    kept,
    onClose,
    point,
    points,
    control,
}: KeepProps & { point: StakeoutPoint }) {
    const [seen] = useState(() => seenOf(point));
    const change = useDeed(project.id, () => {
        const [{ letter, index } = { letter: 'A', index: 0 }] = keptList(kept);
        return ask(
            api.PUT('/api/v1/projects/{project}/points/{point}/recipe', {
                params: { path: { project: project.id, point: point.id } },
                body: { construction, letter, index, elevation, seen },
            }),
        );
    });
    return (
        <div className="grid gap-3 border-t-2 border-ink pt-3">
            <ElevationInput value={elevation} onValue={onElevation} points={points} control={control} />
            {point.stakes > 0 && (
                <Notice kind="caution">{point.name} has been staked. Its stakes keep the design they were staked to.</Notice>
            )}
            <Failure of={change.error} />
            <Step
                busy={change.isPending}
                why={kept.size !== 1 && 'Choose the one place that it is.'}
                onClick={() => change.mutate(undefined, { onSuccess: onClose })}
            >
                Keep {point.name} so
            </Step>
        </div>
    );
}
