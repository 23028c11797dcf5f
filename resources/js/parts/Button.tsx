import type { ComponentProps, ReactNode } from 'react';

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

/** For links that are pressed as buttons are. */
export const buttonLook = (kind: keyof typeof KINDS) =>
    `inline-flex cursor-pointer items-center justify-center gap-2 rounded-sm border-[length:var(--stroke)] ${KINDS[kind]}`;

export function Button({ kind = 'plain', icon, busy, pressed, className = '', children, disabled, ...rest }: Props) {
    return (
        <button
            type="button"
            data-next={kind === 'primary' || undefined}
            className={`${buttonLook(kind)} disabled:cursor-not-allowed disabled:opacity-45 ${className}`}
            disabled={disabled || busy}
            aria-pressed={pressed}
            aria-busy={busy}
            {...rest}
        >
            {icon}
            {children}
        </button>
    );
}
