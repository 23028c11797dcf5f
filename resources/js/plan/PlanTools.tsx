import {
    Compass,
    Crosshair,
    Expand,
    ListChecks,
    Minus,
    Plus,
    Redo2,
    Ruler,
    SquareDashed,
    SquareMousePointer,
    Tag,
    Undo2,
} from 'lucide-react';
import type { RefObject } from 'react';
import { Button } from '../parts/Button';
import type { LabelChoice, PlanPlace } from './contract';
import { LabelMenu } from './LabelMenu';
import type { PlanMap } from './PlanMap';

interface Props {
    plan: RefObject<PlanMap | null>;
    points: PlanPlace[];
    following: boolean;
    onFollow: (on: boolean) => void;
    rotation: number;
    /** azimuth from the pole to the instrument, which turning the instrument up needs */
    facing: number;
    measuring: boolean;
    onMeasure: (on: boolean) => void;
    labels: LabelChoice;
    onLabels: (labels: LabelChoice) => void;
    /** points are being chosen */
    choosing: boolean;
}

/** What is done with the plan itself: views, following, turning, the inverse, labels. */
export function PlanTools({
    plan,
    points,
    following,
    onFollow,
    rotation,
    facing,
    measuring,
    onMeasure,
    labels,
    onLabels,
    choosing,
}: Props) {
    const instrumentUp = Math.abs(rotation) > 1e-6;
    return (
        <div
            className="pointer-events-none absolute top-2 bottom-2 left-2 flex flex-col flex-wrap content-start gap-1 *:pointer-events-auto *:bg-paper/80"
            role="toolbar"
            aria-label="View"
        >
            <Button
                kind="bare"
                aria-label="Show everything"
                title="Show everything"
                onClick={() => plan.current?.zoomToContent()}
                icon={<Expand />}
            />
            <Button
                kind="bare"
                aria-label="Show the worklist"
                title="Show the worklist"
                onClick={() => plan.current?.zoomTo(points)}
                icon={<ListChecks />}
            />
            <Button
                kind="bare"
                aria-label="Zoom to a box"
                title="Zoom to a box: drag it"
                onClick={() => plan.current?.startBox()}
                icon={<SquareDashed />}
            />
            {choosing && (
                <Button
                    kind="bare"
                    aria-label="Choose points in a box"
                    title="Choose points in a box: drag it"
                    className="text-chalk"
                    onClick={() => plan.current?.startBox(true)}
                    icon={<SquareMousePointer />}
                />
            )}
            <Button
                kind="bare"
                aria-label="Previous view"
                title="Previous view"
                onClick={() => plan.current?.views.previous()}
                icon={<Undo2 />}
            />
            <Button kind="bare" aria-label="Next view" title="Next view" onClick={() => plan.current?.views.next()} icon={<Redo2 />} />
            <Button kind="bare" aria-label="Nearer" title="Nearer" onClick={() => plan.current?.zoomBy(1)} icon={<Plus />} />
            <Button kind="bare" aria-label="Farther" title="Farther" onClick={() => plan.current?.zoomBy(-1)} icon={<Minus />} />
            <Button
                kind="bare"
                aria-label="Follow the pole"
                title="Follow the pole"
                pressed={following}
                onClick={() => onFollow(!following)}
                icon={<Crosshair />}
            />
            <Button
                kind="bare"
                aria-label={instrumentUp ? 'Turn north up' : 'Turn the instrument up'}
                title={instrumentUp ? 'Turn north up' : 'Turn the instrument up'}
                pressed={instrumentUp}
                onClick={() => plan.current?.turnUp(instrumentUp ? 0 : facing)}
                icon={<Compass style={{ transform: `rotate(${rotation}rad)` }} />}
            />
            <Button
                kind="bare"
                aria-label="Inverse between two spots"
                title="Inverse: distance and direction between two spots"
                pressed={measuring}
                onClick={() => onMeasure(!measuring)}
                icon={<Ruler />}
            />
            <LabelMenu labels={labels} onLabels={onLabels} icon={<Tag />} />
        </div>
    );
}
