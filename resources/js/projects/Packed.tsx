import { useQueryClient } from '@tanstack/react-query';
import { PackageOpen, Package as PackIcon } from 'lucide-react';
import { useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { api, ask, uploadPacked } from '../api/client';
import { untilFinished } from '../api/hooks';
import { useWork } from '../api/work';
import { Button } from '../parts/Button';
import { Failure, Notice } from '../parts/Notice';
import { WorkBar } from '../parts/WorkBar';

/** Packs a whole project into one file: for a backup, or for another machine. */
export function PackButton({ project, name }: { project: number; name: string }) {
    const work = useWork(project);
    const pack = async () => {
        const task = await work.run(ask(api.POST('/api/v1/projects/{project}/packing', { params: { path: { project } } })));
        if (task) {
            window.location.assign((task.result as unknown as { file: string }).file);
        }
    };
    return (
        <span className="shrink-0">
            <Button aria-label={`Pack ${name} into a file`} busy={work.busy} onClick={() => void pack()} icon={<PackIcon />}>
                Pack
            </Button>
            <WorkBar work={work} />
            <Failure of={work.error} />
        </span>
    );
}

/** A packed project from another machine comes in beside those that are here. */
export function PackedIn() {
    const client = useQueryClient();
    const navigate = useNavigate();
    const input = useRef<HTMLInputElement>(null);
    const [state, setState] = useState<{ busy: boolean; error: Error | null }>({ busy: false, error: null });
    const take = async (file: File) => {
        setState({ busy: true, error: null });
        try {
            const { upload } = await uploadPacked(file);
            const { projectId, task } = await ask(api.POST('/api/v1/projects-unpacking', { body: { upload } }));
            await untilFinished(projectId, Promise.resolve(task));
            await client.invalidateQueries({ queryKey: ['get', '/api/v1/projects'] });
            await navigate(`/p/${projectId}/prepare`);
        } catch (error) {
            setState({ busy: false, error: error as Error });
        }
    };
    return (
        <div className="grid justify-items-start gap-2">
            <Button busy={state.busy} onClick={() => input.current?.click()} icon={<PackageOpen />}>
                {state.busy ? 'Checking and unpacking…' : 'Bring in a packed project'}
            </Button>
            <p className="text-sm text-quiet">At most 200 MB packed and 4 GB unpacked.</p>
            <input
                ref={input}
                type="file"
                accept=".zip"
                aria-label="Choose a packed project"
                className="hidden"
                onChange={(e) => {
                    const file = e.target.files?.[0];
                    e.target.value = '';
                    if (file) {
                        void take(file);
                    }
                }}
            />
            {state.error && <Notice kind="error">{state.error.message}</Notice>}
        </div>
    );
}
