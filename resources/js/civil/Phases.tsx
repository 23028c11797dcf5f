import { Check, Trash2 } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useState } from 'react';
import { api, ask, Problem, type Project, type Schemas } from '../api/client';
import { useDeed } from '../api/hooks';
import { Button } from '../parts/Button';
import { TextField } from '../parts/Field';
import { Failure } from '../parts/Notice';
import { usePhases } from './hooks';

type Phase = Schemas['PhaseEntry'];

/**
 * Phases of a project, each switched to at one touch; where they are prepared, what is shown now is kept under a name. In the field they are switched
 * and no more: what is deleted there by a glove is not brought back.
 */
export function Phases({ project, prepared = false, onSwitched }: { project: Project; prepared?: boolean; onSwitched?: () => void }) {
    const phases = usePhases(project.id).data ?? [];
    const [name, setName] = useState('');
    const path = { project: project.id };
    const turn = useDeed(project.id, (phase: number) =>
        ask(api.POST('/api/v1/projects/{project}/phases/{phase}/switching', { params: { path: { ...path, phase } } })),
    );
    const keep = useDeed(project.id, (body: Schemas['PhaseToKeep']) =>
        ask(api.POST('/api/v1/projects/{project}/phases', { params: { path }, body })),
    );
    const remove = useDeed(project.id, (phase: number) =>
        ask(api.DELETE('/api/v1/projects/{project}/phases/{phase}', { params: { path: { ...path, phase } } })),
    );
    const taken = keep.error instanceof Problem && keep.error.reason === 'phase_exists';
    const kept = (again: boolean) => keep.mutate({ name: name.trim(), again }, { onSuccess: () => setName('') });
    return (
        <section aria-label="Phases" className="grid gap-2">
            {phases.map((p) => (
                <PhaseRow
                    key={p.id}
                    phase={p}
                    busy={turn.isPending}
                    onSwitch={() => turn.mutate(p.id, { onSuccess: onSwitched })}
                    onRemove={prepared ? () => remove.mutate(p.id) : undefined}
                />
            ))}
            <Failure of={turn.error ?? remove.error} />
            {prepared && (
                <div className="grid grid-cols-[minmax(0,1fr)_auto] items-start gap-2">
                    <TextField
                        label="Keep what is shown as a phase"
                        value={name}
                        onValue={(n) => {
                            setName(n);
                            keep.reset();
                        }}
                        hint="drawing, backgrounds, surface, alignments"
                    />
                    <Button className="mt-7" disabled={name.trim() === ''} busy={keep.isPending} onClick={() => kept(taken)}>
                        {taken ? 'Keep all the same' : 'Keep'}
                    </Button>
                </div>
            )}
            <Failure of={keep.error} />
        </section>
    );
}

function PhaseRow({ phase, busy, onSwitch, onRemove }: { phase: Phase; busy: boolean; onSwitch: () => void; onRemove?: () => void }) {
    return (
        <div className="flex items-stretch gap-2">
            <Button
                className="min-w-0 flex-1 justify-start!"
                aria-pressed={phase.current}
                disabled={busy}
                onClick={onSwitch}
                icon={phase.current ? <Check /> : undefined}
            >
                <span className="min-w-0 truncate">{phase.name}</span>
            </Button>
            {onRemove && (
                <Button
                    kind="bare"
                    aria-label={`Delete phase ${phase.name}`}
                    title="Delete; what belongs to it stays"
                    onClick={onRemove}
                    icon={<Trash2 />}
                />
            )}
        </div>
    );
}

/** Which phase is worked with, always in sight where there are any, and switched there. */
export function PhaseBadge({ project }: { project: Project }) {
    const phases = usePhases(project.id).data ?? [];
    const [open, setOpen] = useState(false);
    if (phases.length === 0) {
        return null;
    }
    return (
        <Popover.Root open={open} onOpenChange={setOpen}>
            <Popover.Trigger asChild>
                <Button
                    className="pointer-events-auto max-w-full bg-sheet/90!"
                    title="Switches drawing, surface and what is shown with them"
                >
                    <span className="min-w-0 truncate">
                        <span className="text-quiet">Phase</span> <b>{phases.find((p) => p.current)?.name ?? 'none of them'}</b>
                    </span>
                </Button>
            </Popover.Trigger>
            <Popover.Portal>
                <Popover.Content
                    side="bottom"
                    align="end"
                    collisionPadding={8}
                    className="z-30 max-h-[80dvh] w-88 max-w-[80vw] overflow-auto border-2 border-ink bg-sheet p-3"
                    aria-label="Phase"
                >
                    <Phases project={project} onSwitched={() => setOpen(false)} />
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}
