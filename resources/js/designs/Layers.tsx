import { Eye, EyeOff, MousePointer2, MousePointerBan } from 'lucide-react';
import { useState } from 'react';
import type { Design, Project, Schemas } from '../api/client';
import { Button } from '../parts/Button';
import { TextField } from '../parts/Field';
import { Failure } from '../parts/Notice';
import { useLayers } from '../plan/useLayers';

/** Layers all, none, only these, the other way round; searched; visible but not to be picked; in a colour of our own. */
export function Layers({ project, designs }: { project: Project; designs: Design[] }) {
    const all = designs.flatMap((d) => d.layers);
    const layers = useLayers(project.id, designs);
    const [query, setQuery] = useState('');
    const found = all.filter((l) => l.name.toLowerCase().includes(query.trim().toLowerCase()));
    const ids = found.map((l) => l.id);
    const shown = all.filter((l) => l.visible);
    const invert = () => layers.only(all.filter((l) => (ids.includes(l.id) ? !l.visible : l.visible)).map((l) => l.id));
    return (
        <section aria-label="Layers">
            <h2 className="font-semibold">
                Layers: {shown.length} of {all.length} shown
            </h2>
            <div className="my-2 flex flex-wrap items-end gap-2">
                <div className="min-w-40 flex-1">
                    <TextField label="Search layers" type="search" value={query} onValue={setQuery} />
                </div>
                <Button onClick={() => layers.change({ layerIds: ids, visible: true })}>All</Button>
                <Button onClick={() => layers.change({ layerIds: ids, visible: false })}>None</Button>
                <Button onClick={() => layers.only(ids)} disabled={found.length === all.length}>
                    Only these
                </Button>
                <Button onClick={invert}>Invert</Button>
            </div>
            <Failure of={layers.error} />
            {found.length === 0 && <p className="text-quiet">No layer’s name holds “{query}”.</p>}
            <ul>
                {found.map((l) => (
                    <LayerRow key={l.id} layer={l} layers={layers} />
                ))}
            </ul>
        </section>
    );
}

function LayerRow({ layer, layers }: { layer: Schemas['LayerEntry']; layers: ReturnType<typeof useLayers> }) {
    const { id, name, visible, pickable } = layer;
    return (
        <li className={`flex items-center gap-1 border-b border-rule ${visible ? '' : 'text-quiet'}`}>
            <Button
                kind="bare"
                aria-label={`${visible ? 'Hide' : 'Show'} ${name}`}
                title={visible ? 'Shown' : 'Hidden'}
                onClick={() => layers.change({ layerIds: [id], visible: !visible })}
                icon={visible ? <Eye /> : <EyeOff />}
            />
            <Button
                kind="bare"
                aria-label={`${pickable ? 'Don’t pick' : 'Pick'} ${name}`}
                title={pickable ? 'Can be picked' : 'Seen but not picked'}
                disabled={!visible}
                onClick={() => layers.change({ layerIds: [id], pickable: !pickable })}
                icon={pickable ? <MousePointer2 /> : <MousePointerBan />}
            />
            <label className="relative flex size-12 shrink-0 cursor-pointer items-center justify-center">
                <input
                    type="color"
                    aria-label={`Colour of ${name}`}
                    className="absolute inset-0 cursor-pointer opacity-0"
                    value={layer.ownColour ?? layer.colour}
                    onChange={(e) => layers.change({ layerIds: [id], colour: e.target.value })}
                />
                <span className="size-5 border border-ink/40" style={{ background: layer.ownColour ?? layer.colour }} aria-hidden="true" />
            </label>
            <span className="min-w-0 flex-1 truncate" title={layer.kinds.map((k) => `${k.count} ${k.kind}`).join(', ')}>
                {name}
            </span>
            {layer.ownColour !== null && (
                <Button aria-label={`File’s colour for ${name}`} onClick={() => layers.change({ layerIds: [id], colour: '' })}>
                    own
                </Button>
            )}
            <span className="figure text-sm text-quiet">{layer.count}</span>
            <Button aria-label={`Only ${name}`} onClick={() => layers.only([id])}>
                only
            </Button>
        </li>
    );
}
