import { useLayoutEffect, useRef, useState } from 'react';

/** How wide an element is on the screen, in pixels, so that what is drawn in it keeps its size of text. */
export function useWidth(): [(element: HTMLElement | null) => void, number] {
    const [width, setWidth] = useState(800);
    const [element, setElement] = useState<HTMLElement | null>(null);
    const observer = useRef<ResizeObserver | null>(null);
    useLayoutEffect(() => {
        if (!element) {
            return;
        }
        const measure = () => setWidth(Math.max(240, element.clientWidth));
        measure();
        observer.current = new ResizeObserver(measure);
        observer.current.observe(element);
        return () => observer.current?.disconnect();
    }, [element]);
    return [setElement, width];
}
