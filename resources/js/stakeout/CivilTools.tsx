import { ChevronLeft, ChevronRight } from 'lucide-react';
import { useState } from 'react';
import type { Aim, Live, Project } from '../api/client';
import { HeightsFrom } from '../civil/HeightsFrom';
import { type Alignment, useAlignments, useSurfaces } from '../civil/hooks';
import { StationField } from '../civil/StationField';
import { useKeepChoices } from '../civil/useKeepChoices';
import { Button } from '../parts/Button';
import { AngleField, Choice, LengthField } from '../parts/Field';
import { Failure } from '../parts/Notice';
import { formatLength } from '../units/format';
import { useUnits } from '../units/UnitsContext';
import type { AimTarget } from './target';
import { useChangeAim, usePlacesAlong, useTakeAim } from './useTaking';

interface Props {
    project: Project;
    target: AimTarget;
    live: Live | undefined;
    onTaken: (aim: Aim) => void;
}

/** How an alignment or a surface is staked: the line or only its grade, beside it, at which heights; and one place of it after another. */
export function CivilTools({ project, target, live, onTaken }: Props) {
    const alignments = useAlignments(project.id).data ?? [];
    const surfaces = useSurfaces(project.id).data ?? [];
    const change = useChangeAim(project.id);
    const work = useKeepChoices(project);
    const take = useTakeAim(project.id, onTaken);
    const { aim } = target;
    const lay = aim.civil;
    const alignment = alignments.find((a) => a.id === lay?.alignmentId);
    if (!lay) {
        return null;
    }
    const set = (part: Partial<typeof lay>) => change.mutate({ aim, civil: { ...lay, ...part } });
    if (!alignment) {
        const others = (live?.surfaces ?? []).filter((s) => s.id !== lay.surfaceId && s.kind === 'design');
        return (
            <div className="grid grid-cols-2 items-end gap-2">
                {others.map((s) => (
                    <Button
                        key={s.id}
                        className="col-span-2 justify-self-start"
                        busy={work.isPending || take.isPending}
                        onClick={() =>
                            work.mutate(
                                { ...project.civil, surfaceId: s.id },
                                {
                                    onSuccess: () =>
                                        take.mutate({ civil: { surfaceId: s.id, verticalOffset: project.civil.verticalOffset } }),
                                },
                            )
                        }
                    >
                        Work with {s.name}
                    </Button>
                ))}
                <LengthField
                    label="Vertical offset"
                    value={Math.abs(lay.verticalOffset ?? 0)}
                    onValue={(m) => m !== null && set({ verticalOffset: (lay.verticalOffset ?? 0) < 0 ? -Math.abs(m) : Math.abs(m) })}
                />
                <Choice
                    label="above or below"
                    value={(lay.verticalOffset ?? 0) < 0 ? 'below' : 'above'}
                    onValue={(side) =>
                        set({ verticalOffset: side === 'below' ? -Math.abs(lay.verticalOffset ?? 0) : Math.abs(lay.verticalOffset ?? 0) })
                    }
                    options={[
                        ['above', 'above'],
                        ['below', 'below'],
                    ]}
                />
                <Failure of={change.error ?? work.error ?? take.error} />
            </div>
        );
    }
    const right = lay.offset ?? 0;
    return (
        <div className="grid gap-3">
            <GoTo project={project} target={target} live={live} onTaken={onTaken} alignment={alignment} />
            <Choice
                label="What is staked of it"
                value={lay.grade ? 'grade' : 'line'}
                onValue={(what) => set({ grade: what === 'grade' })}
                options={[
                    ['line', 'the line: in plan and height'],
                    ['grade', 'its grade, wherever one stands beside it'],
                ]}
            />
            {!lay.grade && (
                <div className="grid grid-cols-2 items-end gap-2">
                    <LengthField
                        label="Offset of the line"
                        value={Math.abs(right)}
                        onValue={(m) => m !== null && set({ offset: right < 0 ? -Math.abs(m) : Math.abs(m) })}
                    />
                    <Choice
                        label="left or right"
                        value={right < 0 ? 'left' : 'right'}
                        onValue={(side) => set({ offset: side === 'left' ? -Math.abs(right) : Math.abs(right) })}
                        options={[
                            ['left', 'left'],
                            ['right', 'right'],
                        ]}
                    />
                </div>
            )}
            <HeightsFrom
                alignment={alignment}
                surfaces={surfaces}
                value={{
                    heights: lay.heights ?? 'road',
                    profile: lay.profile ?? null,
                    shape: lay.shape ?? null,
                    surfaceId: lay.surfaceId ?? null,
                    verticalOffset: lay.verticalOffset ?? 0,
                }}
                onValue={(h) => set(h)}
            />
            <Failure of={change.error} />
        </div>
    );
}

/** A place of the alignment by its station and offset, and the next and the one before by the interval of the project. */
function GoTo({ project, target, live, onTaken, alignment }: Props & { alignment: Alignment }) {
    const { length } = useUnits();
    const [along, setAlong] = useState<number | null>(null);
    const [right, setRight] = useState<{ metres: number; side: 'left' | 'right' }>({ metres: 0, side: 'right' });
    const [skew, setSkew] = useState<number | null>(null);
    const [skewed, setSkewed] = useState(false);
    const places = usePlacesAlong(project.id, (made) => made[0] && onTaken(made[0]));
    const { interval } = project.civil;
    const offset = (right.side === 'left' ? -1 : 1) * right.metres;
    const go = (to: number) =>
        places.mutate({
            line: target.aim,
            way: 'at',
            distance: to,
            offset: offset,
            skew: skewed ? skew : null,
        });
    const here = live?.designed?.station?.along ?? null;
    const step = (way: 'next' | 'before') =>
        here !== null && places.mutate({ line: target.aim, way, distance: here, interval, offset: offset, skew: skewed ? skew : null });
    return (
        <fieldset className="grid gap-2 border-l-2 border-rule pl-3">
            <legend className="sr-only">A place of it</legend>
            <div className="flex flex-wrap gap-2">
                <Button icon={<ChevronLeft />} disabled={here === null} onClick={() => step('before')}>
                    Station before
                </Button>
                <Button icon={<ChevronRight />} disabled={here === null} onClick={() => step('next')}>
                    Next station
                </Button>
                <span className="self-center text-sm text-quiet">every {formatLength(interval, length)}</span>
            </div>
            <div className="grid grid-cols-3 items-end gap-2">
                <StationField label="Go to station" project={project.id} alignment={alignment} value={along} onValue={setAlong} />
                <LengthField
                    label="Offset"
                    value={right.metres}
                    onValue={(m) => m !== null && setRight({ ...right, metres: Math.abs(m) })}
                />
                <Choice
                    label="to the"
                    value={right.side}
                    onValue={(side) => setRight({ ...right, side })}
                    options={[
                        ['left', 'left'],
                        ['right', 'right'],
                    ]}
                />
            </div>
            <div className="flex flex-wrap items-end gap-2">
                <Choice
                    label="Offset runs"
                    value={skewed ? 'skew' : 'square'}
                    onValue={(to) => setSkewed(to === 'skew')}
                    options={[
                        ['square', 'square to it'],
                        ['skew', 'at an angle to it'],
                    ]}
                />
                {skewed && <AngleField label="Clockwise from its direction" value={skew} onValue={setSkew} />}
                <Button
                    busy={places.isPending}
                    disabled={along === null || (skewed && skew === null)}
                    onClick={() => along !== null && go(along)}
                >
                    Stake that place
                </Button>
            </div>
            <Failure of={places.error} />
        </fieldset>
    );
}
