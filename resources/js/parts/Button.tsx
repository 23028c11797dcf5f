import type { ComponentProps, ReactNode } from 'react';
import { held } from './reading';

interface Props extends ComponentProps<'button'> {
    /** primary: the one next step of a screen; plain: everything else; bare: inside lists */
    kind?: 'primary' | 'plain' | 'bare';
    icon?: ReactNode;
    busy?: boolean;
    pressed?: boolean;
}

const KINDS = {
    primary: 'min-h-16 px-6 text-lg font-semibold bg-chalk text-white border-chalk hover:brightness-110',
    plain: 'min-h-12 px-4 bg-sheet border-ink/50 hover:bg-wash aria-pressed:bg-chalk aria-pressed:text-white',
    bare: 'min-h-12 min-w-12 px-2 border-transparent hover:bg-wash aria-pressed:text-chalk aria-pressed:bg-wash',
};

const GREY = 'aria-disabled:cursor-not-allowed aria-disabled:border-dashed aria-disabled:bg-sheet aria-disabled:text-quiet';

const OFF = {
    primary: `${GREY} aria-disabled:border-ink/50 aria-disabled:hover:brightness-100`,
    plain: GREY,
    bare: 'aria-disabled:cursor-not-allowed aria-disabled:opacity-60',
};

/** For links that are pressed as buttons are. */
export const buttonLook = (kind: keyof typeof KINDS) =>
    `inline-flex cursor-pointer items-center justify-center gap-2 rounded-sm border-[length:var(--stroke)] ${KINDS[kind]}`;

/** Grey, it keeps its place among the things that take the focus, so that whoever has just pressed it is not thrown off it. */
export function Button({ kind = 'plain', icon, busy, pressed, className = '', children, disabled, onClick, ...rest }: Props) {
    const off = disabled || busy || undefined;
    return (
        <button
            type="button"
            data-next={kind === 'primary' || undefined}
            className={`${buttonLook(kind)} ${OFF[kind]} ${className}`}
            aria-disabled={off}
            aria-pressed={pressed}
            aria-busy={busy}
            onClick={(e) => {
                if (off) {
                    // A form that is sent by Enter presses this one, too.
                    e.preventDefault();
                    e.stopPropagation();
                    return;
                }
                const pressed = e.currentTarget;
                if (held(() => pressed.isConnected && pressed.click())) {
                    e.preventDefault();
                    e.stopPropagation();
                    return;
                }
                onClick?.(e);
            }}
            {...rest}
        >
            {icon}
            {children}
        </button>
    );
}
