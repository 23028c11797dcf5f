import { useQuery } from '@tanstack/react-query';
import { X } from 'lucide-react';
import { api, ask, type Project, type Schemas } from '../api/client';
import { Button } from '../parts/Button';
import { AngleFigure, Direction, Length } from '../parts/Figure';
import { Failure } from '../parts/Notice';
import type { DrawnLayer, PlanPlace } from './contract';
import { Kind } from './shapes';

/** Texts of the drawing this near the line between both are shown beside its length, parts of that length. */
const BESIDE = 0.25;

/** One place of the ruler: what it is, and where it lies on the plan. */
export interface Ruled {
    given: Schemas['GivenPlace'];
    words: string;
    northing: number;
    easting: number;
}

interface Props {
    project: Project;
    places: Ruled[];
    layers: DrawnLayer[];
    onClose: () => void;
}

/** Distance, direction and rise between two places that were touched, and the angle at the middle one of three; what the drawing says beside the line stands below. */
export function Inverse({ project, places, layers, onClose }: Props) {
    const [from, to, next] = places;
    const inverse = useQuery({
        queryKey: ['inverse', from?.given, to?.given, next?.given],
        queryFn: () =>
            ask(
                api.POST('/api/v1/projects/{project}/inverse', {
                    params: { path: { project: project.id } },
                    body: { from: from?.given ?? {}, to: to?.given ?? {}, next: next?.given ?? null },
                }),
            ),
        enabled: from !== undefined && to !== undefined,
        retry: false,
    });
    const written = from && to && !next ? textsBeside(layers, from, to) : [];
    const turn = inverse.data?.turn;
    return (
        <div className="absolute top-2 left-16 z-10 flex max-w-md items-start gap-3 border-2 border-chalk bg-sheet py-2 pl-4" role="status">
            <div className="min-w-0">
                <div className="font-semibold">Inverse</div>
                {!from && <p>Touch the first place: a point, control, the pole, the instrument, an end, a centre, a crossing.</p>}
                {from && !to && <p>From {from.words}. Touch the second place.</p>}
                {inverse.data && !turn && (
                    <>
                        <Between of={inverse.data.between} from={from?.words} to={to?.words} />
                        {written.length > 0 && <div className="mt-1">The drawing says: {written.map((w) => `“${w}”`).join(', ')}</div>}
                        <div className="text-quiet text-sm">A third place gives the angle at {to?.words}.</div>
                    </>
                )}
                {turn && (
                    <>
                        <div className="text-lg">
                            <AngleFigure of={turn.clockwise} /> clockwise
                        </div>
                        <div className="text-lg">
                            <AngleFigure of={turn.counterclockwise} /> counterclockwise
                        </div>
                        <div className="text-quiet text-sm">
                            at {to?.words}, from {from?.words} to {next?.words}
                        </div>
                        <Between of={turn.to} from={from?.words} to={to?.words} />
                        <Between of={turn.next} from={to?.words} to={next?.words} />
                    </>
                )}
                <Failure of={inverse.error} />
            </div>
            <Button kind="bare" aria-label="Close the inverse" onClick={onClose} icon={<X />} />
        </div>
    );
}

const Between = ({ of, from, to }: { of: Schemas['Inverse']; from: string | undefined; to: string | undefined }) => (
    <div className="mt-1">
        <div className="text-lg">
            <Length of={of.distance} />
        </div>
        <div className="text-sm">
            direction <Direction of={of.direction} />
            {of.rise !== null && (
                <>
                    , {of.rise < 0 ? 'down' : 'up'} <Length of={Math.abs(of.rise)} />
                </>
            )}
        </div>
        <div className="text-quiet text-sm">
            {from} to {to}
        </div>
    </div>
);

/** Texts with a figure in them that stand along the line between two spots. */
function textsBeside(layers: DrawnLayer[], from: PlanPlace, to: PlanPlace): string[] {
    const [dx, dy] = [to.easting - from.easting, to.northing - from.northing];
    const length = Math.hypot(dx, dy);
    const found: { text: string; off: number }[] = [];
    for (const layer of layers) {
        for (let i = 0; i < layer.shapes.count; i++) {
            if (layer.shapes.kind(i) !== Kind.text) {
                continue;
            }
            const text = layer.strings[layer.shapes.v(i, 5)] ?? '';
            const [x, y] = [layer.shapes.v(i, 0) - from.easting, layer.shapes.v(i, 1) - from.northing];
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
