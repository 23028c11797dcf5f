import { useQuery } from '@tanstack/react-query';
import { X } from 'lucide-react';
import { api, ask, type Project } from '../api/client';
import { Button } from '../parts/Button';
import { Direction, Length } from '../parts/Figure';
import { Failure } from '../parts/Notice';
import type { DrawnLayer } from './contract';
import { Kind } from './shapes';
import { type Spot, spotBody } from './snap';

/** Texts of the drawing this near the line between both are shown beside its length, parts of that length. */
const BESIDE = 0.25;

/** Distance, direction and rise between two touched spots; what the drawing says beside the line stands below. */
export function Inverse({
    project,
    spots,
    layers,
    onClose,
}: {
    project: Project;
    spots: Spot[];
    layers: DrawnLayer[];
    onClose: () => void;
}) {
    const [from, to] = spots;
    const inverse = useQuery({
        queryKey: ['inverse', from, to],
        queryFn: () =>
            ask(
                api.POST('/api/v1/projects/{project}/inverse', {
                    params: { path: { project: project.id } },
                    body: { from: spotBody(from as Spot), to: spotBody(to as Spot) },
                }),
            ),
        enabled: from !== undefined && to !== undefined,
        retry: false,
    });
    const written = from && to ? textsBeside(layers, from, to) : [];
    return (
        <div className="absolute top-2 left-16 z-10 flex max-w-md items-start gap-3 border-2 border-chalk bg-sheet py-2 pl-4" role="status">
            <div className="min-w-0">
                <div className="font-semibold">Inverse</div>
                {!from && <p>Touch the first spot: an end, a centre, a crossing.</p>}
                {from && !to && <p>From {from.label}. Touch the second spot.</p>}
                {inverse.data && (
                    <>
                        <div className="text-lg">
                            <Length of={inverse.data.distance} />
                        </div>
                        <div className="text-sm">
                            direction <Direction of={inverse.data.direction} />
                            {inverse.data.rise !== null && (
                                <>
                                    , {inverse.data.rise < 0 ? 'down' : 'up'} <Length of={Math.abs(inverse.data.rise)} />
                                </>
                            )}
                        </div>
                        <div className="text-sm text-quiet">
                            {from?.label} to {to?.label}
                        </div>
                        {written.length > 0 && <div className="mt-1">The drawing says: {written.map((w) => `“${w}”`).join(', ')}</div>}
                    </>
                )}
                <Failure of={inverse.error} />
            </div>
            <Button kind="bare" aria-label="Close the inverse" onClick={onClose} icon={<X />} />
        </div>
    );
}

/** Texts with a figure in them that stand along the line between two spots. */
function textsBeside(layers: DrawnLayer[], from: Spot, to: Spot): string[] {
    const [dx, dy] = [to.x - from.x, to.y - from.y];
    const length = Math.hypot(dx, dy);
    const found: { text: string; off: number }[] = [];
    for (const layer of layers) {
        for (let i = 0; i < layer.shapes.count; i++) {
            if (layer.shapes.kind(i) !== Kind.text) {
                continue;
            }
            const text = layer.strings[layer.shapes.v(i, 5)] ?? '';
            const [x, y] = [layer.shapes.v(i, 0) - from.x, layer.shapes.v(i, 1) - from.y];
            const along = (x * dx + y * dy) / length ** 2;
            const off = Math.abs(x * dy - y * dx) / length;
            if (/\d/.test(text) && along > 0 && along < 1 && off < BESIDE * length) {
                found.push({ text, off });
            }
        }
    }
    return found
        .sort((a, b) => a.off - b.off)
        .slice(0, 3)
        .map((f) => f.text);
}
