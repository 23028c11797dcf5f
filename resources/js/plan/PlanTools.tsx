import {
    ArrowBigLeft,
    ArrowBigRight,
    Compass,
    Crosshair,
    Expand,
    Hand,
    ListChecks,
    Minus,
    Plus,
    Ruler,
    Search,
    SquareDashed,
    SquareMousePointer,
    Tag,
} from 'lucide-react';
import { type MouseEvent, type PointerEvent, type ReactNode, type RefObject, useEffect, useRef, useState } from 'react';
import { Button } from '../parts/Button';
import type { LabelChoice, PlanPlace } from './contract';
import { LabelMenu } from './LabelMenu';
import type { PlanMap } from './PlanMap';

interface Props {
    plan: RefObject<PlanMap | null>;
    points: PlanPlace[];
    following: boolean;
    onFollow: (on: boolean) => void;
    /** the plan stays where it is, whatever is chosen */
    still: boolean;
    onStill: (on: boolean) => void;
    rotation: number;
    /** azimuth from the pole to the instrument, which turning the instrument up needs */
    facing: number;
    measuring: boolean;
    onMeasure: (on: boolean) => void;
    labels: LabelChoice;
    onLabels: (labels: LabelChoice) => void;
    /** points are being chosen */
    choosing: boolean;
    onFind: () => void;
    /** tools of the stage */
    more?: ReactNode;
}

/** What is done with the plan itself: views, following, turning, the inverse, labels. */
export function PlanTools({
    plan,
    points,
    following,
    onFollow,
    still,
    onStill,
    rotation,
    facing,
    measuring,
    onMeasure,
    labels,
    onLabels,
    choosing,
    onFind,
    more,
}: Props) {
    const instrumentUp = Math.abs(rotation) > 1e-6;
    const { named, pressing } = useWordsOnLongTouch();
    const tools: (Tool | false)[] = [
        { says: 'Show everything', word: 'All', icon: <Expand />, act: () => plan.current?.zoomToContent() },
        { says: 'Find a point', word: 'Find', icon: <Search />, act: onFind },
        { says: 'Show the worklist', word: 'Worklist', icon: <ListChecks />, act: () => plan.current?.zoomTo(points) },
        { says: 'Zoom to a box', word: 'Box', icon: <SquareDashed />, act: () => plan.current?.startBox() },
        choosing && {
            says: 'Choose points in a box',
            word: 'Choose in a box',
            icon: <SquareMousePointer />,
            act: () => plan.current?.startBox(true),
        },
        { says: 'View before', word: 'View before', icon: <ArrowBigLeft />, act: () => plan.current?.views.previous() },
        { says: 'View after', word: 'View after', icon: <ArrowBigRight />, act: () => plan.current?.views.next() },
        { says: 'Nearer', word: 'Nearer', icon: <Plus />, act: () => plan.current?.zoomBy(1) },
        { says: 'Farther', word: 'Farther', icon: <Minus />, act: () => plan.current?.zoomBy(-1) },
        { says: 'Follow the pole', word: 'Follow', icon: <Crosshair />, pressed: following, act: () => onFollow(!following) },
        { says: 'Hold the plan still', word: 'Hold still', icon: <Hand />, pressed: still, act: () => onStill(!still) },
        {
            says: instrumentUp ? 'Turn north up' : 'Turn the instrument up',
            word: instrumentUp ? 'North up' : 'Instrument up',
            icon: <Compass style={{ transform: `rotate(${rotation}rad)` }} />,
            pressed: instrumentUp,
            act: () => plan.current?.turnUp(instrumentUp ? 0 : facing),
        },
        {
            says: 'Inverse between two spots',
            word: 'Inverse',
            icon: <Ruler />,
            pressed: measuring,
            act: () => onMeasure(!measuring),
        },
    ];
    return (
        <div
            className="pointer-events-none absolute top-2 bottom-2 left-2 flex flex-col flex-wrap content-start gap-1 *:pointer-events-auto *:bg-paper/80"
            role="toolbar"
            aria-label="View"
            data-words={named || undefined}
            {...pressing}
        >
            {tools.map(
                (t) =>
                    t && (
                        <Button
                            key={t.says}
                            kind="bare"
                            className="justify-start!"
                            aria-label={t.says}
                            title={t.says}
                            pressed={t.pressed}
                            onClick={t.act}
                            icon={t.icon}
                        >
                            <span className="tool-word" data-word={t.word} aria-hidden="true" />
                        </Button>
                    ),
            )}
            <LabelMenu labels={labels} onLabels={onLabels} icon={<Tag />} />
            {more}
        </div>
    );
}

interface Tool {
    says: string;
    /** beside the icon, where there is room or a finger rests on it */
    word: string;
    icon: ReactNode;
    pressed?: boolean;
    act: () => void;
}

const LONG_TOUCH_MS = 450;
const WORDS_STAY_MS = 4000;

/** A finger that rests on an icon is shown the words of all, and presses nothing. */
function useWordsOnLongTouch() {
    const [named, setNamed] = useState(false);
    const timer = useRef(0);
    const rested = useRef(false);
    const later = (act: () => void, ms: number) => {
        window.clearTimeout(timer.current);
        timer.current = window.setTimeout(act, ms);
    };
    useEffect(() => () => window.clearTimeout(timer.current), []);
    return {
        named,
        pressing: {
            onPointerDown: (e: PointerEvent) => {
                rested.current = false;
                if (e.pointerType !== 'mouse') {
                    later(() => {
                        rested.current = true;
                        setNamed(true);
                    }, LONG_TOUCH_MS);
                }
            },
            onPointerUp: () => later(() => setNamed(false), rested.current ? WORDS_STAY_MS : 0),
            onPointerCancel: () => later(() => setNamed(false), 0),
            onContextMenu: (e: MouseEvent) => e.preventDefault(),
            onClickCapture: (e: MouseEvent) => {
                if (rested.current) {
                    rested.current = false;
                    e.preventDefault();
                    e.stopPropagation();
                }
            },
        },
    };
}
