/** The sheet's edge: drag it to make the sheet wider or narrower. */
export function SheetEdge() {
    const drag = (e: React.PointerEvent) => {
        if (e.buttons === 1) {
            const width = Math.max(320, Math.min(window.innerWidth * 0.7, window.innerWidth - e.clientX));
            document.documentElement.style.setProperty('--sheet-width', `${width}px`);
        }
    };
    return (
        <div
            className="sheet-edge absolute top-0 -left-1.5 z-10 h-full w-3 cursor-col-resize touch-none"
            onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
            onPointerMove={drag}
            aria-hidden="true"
        />
    );
}
