/**
 * Whoever works by the keyboard is never thrown back to the top of the page: where what had the focus goes away, it goes to what stands in
 * its place. A button of the bar gives way to the next step; anything else to the sheet, where Enter presses nothing by mistake.
 */
export function keepFocus(): void {
    let last: Element | null = null;
    let inBar = false;
    document.addEventListener('focusin', (e) => {
        last = e.target as Element;
        inBar = last.closest('[aria-label="Next step"]') !== null;
    });
    new MutationObserver(() => {
        if (document.activeElement !== document.body || last === null || last.isConnected) {
            return;
        }
        const dialog = [...document.querySelectorAll<HTMLElement>('[role=dialog]')].at(-1);
        const bar = (dialog ?? document).querySelector('[aria-label="Next step"]');
        const next = inBar ? (bar?.querySelector<HTMLElement>('[data-next]') ?? bar?.querySelector<HTMLElement>('button, a')) : null;
        (next ?? dialog ?? document.getElementById('sheet'))?.focus({ preventScroll: true });
    }).observe(document.body, { childList: true, subtree: true });
}
