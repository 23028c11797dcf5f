import { Layers } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useRef } from 'react';
import type { Schemas } from '../api/client';
import { Button } from '../parts/Button';
import { CheckBox } from '../parts/CheckBox';
import { Failure } from '../parts/Notice';
import { SnapChoice } from '../plan/SnapChoice';
import { drawnDesigns } from '../plan/things';
import { useLayers } from '../plan/useLayers';
import type { StageProps } from '../stage/stages';

/** In the field: which layers are shown, which kinds of spots can be touched, each by one touch, and all as it was before. */
export function FieldLayers({ project, designs, snaps, setSnaps }: StageProps) {
    const layers = useLayers(project.id, designs);
    const all = drawnDesigns(designs).flatMap((d) => d.layers);
    const shown = all.filter((l) => l.visible).map((l) => l.id);
    const before = useRef<number[] | null>(null);
    // What was shown when the list was opened can be had back in one touch.
    const remember = (open: boolean) => {
        if (open) {
            before.current = shown;
        }
    };
    const hidden = all.length - shown.length;
    return (
        <Popover.Root onOpenChange={remember}>
            <Popover.Trigger asChild>
                <Button
                    kind="bare"
                    className="justify-start!"
                    aria-label={hidden > 0 ? `Layers, ${hidden} hidden` : 'Layers'}
                    title="Layers and kinds of spots"
                    pressed={hidden > 0}
                    icon={<Layers />}
                >
                    <span className="tool-word" data-word="Layers" aria-hidden="true" />
                </Button>
            </Popover.Trigger>
            <Popover.Portal>
                <Popover.Content
                    side="right"
                    align="end"
                    collisionPadding={8}
                    className="z-30 flex max-h-[min(34rem,84dvh)] w-88 max-w-[80vw] flex-col gap-2 border-2 border-ink bg-sheet p-3"
                    aria-label="Layers"
                >
                    <div className="flex flex-wrap gap-2">
                        <Button onClick={() => layers.change({ layerIds: all.map((l) => l.id), visible: true })}>Show all</Button>
                        <Button onClick={() => before.current && layers.only(before.current)}>As before</Button>
                    </div>
                    <Failure of={layers.error} />
                    <ul className="min-h-24 overflow-auto">
                        {all.map((l) => (
                            <LayerLine key={l.id} layer={l} layers={layers} />
                        ))}
                        {all.length === 0 && <li className="text-quiet">No drawing is shown.</li>}
                    </ul>
                    <SnapChoice snaps={snaps} onSnaps={setSnaps} />
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}

const LayerLine = ({
    layer: { id, name, visible, pickable },
    layers,
}: {
    layer: Schemas['LayerEntry'];
    layers: ReturnType<typeof useLayers>;
}) => (
    <li className="flex items-center gap-2 border-rule border-b">
        <span className="min-w-0 flex-1">
            <CheckBox
                label={pickable ? name : `${name} (seen, not touched)`}
                checked={visible}
                onChecked={(on) => layers.change({ layerIds: [id], visible: on })}
            />
        </span>
        <Button aria-label={`Only ${name}`} onClick={() => layers.only([id])}>
            only
        </Button>
    </li>
);
