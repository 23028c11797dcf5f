import { X } from 'lucide-react';
import { useState } from 'react';
import type { Aim, Live, Project } from '../api/client';
import { Button } from '../parts/Button';
import { Choice } from '../parts/Field';
import { formatLength, formatStation } from '../units/format';
import { useUnits } from '../units/UnitsContext';
import { useSection, useSurfacesAlong } from './hooks';
import { DASHES, LineSample } from './LineSample';
import { heightOn } from './lookLines';
import { ProfileDrawing } from './ProfileDrawing';
import { SectionDrawing } from './SectionDrawing';
import type { Ground } from './useGround';

interface Props {
    project: Project;
    ground: Ground;
    live: Live | undefined;
    /** what is staked now: its alignment is the one that is looked at */
    aim: Aim | null;
    onClose: () => void;
}

/** Metres to either side that a section shows. */
const WIDTHS = [5, 10, 20, 50, 100];

/** Under the plan: the profile along an alignment, or what lies across it where the pole stands. */
export function LookAlong({ project, ground, live, aim, onClose }: Props) {
    const units = useUnits();
    const staked = aim?.civil?.alignmentId ?? null;
    const [chosen, setChosen] = useState<number | null>(null);
    const alignment = ground.alignments.find((a) => a.id === (staked ?? chosen)) ?? ground.alignments[0] ?? null;
    const [look, setLook] = useState<'profile' | 'section'>('profile');
    const [taller, setTaller] = useState<string>('');
    const [width, setWidth] = useState('20');
    const [asked, setAsked] = useState(0);
    const along = useSurfacesAlong(project.id, alignment, ground.surfaces).data ?? [];
    const on = live?.designed?.station ?? null;
    const pole = on && alignment && aim?.civil?.alignmentId === alignment.id ? on : null;
    const profile = aim?.civil?.profile ?? (alignment ? alignment.profiles.findIndex((p) => !p.ground) : -1);
    const station = pole ? Math.round(pole.along * 2) / 2 : asked;
    const shape = aim?.civil?.shape ?? ((alignment?.shapes.length ?? 0) > 0 ? 0 : null);
    const section = useSection(
        project.id,
        look === 'section' ? alignment : null,
        { along: station, profile: profile < 0 ? null : profile, shape, width: Number(width) },
        ground.surfaces.map((s) => `${s.id}.${s.version}.${s.visible}`).join(),
    ).data;
    if (!alignment) {
        return null;
    }
    // Held upright the plan above is low: drawn lower, all of it is in view.
    const height = window.innerHeight > window.innerWidth ? 112 : 150;
    const design = profile < 0 ? undefined : alignment.profiles[profile];
    return (
        <section aria-label="Along and across" className="flex max-h-[52%] flex-col gap-1 overflow-auto border-ink border-t-2 bg-sheet p-2">
            <div className="flex flex-wrap items-end gap-2">
                <div className="w-40">
                    <Choice
                        label="Alignment"
                        value={String(alignment.id)}
                        onValue={(id) => setChosen(Number(id))}
                        options={(staked === null ? ground.alignments : [alignment]).map((a) => [String(a.id), a.name] as const)}
                    />
                </div>
                <div className="w-40">
                    <Choice
                        label="Seen"
                        value={look}
                        onValue={setLook}
                        options={[
                            ['profile', 'along it'],
                            ['section', 'across it'],
                        ]}
                    />
                </div>
                {look === 'profile' ? (
                    <div className="w-36">
                        <Choice
                            label="Heights drawn"
                            value={taller}
                            onValue={setTaller}
                            options={[['', 'as fits'], ...['1', '2', '5', '10', '20', '50'].map((n) => [n, `${n} times taller`] as const)]}
                        />
                    </div>
                ) : (
                    <>
                        <div className="w-36">
                            <Choice
                                label="To either side"
                                value={width}
                                onValue={setWidth}
                                options={WIDTHS.map((w) => [String(w), formatLength(w, units.length)] as const)}
                            />
                        </div>
                        {!pole && (
                            <>
                                <Button onClick={() => setAsked(Math.max(0, asked - project.civil.interval))}>Back</Button>
                                <Button onClick={() => setAsked(Math.min(alignment.length, asked + project.civil.interval))}>On</Button>
                            </>
                        )}
                    </>
                )}
                <Button kind="bare" className="ml-auto" aria-label="Close what is seen along and across" icon={<X />} onClick={onClose} />
            </div>
            {look === 'profile' ? (
                <ProfileDrawing
                    alignment={alignment}
                    surfaces={along}
                    profile={profile < 0 ? null : profile}
                    height={height}
                    at={pole ? { along: pole.along, elevation: live?.pole?.elevation ?? null } : null}
                    exaggeration={taller === '' ? null : Number(taller)}
                />
            ) : (
                section && (
                    <SectionDrawing
                        section={section}
                        width={Number(width)}
                        height={height}
                        pole={pole ? { right: pole.offset, elevation: live?.pole?.elevation ?? null } : null}
                    />
                )
            )}
            <p className="flex flex-wrap gap-x-4 text-sm">
                {look === 'section' && section && <span>at {formatStation(section.station, units)}</span>}
                {design && (
                    <span>
                        <LineSample kind="design" dashes="" heavy /> {design.name}
                        {pole && heightOn(design.line, pole.along) !== null && (
                            <>
                                {' '}
                                <span className="figure">{formatLength(heightOn(design.line, pole.along) ?? 0, units.length)}</span>
                            </>
                        )}
                    </span>
                )}
                {(look === 'section' ? (section?.surfaces ?? []) : along).map((s, i) => (
                    <span key={s.id}>
                        <LineSample kind={s.kind === 'design' ? 'surface' : 'ground'} dashes={DASHES[i % DASHES.length] ?? ''} /> {s.name}
                    </span>
                ))}
            </p>
        </section>
    );
}
