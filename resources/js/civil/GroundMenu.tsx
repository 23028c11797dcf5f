import { Mountain } from 'lucide-react';
import { Popover } from 'radix-ui';
import type { Project } from '../api/client';
import { Button } from '../parts/Button';
import { CheckBox } from '../parts/CheckBox';
import { Choice, LengthField } from '../parts/Field';
import { Failure } from '../parts/Notice';
import type { Bands } from '../plan/surfacePicture';
import type { Ground } from './useGround';
import { useKeepChoices } from './useKeepChoices';

/** The surface that is worked with and how ground is drawn, beside the tools of the plan. */
export function GroundMenu({ project, ground }: { project: Project; ground: Ground }) {
    const { look, setLook, surfaces, active } = ground;
    const keep = useKeepChoices(project);
    if (surfaces.length === 0) {
        return null;
    }
    return (
        <Popover.Root>
            <Popover.Trigger asChild>
                <Button
                    kind="bare"
                    className="justify-start!"
                    aria-label="Ground"
                    title="Surfaces and how they are drawn"
                    icon={<Mountain />}
                >
                    <span className="tool-word" data-word="Ground" aria-hidden="true" />
                </Button>
            </Popover.Trigger>
            <Popover.Portal>
                <Popover.Content
                    side="right"
                    align="end"
                    collisionPadding={8}
                    className="z-30 flex max-h-[min(38rem,88dvh)] w-88 max-w-[80vw] flex-col gap-3 overflow-auto border-2 border-ink bg-sheet p-3"
                    aria-label="Ground"
                >
                    <ActiveSurface project={project} ground={ground} />
                    <Choice<Bands>
                        label="Bands of colour"
                        value={look.bands}
                        onValue={(bands) => setLook({ ...look, bands })}
                        options={[
                            ['none', 'none'],
                            ['elevation', 'by elevation'],
                            ['slope', 'by slope'],
                            ['cut_fill', 'by cut and fill'],
                        ]}
                    />
                    {look.bands === 'cut_fill' && (
                        <Choice
                            label="What is there"
                            value={String(look.there ?? '')}
                            onValue={(id) => setLook({ ...look, there: id === '' ? null : Number(id) })}
                            options={[
                                ['', 'the ground or what was built'],
                                ...surfaces.filter((s) => s !== active).map((s) => [String(s.id), s.name] as const),
                            ]}
                            hint={active ? `held against ${active.name}` : undefined}
                        />
                    )}
                    <div className="grid grid-cols-2 gap-2">
                        <CheckBox label="Triangles" checked={look.triangles} onChecked={(triangles) => setLook({ ...look, triangles })} />
                        <CheckBox label="Arrows of fall" checked={look.arrows} onChecked={(arrows) => setLook({ ...look, arrows })} />
                    </div>
                    <LengthField
                        label="Contours every"
                        value={look.contours === 0 ? null : look.contours}
                        optional
                        onValue={(metres) => setLook({ ...look, contours: metres !== null && metres > 0 ? metres : 0 })}
                        hint={look.contours === 0 ? 'none are drawn' : undefined}
                    />
                    <LengthField
                        label="Stations of alignments every"
                        value={project.civil.interval}
                        onValue={(interval) => interval !== null && interval > 0 && keep.mutate({ ...project.civil, interval })}
                    />
                    <Failure of={keep.error ?? ground.error} />
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}

/** Which surface is worked with, and how far above or below it. */
export function ActiveSurface({ project, ground }: { project: Project; ground: Ground }) {
    const keep = useKeepChoices(project);
    const { civil } = project;
    return (
        <div className="grid gap-2">
            <Choice
                label="Active surface"
                value={String(ground.active?.id ?? '')}
                onValue={(id) => keep.mutate({ ...civil, surfaceId: id === '' ? null : Number(id) })}
                options={[['', 'none'], ...ground.surfaces.map((s) => [String(s.id), s.name] as const)]}
            />
            <div className="grid grid-cols-2 items-end gap-2">
                <LengthField
                    label="Vertical offset"
                    value={Math.abs(civil.verticalOffset)}
                    onValue={(metres) =>
                        metres !== null &&
                        keep.mutate({ ...civil, verticalOffset: civil.verticalOffset < 0 ? -Math.abs(metres) : Math.abs(metres) })
                    }
                />
                <Choice
                    label="above or below"
                    value={civil.verticalOffset < 0 ? 'below' : 'above'}
                    onValue={(side) =>
                        keep.mutate({
                            ...civil,
                            verticalOffset: side === 'below' ? -Math.abs(civil.verticalOffset) : Math.abs(civil.verticalOffset),
                        })
                    }
                    options={[
                        ['above', 'above'],
                        ['below', 'below'],
                    ]}
                />
            </div>
            <Failure of={keep.error} />
        </div>
    );
}
