import { type PointerEvent, type RefObject, useRef, useState } from 'react';

interface Props {
    scroller: RefObject<HTMLElement | null>;
    /** rows of the list, all of one height */
    count: number;
    /** what the thumb reads of a row as it runs over it */
    nameOf: (row: number) => string;
}

/** Fewer are scrolled through as quickly by the list itself. */
const WORTH_IT = 40;

/** Beside a long list: a thumb anywhere along it goes there, and reads what is there. The keyboard searches instead. */
export function ThumbRail({ scroller, count, nameOf }: Props) {
    const rail = useRef<HTMLDivElement>(null);
    const [at, setAt] = useState<{ part: number; row: number } | null>(null);
    if (count < WORTH_IT) {
        return null;
    }
    const go = (e: PointerEvent) => {
        const box = rail.current?.getBoundingClientRect();
        const list = scroller.current;
        if (!box || !list) {
            return;
        }
        const part = Math.min(1, Math.max(0, (e.clientY - box.top) / box.height));
        list.scrollTop = part * (list.scrollHeight - list.clientHeight);
        setAt({ part, row: Math.min(count - 1, Math.round(part * (count - 1))) });
    };
    return (
        <div
            ref={rail}
            aria-hidden="true"
            data-rail
            className="relative hidden w-12 shrink-0 cursor-ns-resize touch-none border-rule border-l bg-paper max-[959px]:block pointer-coarse:block"
            onPointerDown={(e) => {
                e.currentTarget.setPointerCapture(e.pointerId);
                go(e);
            }}
            onPointerMove={(e) => at && go(e)}
            onPointerUp={() => setAt(null)}
            onPointerCancel={() => setAt(null)}
        >
            {[0, 0.25, 0.5, 0.75, 1].map((part) => (
                <span
                    key={part}
                    className="pointer-events-none absolute inset-x-0 truncate px-0.5 text-center text-xs"
                    style={{ top: `${part * 100}%`, transform: `translateY(-${part * 100}%)` }}
                >
                    {nameOf(Math.round(part * (count - 1)))}
                </span>
            ))}
            {at && (
                <span
                    className="pointer-events-none absolute right-full mr-2 whitespace-nowrap border-2 border-chalk bg-sheet px-4 py-2 font-bold text-2xl"
                    style={{ top: `${at.part * 100}%`, transform: `translateY(-${at.part * 100}%)` }}
                >
                    {nameOf(at.row)}
                </span>
            )}
        </div>
    );
}
