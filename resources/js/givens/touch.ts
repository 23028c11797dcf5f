import { createContext, useContext } from 'react';
import type { Want } from '../plan/contract';

/** Who takes the next touch on the plan. */
export const TouchContext = createContext<{ want: Want | null; setWant: (want: Want | null) => void }>({
    want: null,
    setWant: () => undefined,
});

export const useTouch = () => useContext(TouchContext);

/** Makes the next field of the form that has no place yet ready for a touch; where all have one, no touch is waited for. */
export function nextEmpty(after: HTMLInputElement | null): void {
    const form = after?.closest('form');
    requestAnimationFrame(() => {
        const empty = form?.querySelector<HTMLInputElement>('input[data-place="empty"]');
        (empty ?? after)?.focus({ preventScroll: false });
        if (!empty) {
            after?.blur();
        }
    });
}
