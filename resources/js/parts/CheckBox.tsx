import type { ReactNode } from 'react';

interface Props {
    label: ReactNode;
    checked: boolean;
    onChecked: (on: boolean) => void;
    disabled?: boolean;
}

/** On or off, the whole row to be touched. */
export function CheckBox({ label, checked, onChecked, disabled }: Props) {
    return (
        <label className={`flex min-h-12 items-center gap-3 px-2 ${disabled ? 'opacity-45' : 'cursor-pointer hover:bg-wash'}`}>
            <input
                type="checkbox"
                className="size-6 shrink-0"
                checked={checked}
                disabled={disabled}
                onChange={(e) => onChecked(e.target.checked)}
            />
            <span className="min-w-0">{label}</span>
        </label>
    );
}
