import { Redo2, Undo2 } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { api, ask, type Project } from '../api/client';
import { Button } from '../parts/Button';
import { Failure } from '../parts/Notice';
import { useAskedDeed } from '../parts/useAskedDeed';

/** Undo and redo of preparation, also by Ctrl-Z and Ctrl-Y. */
export function UndoBar({ project }: { project: Project }) {
    const params = { params: { path: { project: project.id } } };
    const undo = useAskedDeed(project.id, (_: undefined, evenHeld) =>
        ask(api.POST('/api/v1/projects/{project}/undo', { ...params, body: { evenHeld } })),
    );
    const redo = useAskedDeed(project.id, (_: undefined, evenHeld) =>
        ask(api.POST('/api/v1/projects/{project}/redo', { ...params, body: { evenHeld } })),
    );
    const deeds = useRef({ undo, redo });
    deeds.current = { undo, redo };
    useEffect(() => {
        const key = (e: KeyboardEvent) => {
            if (!(e.ctrlKey || e.metaKey) || (e.target as HTMLElement).closest('input, textarea, select')) {
                return;
            }
            if (e.key === 'z' && !e.shiftKey) {
                e.preventDefault();
                deeds.current.undo.mutate(undefined);
            } else if (e.key === 'y' || (e.key === 'Z' && e.shiftKey)) {
                e.preventDefault();
                deeds.current.redo.mutate(undefined);
            }
        };
        window.addEventListener('keydown', key);
        return () => window.removeEventListener('keydown', key);
    }, []);
    return (
        <>
            <Button
                kind="bare"
                aria-label="Undo"
                title={project.undo ? `Undo: ${project.undo}` : 'Nothing to undo'}
                disabled={project.undo === null}
                busy={undo.busy}
                onClick={() => undo.mutate(undefined)}
                icon={<Undo2 />}
            />
            <Button
                kind="bare"
                aria-label="Redo"
                title={project.redo ? `Redo: ${project.redo}` : 'Nothing to redo'}
                disabled={project.redo === null}
                busy={redo.busy}
                onClick={() => redo.mutate(undefined)}
                icon={<Redo2 />}
            />
            <Failure of={undo.error ?? redo.error} />
            {undo.question}
            {redo.question}
        </>
    );
}
