import { FileText } from 'lucide-react';
import { useEffect, useState } from 'react';
import { api, ask, type Schemas } from '../api/client';
import { untilFinished, useDeed } from '../api/hooks';
import { useWork } from '../api/work';
import type { GivenPolyline } from '../givens/given';
import { ChainInput } from '../givens/LineInput';
import { TouchContext } from '../givens/touch';
import { Button } from '../parts/Button';
import { Choice, LengthField } from '../parts/Field';
import { Failure } from '../parts/Notice';
import { Step } from '../parts/Step';
import { WorkBar } from '../parts/WorkBar';
import type { StageProps } from '../stage/stages';
import { localZone } from '../units/times';
import { useAlignments, useSurfaces } from './hooks';
import { StationField } from './StationField';
import { VolumeResult } from './VolumeResult';

/** A volume between two surfaces, against a height, or of a stockpile; within an outline or between stations. */
export function VolumeForm({ project, points, control, want, setWant, onClose }: StageProps & { onClose: () => void }) {
    const surfaces = useSurfaces(project.id).data ?? [];
    const alignments = useAlignments(project.id).data ?? [];
    const [first, setFirst] = useState(
        () => surfaces.find((s) => s.kind === 'as_built')?.id ?? surfaces.find((s) => s.kind === 'ground')?.id ?? 0,
    );
    const [against, setAgainst] = useState(() => String(surfaces.find((s) => s.active)?.id ?? 'height'));
    const [elevation, setElevation] = useState<number | null>(null);
    const [within, setWithin] = useState<'all' | 'outline' | 'stations'>('all');
    const [outline, setOutline] = useState<GivenPolyline | null>(null);
    const [alignmentId, setAlignmentId] = useState(alignments[0]?.id ?? 0);
    const alignment = alignments.find((a) => a.id === alignmentId);
    const [from, setFrom] = useState<number | null>(0);
    const [to, setTo] = useState<number | null>(alignment?.length ?? null);
    const [side, setSide] = useState({ left: 10 as number | null, right: 10 as number | null });
    const [interval, setInterval] = useState<number | null>(project.civil.interval);
    const [found, setFound] = useState<{ wanted: Schemas['VolumeWanted']; volume: Schemas['VolumeFound'] } | null>(null);
    const work = useWork(project.id);
    const print = useDeed(project.id, async (volume: Schemas['VolumeWanted']) => {
        const task = await untilFinished(
            project.id,
            ask(
                api.POST('/api/v1/projects/{project}/volume-sheets', {
                    params: { path: { project: project.id } },
                    body: { volume, zone: localZone() },
                }),
            ),
        );
        window.open(`/api/v1/projects/${project.id}/reports/${task.id}.pdf`);
    });
    useEffect(() => () => setWant(null), [setWant]);
    const stockpile = against === 'stockpile';
    const wanted = (): Schemas['VolumeWanted'] => {
        return {
            firstId: first,
            secondId: against === 'height' || stockpile ? null : Number(against),
            verticalOffset:
                against === 'height' || stockpile ? 0 : project.civil.surfaceId === Number(against) ? project.civil.verticalOffset : 0,
            elevation: against === 'height' ? elevation : null,
            outline: within === 'outline' || stockpile ? outline : null,
            stockpile,
            alignmentId: within === 'stations' && !stockpile ? alignmentId : null,
            from: from ?? 0,
            to: to ?? 0,
            left: -Math.abs(side.left ?? 0),
            right: Math.abs(side.right ?? 0),
            interval: interval ?? 10,
        };
    };
    const find = async () => {
        const body = wanted();
        setFound(null);
        const done = await work.run(
            ask(api.POST('/api/v1/projects/{project}/volumes', { params: { path: { project: project.id } }, body })),
        );
        if (done) {
            setFound({ wanted: body, volume: done.result as unknown as Schemas['VolumeFound'] });
        }
    };
    const needsOutline = within === 'outline' || stockpile;
    const why = needsOutline && !outline ? 'Touch the outline.' : against === 'height' && elevation === null ? 'Type the height.' : null;
    return (
        <TouchContext value={{ want, setWant }}>
            <form className="grid gap-3" onSubmit={(e) => e.preventDefault()}>
                <h2 className="font-semibold">Volume</h2>
                <Choice
                    label="What is there"
                    value={String(first)}
                    onValue={(id) => setFirst(Number(id))}
                    options={surfaces.map((s) => [String(s.id), s.name] as const)}
                />
                <Choice
                    label="Against"
                    value={against}
                    onValue={setAgainst}
                    options={[
                        ...surfaces.filter((s) => s.id !== first).map((s) => [String(s.id), s.name] as const),
                        ['height', 'one height'],
                        ['stockpile', 'the ground its outline spans: a stockpile'],
                    ]}
                />
                {against === 'height' && <LengthField label="Height" value={elevation} onValue={setElevation} />}
                {!stockpile && (
                    <Choice
                        label="Within"
                        value={within}
                        onValue={setWithin}
                        options={[
                            ['all', 'all that both have'],
                            ['outline', 'an outline'],
                            ...(alignments.length > 0 ? [['stations', 'stations and offsets of an alignment'] as const] : []),
                        ]}
                    />
                )}
                {needsOutline && <ChainInput value={outline} onValue={setOutline} points={points} control={control} />}
                {within === 'stations' && !stockpile && alignment && (
                    <>
                        <Choice
                            label="Alignment"
                            value={String(alignmentId)}
                            onValue={(id) => setAlignmentId(Number(id))}
                            options={alignments.map((a) => [String(a.id), a.name] as const)}
                        />
                        <div className="grid grid-cols-2 gap-2">
                            <StationField label="From" project={project.id} alignment={alignment} value={from} onValue={setFrom} />
                            <StationField label="To" project={project.id} alignment={alignment} value={to} onValue={setTo} />
                            <LengthField label="To the left" value={side.left} onValue={(left) => setSide({ ...side, left })} />
                            <LengthField label="To the right" value={side.right} onValue={(right) => setSide({ ...side, right })} />
                        </div>
                        <LengthField label="A section every" value={interval} onValue={setInterval} />
                    </>
                )}
                <WorkBar work={work} />
                <Failure of={work.error} />
                {found && <VolumeResult found={found.volume} />}
                {found && (
                    <Button busy={print.isPending} icon={<FileText />} onClick={() => print.mutate(found.wanted)}>
                        Print it
                    </Button>
                )}
                <Failure of={print.error} />
                <Step busy={work.busy} why={why} second={<Button onClick={onClose}>Cancel</Button>} onClick={() => void find()}>
                    Work it out
                </Step>
            </form>
        </TouchContext>
    );
}
