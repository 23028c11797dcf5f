import { Eye, EyeOff, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { api, ask, type Project, type Schemas } from '../api/client';
import { useDeed } from '../api/hooks';
import { Button } from '../parts/Button';
import { Dialog } from '../parts/Dialog';
import { Choice, LengthField } from '../parts/Field';
import { Length } from '../parts/Figure';
import { later } from '../parts/later';
import { Failure } from '../parts/Notice';
import type { StageProps } from '../stage/stages';
import { formatStation } from '../units/format';
import { useUnits } from '../units/UnitsContext';
import { type Alignment, type Surface, useAlignments, useSurfaces } from './hooks';
import { ModelOut } from './ModelOut';
import { Remarks } from './Remarks';
import { useKeepChoices } from './useKeepChoices';

const AlignmentForm = later(() => import('./AlignmentForm').then((m) => m.AlignmentForm));
const AlignmentPoints = later(() => import('./AlignmentPoints').then((m) => m.AlignmentPoints));
const Elements = later(() => import('./Elements').then((m) => m.Elements));
const ProfileForm = later(() => import('./ProfileForm').then((m) => m.ProfileForm));
const SurfaceEdits = later(() => import('./SurfaceEdits').then((m) => m.SurfaceEdits));
const SurfaceForm = later(() => import('./SurfaceForm').then((m) => m.SurfaceForm));
const SurfaceMeeting = later(() => import('./SurfaceMeeting').then((m) => m.SurfaceMeeting));
const TemplateForm = later(() => import('./TemplateForm').then((m) => m.TemplateForm));
const VolumeForm = later(() => import('./VolumeForm').then((m) => m.VolumeForm));

type Opened =
    | { what: 'alignment'; alignment: Alignment | null }
    | { what: 'elements' | 'points' | 'profile' | 'template'; alignment: Alignment }
    | { what: 'surface' | 'volume' | 'meeting' };

/** The alignments and surfaces of the project, each with what can be done with it. */
export function CivilCards(props: StageProps) {
    const { project } = props;
    const alignments = useAlignments(project.id).data ?? [];
    const surfaces = useSurfaces(project.id).data ?? [];
    const [opened, setOpened] = useState<Opened | null>(null);
    const close = () => setOpened(null);
    // The newest state of what is open: it may have been changed meanwhile.
    const now = opened && 'alignment' in opened ? (alignments.find((a) => a.id === opened.alignment?.id) ?? null) : null;
    // What is touched on the plan for a form needs the plan: the form stands in the sheet.
    if (opened?.what === 'alignment') {
        return <AlignmentForm {...props} alignment={now} onClose={close} />;
    }
    if (opened?.what === 'surface') {
        return <SurfaceForm {...props} onClose={close} />;
    }
    if (opened?.what === 'volume') {
        return <VolumeForm {...props} onClose={close} />;
    }
    if (opened?.what === 'meeting') {
        return <SurfaceMeeting {...props} onClose={close} />;
    }
    if (opened?.what === 'points' && now) {
        return <AlignmentPoints {...props} alignment={now} onClose={close} />;
    }
    return (
        <section aria-label="Alignments and surfaces" className="grid gap-3">
            {alignments.map((a) => (
                <AlignmentCard key={a.id} project={project} alignment={a} onOpen={setOpened} />
            ))}
            {surfaces.map((s) => (
                <SurfaceCard key={s.id} {...props} surface={s} />
            ))}
            <div className="flex flex-wrap gap-2">
                <Button onClick={() => setOpened({ what: 'alignment', alignment: null })}>Make an alignment</Button>
                <Button onClick={() => setOpened({ what: 'surface' })}>Make a surface</Button>
                {surfaces.length > 0 && <Button onClick={() => setOpened({ what: 'volume' })}>Volume</Button>}
                {surfaces.length > 1 && <Button onClick={() => setOpened({ what: 'meeting' })}>Where surfaces meet</Button>}
                {alignments.length + surfaces.length > 0 && <ModelOut project={project.id} />}
            </div>
            <Dialog open={opened?.what === 'elements' && now !== null} onClose={close} title={`Elements of ${now?.name ?? ''}`} wide>
                {now && <Elements alignment={now} />}
            </Dialog>
            <Dialog open={opened?.what === 'profile' && now !== null} onClose={close} title={`Profile of ${now?.name ?? ''}`} wide>
                {now && <ProfileForm project={project} alignment={now} onDone={close} />}
            </Dialog>
            <Dialog open={opened?.what === 'template' && now !== null} onClose={close} title={`Across ${now?.name ?? ''}`} wide>
                {now && <TemplateForm project={project} alignment={now} onDone={close} />}
            </Dialog>
        </section>
    );
}

const useChange = (project: number, kind: 'alignments' | 'surfaces', id: number) => {
    const change = useDeed(project, (body: Schemas['CivilChange']) =>
        kind === 'alignments'
            ? ask(api.PATCH('/api/v1/projects/{project}/alignments/{alignment}', { params: { path: { project, alignment: id } }, body }))
            : ask(api.PATCH('/api/v1/projects/{project}/surfaces/{surface}', { params: { path: { project, surface: id } }, body })),
    );
    const remove = useDeed(project, () =>
        kind === 'alignments'
            ? ask(api.DELETE('/api/v1/projects/{project}/alignments/{alignment}', { params: { path: { project, alignment: id } } }))
            : ask(api.DELETE('/api/v1/projects/{project}/surfaces/{surface}', { params: { path: { project, surface: id } } })),
    );
    return { change, remove };
};

interface HeadProps {
    kind: string;
    name: string;
    visible: boolean;
    onVisible: (visible: boolean) => void;
    onRemove: () => void;
}

const Head = ({ kind, name, visible, onVisible, onRemove }: HeadProps) => (
    <div className="flex items-center gap-1">
        <h2 className="min-w-0 flex-1 truncate font-semibold">
            <span className="font-normal text-quiet">{kind}</span> {name}
        </h2>
        <Button
            kind="bare"
            aria-label={visible ? `Hide ${name}` : `Show ${name}`}
            onClick={() => onVisible(!visible)}
            icon={visible ? <Eye /> : <EyeOff />}
        />
        <Button kind="bare" aria-label={`Remove ${name}`} onClick={onRemove} icon={<Trash2 />} />
    </div>
);

function AlignmentCard({ project, alignment: a, onOpen }: { project: Project; alignment: Alignment; onOpen: (o: Opened) => void }) {
    const units = useUnits();
    const { change, remove } = useChange(project.id, 'alignments', a.id);
    return (
        <div className="border-rule border-l-4 pl-3">
            <Head
                kind="Alignment"
                name={a.name}
                visible={a.visible}
                onVisible={(visible) => change.mutate({ visible })}
                onRemove={() => remove.mutate(undefined)}
            />
            <p className="text-sm text-quiet">
                <Length of={a.length} />, {formatStation(a.from, units)} to {formatStation(a.to, units)}
                {a.equations.length > 0 && `, ${a.equations.length} station ${a.equations.length === 1 ? 'equation' : 'equations'}`} ·{' '}
                {a.source}
                {a.profiles.map((p) => ` · ${p.ground ? 'ground' : 'profile'} ${p.name}`)}
                {a.shapes.map((s) => ` · ${s.template ? 'template' : `${s.sections} sections`} ${s.name}`)}
            </p>
            <div className="flex flex-wrap gap-2">
                <Button onClick={() => onOpen({ what: 'points', alignment: a })}>Points along it</Button>
                <Button onClick={() => onOpen({ what: 'elements', alignment: a })}>Elements</Button>
                <Button onClick={() => onOpen({ what: 'profile', alignment: a })}>Profile</Button>
                <Button onClick={() => onOpen({ what: 'template', alignment: a })}>Across it</Button>
                {a.given && <Button onClick={() => onOpen({ what: 'alignment', alignment: a })}>Change it</Button>}
            </div>
            {a.remarks.length > 0 && <Remarked of={a.remarks} />}
            <Failure of={change.error ?? remove.error} />
        </div>
    );
}

const KINDS: Record<Surface['kind'], string> = { design: 'a design', ground: 'the ground before', as_built: 'what was built' };

function SurfaceCard(props: StageProps & { surface: Surface }) {
    const { project, surface: s } = props;
    const { change, remove } = useChange(project.id, 'surfaces', s.id);
    const keep = useKeepChoices(project);
    return (
        <div className={`border-l-4 pl-3 ${s.active ? 'border-chalk' : 'border-rule'}`}>
            <Head
                kind="Surface"
                name={s.name}
                visible={s.visible}
                onVisible={(visible) => change.mutate({ visible })}
                onRemove={() => remove.mutate(undefined)}
            />
            <p className="text-sm text-quiet">
                {s.active ? 'worked with' : KINDS[s.kind]} · {s.triangles} triangles, <Length of={s.lowest} /> to <Length of={s.highest} />{' '}
                · {s.source}
            </p>
            <div className="flex flex-wrap items-end gap-2">
                {!s.active && <Button onClick={() => keep.mutate({ ...project.civil, surfaceId: s.id })}>Work with it</Button>}
                <div className="w-48">
                    <Choice
                        label={`What ${s.name} is`}
                        value={s.kind}
                        onValue={(kind) => change.mutate({ kind })}
                        options={Object.entries(KINDS) as [Surface['kind'], string][]}
                    />
                </div>
                {s.kind === 'design' && (
                    <div className="w-48">
                        <LengthField
                            label="Grade tolerance"
                            value={s.tolerance}
                            optional
                            onValue={(tolerance) => change.mutate({ tolerance: tolerance ?? 0 })}
                            hint="empty: cut and fill are told, and not judged"
                        />
                    </div>
                )}
            </div>
            {s.made && <SurfaceEdits {...props} surface={s} />}
            {s.remarks.length > 0 && <Remarked of={s.remarks} />}
            <Failure of={change.error ?? remove.error ?? keep.error} />
        </div>
    );
}

const Remarked = ({ of }: { of: readonly string[] }) => (
    <details>
        <summary className="min-h-12 cursor-pointer py-3 text-sm text-quiet">
            {of.length === 1 ? 'A remark' : `${of.length} remarks`} on what was read
        </summary>
        <Remarks of={of} />
    </details>
);
