import { Redo2, Undo2 } from 'lucide-react';
import { useEffect } from 'react';
import { api, ask, type Project } from '../../api/client';
import { useDeed } from '../../api/hooks';
import { Button } from '../../parts/Button';
import { Failure } from '../../parts/Notice';

/** Undo and redo of preparation, also by Ctrl-Z and Ctrl-Y. */
export function UndoBar({ project }: { project: Project }) {
    const params = { params: { path: { project: project.id } } };
    const undo = useDeed(project.id, () => ask(api.POST('/api/v1/projects/{project}/undo', params)));
    const redo = useDeed(project.id, () => ask(api.POST('/api/v1/projects/{project}/redo', params)));
    useEffect(() => {
        const key = (e: KeyboardEvent) => {
            if (!(e.ctrlKey || e.metaKey) || (e.target as HTMLElement).closest('input, textarea, select')) {
                return;
            }
            if (e.key === 'z' && !e.shiftKey) {
                e.preventDefault();
                undo.mutate(undefined);
            } else if (e.key === 'y' || (e.key === 'Z' && e.shiftKey)) {
                e.preventDefault();
                redo.mutate(undefined);
            }
        };
        window.addEventListener('keydown', key);
        return () => window.removeEventListener('keydown', key);
    }, [undo.mutate, redo.mutate]);
    return (
        <>
            <Button
                kind="bare"
                aria-label="Undo"
                title={project.undo ? `Undo: ${project.undo}` : 'Nothing to undo'}
                disabled={project.undo === null}
                busy={undo.isPending}
                onClick={() => undo.mutate(undefined)}
                icon={<Undo2 />}
            />
            <Button
                kind="bare"
                aria-label="Redo"
                title={project.redo ? `Redo: ${project.redo}` : 'Nothing to redo'}
                disabled={project.redo === null}
                busy={redo.isPending}
                onClick={() => redo.mutate(undefined)}
                icon={<Redo2 />}
            />
            <Failure of={undo.error ?? redo.error} />
        </>
    );
}
