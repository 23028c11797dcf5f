import { Popover } from 'radix-ui';
import { type ReactNode, useRef, useState } from 'react';
import { api, ask, type Live, newKey, type Project, type SetupState } from '../api/client';
import { useChangeDraft, useDeed, useTargets } from '../api/hooks';
import { Button } from '../parts/Button';
import { LengthField, NumberField } from '../parts/Field';
import { Length } from '../parts/Figure';
import { Failure, Notice } from '../parts/Notice';

interface Props {
    project: Project;
    draft: SetupState['draft'];
    live: Live | undefined;
    /** turns to what is staked; null where nothing is */
    onTurn: (() => Promise<unknown>) | null;
    children: ReactNode;
}

/** What is sighted, and what the instrument does with it: prism or red dot, its height and constant, follow, search, turn. */
export function PoleMenu({ project, draft, live, onTurn, children }: Props) {
    const change = useChangeDraft(project.id);
    const targets = useTargets(project.id).data ?? [];
    // The height that was told for another target is asked again, and not taken for this one's.
    const [unsure, setUnsure] = useState(false);
    const former = useRef<number | null>(null);
    const set = (body: Parameters<typeof change.mutate>[0]) => {
        if (body.targetHeight !== undefined || body.targetId !== undefined) {
            former.current = draft.targetHeight;
        }
        change.mutate(body);
    };
    const tell = useDeed(project.id, (what: 'follow' | 'hold' | 'search' | 'turn') => {
        const params = { path: { project: project.id } };
        const key = newKey();
        return what === 'turn'
            ? (onTurn?.() ?? Promise.resolve())
            : what === 'search'
              ? ask(api.POST('/api/v1/projects/{project}/instrument/search', { params, body: { key } }))
              : ask(api.POST('/api/v1/projects/{project}/instrument/track', { params, body: { key, on: what === 'follow' } }));
    });
    return (
        <Popover.Root>
            <Popover.Trigger asChild>{children}</Popover.Trigger>
            <Popover.Portal>
                <Popover.Content
                    align="end"
                    collisionPadding={8}
                    className="z-30 grid max-h-[86dvh] w-96 max-w-[94vw] gap-3 overflow-auto border-2 border-ink bg-sheet p-4"
                    aria-label="Pole and red dot"
                >
                    <div className="grid grid-cols-2 gap-2">
                        <Button
                            className="min-h-16"
                            pressed={!draft.dot}
                            onClick={() => {
                                if (draft.dot) {
                                    set({ dot: false });
                                    setUnsure(true);
                                }
                            }}
                        >
                            Prism
                        </Button>
                        <Button className="min-h-16" pressed={draft.dot} onClick={() => set({ dot: true })}>
                            Red dot
                        </Button>
                    </div>
                    {draft.dot ? (
                        <p>
                            Measured without a prism: height <b>0</b> and constant <b>0</b>, whatever the pole’s are. The prism’s stay as
                            they were told for when it is taken up again.
                        </p>
                    ) : (
                        <>
                            {targets.length > 0 && (
                                <div className="flex flex-wrap gap-1">
                                    {targets.map((t) => (
                                        <Button
                                            key={t.id}
                                            className="px-3 text-sm"
                                            pressed={draft.targetId === t.id}
                                            onClick={() => {
                                                set({ targetId: t.id });
                                                setUnsure(true);
                                            }}
                                        >
                                            {t.name}
                                        </Button>
                                    ))}
                                </div>
                            )}
                            {unsure && (
                                <Notice kind="caution">
                                    Does this prism stand <Length of={draft.targetHeight} /> above the mark?{' '}
                                    <Button onClick={() => setUnsure(false)}>Yes</Button>
                                </Notice>
                            )}
                            <LengthField
                                key={`height ${draft.targetId} ${draft.targetHeight}`}
                                label="Height of the prism above the mark"
                                value={draft.targetHeight}
                                onValue={(m) => {
                                    if (m !== null) {
                                        set({ targetHeight: m });
                                        setUnsure(false);
                                    }
                                }}
                            />
                            {former.current !== null && Math.abs(former.current - draft.targetHeight) > 1e-4 && (
                                <Button onClick={() => set({ targetHeight: former.current })}>
                                    Back to <Length of={former.current} />
                                </Button>
                            )}
                            <NumberField
                                key={`constant ${draft.targetId}`}
                                label="Prism constant"
                                unit="mm"
                                value={Number((draft.prismConstant * 1000).toFixed(2))}
                                onValue={(mm) => set({ prismConstant: mm / 1000 })}
                            />
                            <div className="grid grid-cols-2 gap-2">
                                <Button pressed={live?.instrument.tracking} onClick={() => tell.mutate('follow')}>
                                    Follow it
                                </Button>
                                <Button pressed={live?.instrument.tracking === false} onClick={() => tell.mutate('hold')}>
                                    Hold it only
                                </Button>
                                <Button onClick={() => tell.mutate('search')}>Search</Button>
                                <Button disabled={!onTurn} onClick={() => tell.mutate('turn')}>
                                    Turn to the target
                                </Button>
                            </div>
                        </>
                    )}
                    <p className="text-sm text-quiet">What is stored already keeps what it was measured with.</p>
                    <Failure of={change.error ?? tell.error} />
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}
