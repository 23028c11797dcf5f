import { X } from 'lucide-react';
import { Dialog as Radix } from 'radix-ui';
import { type ReactNode, useState } from 'react';
import { Button } from './Button';
import { BarContext, StepBar } from './NextStep';

interface Props {
    open: boolean;
    onClose: () => void;
    title: string;
    children: ReactNode;
    wide?: boolean | 'full';
}

/** A question or a form before everything else. A touch beside it closes nothing, so that nothing typed is lost by it; Escape and the cross do. */
export function Dialog({ open, onClose, title, children, wide }: Props) {
    const [bar, setBar] = useState<HTMLElement | null>(null);
    return (
        <Radix.Root open={open} onOpenChange={(now) => !now && onClose()}>
            <Radix.Portal>
                <Radix.Overlay className="fixed inset-0 z-40 bg-ink/40" />
                <Radix.Content
                    aria-describedby={undefined}
                    onInteractOutside={(e) => e.preventDefault()}
                    className={`fixed top-1/2 left-1/2 z-50 flex -translate-x-1/2 -translate-y-1/2 flex-col border-2 border-ink bg-sheet ${wide === 'full' ? 'h-[96vh] max-h-[96vh] max-w-[96vw] w-[96vw]' : `max-h-[92vh] w-[94vw] ${wide ? 'max-w-5xl' : 'max-w-lg'}`}`}
                >
                    <div className="flex items-center gap-2 border-b border-rule pr-1 pl-5">
                        <Radix.Title className="min-w-0 flex-1 py-3 text-xl font-semibold [overflow-wrap:anywhere]">{title}</Radix.Title>
                        <Radix.Close asChild>
                            <Button kind="bare" aria-label="Close" icon={<X />} />
                        </Radix.Close>
                    </div>
                    <div className={`min-h-0 overflow-auto px-5 py-4 ${wide === 'full' ? 'flex-1' : ''}`}>
                        <BarContext value={bar}>{children}</BarContext>
                    </div>
                    <StepBar ref={setBar} />
                </Radix.Content>
            </Radix.Portal>
        </Radix.Root>
    );
}
