import { useState } from 'react';
import { Problem } from '../api/client';
import { useDeed } from '../api/hooks';
import { Button } from './Button';
import { Dialog } from './Dialog';

/** A deed that may take away what the field stands on: the server says what hangs there, the person decides, and it is sent again. */
export function useAskedDeed<I, O>(project: number, deed: (input: I, evenHeld: boolean) => Promise<O>) {
    const [asked, setAsked] = useState<{ problem: Problem; input: I; onDone?: () => void } | null>(null);
    const send = useDeed(project, async ({ input, evenHeld, onDone }: { input: I; evenHeld: boolean; onDone?: () => void }) => {
        try {
            await deed(input, evenHeld);
            setAsked(null);
            onDone?.();
        } catch (e) {
            if (e instanceof Problem && e.reason === 'hangs_on_it') {
                setAsked({ problem: e, input, onDone });
                return;
            }
            throw e;
        }
    });
    const question = (
        <Dialog open={asked !== null} onClose={() => setAsked(null)} title="The field stands on this">
            <p className="mb-3">This would take away what was measured against:</p>
            <ul className="mb-3 list-disc pl-6">
                {((asked?.problem.evidence.hangs as string[] | undefined) ?? []).map((h) => (
                    <li key={h} className="[overflow-wrap:anywhere]">
                        {h}
                    </li>
                ))}
            </ul>
            <p className="mb-3 text-quiet">
                The field book keeps name, design and source of each as they were. Undo or redo brings the same rows back.
            </p>
            <div className="flex flex-wrap justify-end gap-3">
                <Button
                    className="min-h-16"
                    busy={send.isPending}
                    onClick={() => asked && send.mutate({ input: asked.input, evenHeld: true, onDone: asked.onDone })}
                >
                    Do it all the same
                </Button>
                <Button kind="primary" onClick={() => setAsked(null)}>
                    Cancel
                </Button>
            </div>
        </Dialog>
    );
    return {
        busy: send.isPending,
        error: send.error,
        mutate: (input: I, onDone?: () => void) => send.mutate({ input, evenHeld: false, onDone }),
        question,
    };
}
