import { createContext, type ReactNode, type Ref, useContext } from 'react';
import { createPortal } from 'react-dom';

/** The bar at the foot of the sheet or of the dialog that is open. */
export const BarContext = createContext<HTMLElement | null>(null);

/** Stands under what scrolls, and not over it: what has the focus is never hidden by it. */
export const StepBar = ({ ref }: { ref: Ref<HTMLElement> }) => (
    <section
        ref={ref}
        aria-label="Next step"
        className="flex flex-wrap items-center justify-end gap-2 border-t border-rule bg-sheet p-3 empty:hidden"
    />
);

interface Props {
    /** says: one sentence above the buttons; aside: a word beside them; second: what may be done instead; first: the one next step */
    as?: 'says' | 'aside' | 'second' | 'first';
    children: ReactNode;
}

const PLACES = {
    says: 'order-0 basis-full',
    aside: 'order-1 mr-auto',
    second: 'order-1 flex flex-wrap gap-2',
    first: 'order-2 flex flex-wrap gap-2',
};

/** Puts the next step of a part of the sheet, or of a dialog, into the bar at its foot: always in view, wherever the sheet is scrolled to. */
export function NextStep({ as = 'first', children }: Props) {
    const bar = useContext(BarContext);
    return bar && createPortal(<div className={PLACES[as]}>{children}</div>, bar);
}
