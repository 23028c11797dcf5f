import { Dialog as Radix } from 'radix-ui';
import type { ReactNode } from 'react';

interface Props {
    open: boolean;
    onClose: () => void;
    title: string;
    children: ReactNode;
    wide?: boolean;
}

export function Dialog({ open, onClose, title, children, wide }: Props) {
    return (
        <Radix.Root open={open} onOpenChange={(now) => !now && onClose()}>
            <Radix.Portal>
                <Radix.Overlay className="fixed inset-0 z-40 bg-ink/40" />
                <Radix.Content
                    aria-describedby={undefined}
                    className={`fixed top-1/2 left-1/2 z-50 flex max-h-[92vh] w-[94vw] -translate-x-1/2 -translate-y-1/2 flex-col border-2 border-ink bg-sheet ${wide ? 'max-w-5xl' : 'max-w-lg'}`}
                >
                    <Radix.Title className="border-b border-rule px-5 py-3 text-xl font-semibold">{title}</Radix.Title>
                    <div className="min-h-0 overflow-auto px-5 py-4">{children}</div>
                </Radix.Content>
            </Radix.Portal>
        </Radix.Root>
    );
}
