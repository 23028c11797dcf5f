import type { Schemas } from '../api/client';
import { Button } from '../parts/Button';

/** Layers, each on or off by a touch. */
export function LayerButtons({
    legend,
    layers,
    ids,
    onIds,
}: {
    legend: string;
    layers: Schemas['LayerEntry'][];
    ids: number[];
    onIds: (ids: number[]) => void;
}) {
    return (
        <fieldset>
            <legend className="mb-1 text-sm text-quiet">{legend}</legend>
            <div className="flex flex-wrap gap-1">
                {layers.map((l) => (
                    <Button
                        key={l.id}
                        className="px-3 text-sm"
                        pressed={ids.includes(l.id)}
                        onClick={() => onIds(ids.includes(l.id) ? ids.filter((id) => id !== l.id) : [...ids, l.id])}
                    >
                        {l.name}
                    </Button>
                ))}
            </div>
        </fieldset>
    );
}
