import type { ReactNode } from 'react';

interface Props {
    /** what is in it */
    label: string;
    className?: string;
    children: ReactNode;
}

/** What is longer or wider than its place: scrolled by touch, by wheel, and with the arrow keys once it has the focus. */
export const Scroll = ({ label, className = '', children }: Props) => (
    <section
        // biome-ignore lint/a11y/noNoninteractiveTabindex: only what has the focus scrolls with the arrow keys
        tabIndex={0}
        aria-label={label}
        className={`relative overflow-auto ${className}`}
    >
        {children}
    </section>
);
