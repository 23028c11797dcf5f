import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { Link, Navigate, useNavigate } from 'react-router';
import { api, ask } from '../api/client';
import { useProjects } from '../api/hooks';
import { Button } from '../parts/Button';
import { Dialog } from '../parts/Dialog';
import { Failure, Notice } from '../parts/Notice';
import { dateTime } from '../units/times';
import { PackButton, PackedIn } from './Packed';
import { ProjectForm } from './ProjectForm';
import type { Settings } from './settings';

const LENGTHS: Record<string, string> = {
    m: 'metres',
    mm: 'millimetres',
    ft: 'international feet',
    usft: 'US survey feet',
    ftin8: 'feet and inches, 1/8"',
    ftin16: 'feet and inches, 1/16"',
    ftin32: 'feet and inches, 1/32"',
};

/** All projects; at the start the last one opens by itself. */
export function Projects({ openLast }: { openLast: boolean }) {
    const projects = useProjects();
    const client = useQueryClient();
    const navigate = useNavigate();
    const [starting, setStarting] = useState(false);
    const last = projects.data?.[0];
    if (openLast && last) {
        return <Navigate to={`/p/${last.id}/prepare`} replace />;
    }
    const create = async (body: Settings) => {
        const made = await ask(api.POST('/api/v1/projects', { body }));
        await client.invalidateQueries({ queryKey: ['get', '/api/v1/projects'] });
        await navigate(`/p/${made.id}/prepare`);
    };
    return (
        <main className="mx-auto grid max-w-3xl gap-6 p-6">
            <header>
                <h1 className="text-3xl font-bold">Parlay</h1>
                <p className="text-quiet">From the design to the stake, and back to the office with the proof.</p>
            </header>
            <Failure of={projects.failureReason} />
            {projects.data?.length === 0 && <Empty />}
            {projects.data && projects.data.length > 0 && (
                <ul className="border-t-2 border-ink">
                    {projects.data.map((p) => (
                        <li key={p.id} className="flex items-center border-b border-rule">
                            <Link
                                to={`/p/${p.id}/prepare`}
                                className="flex min-h-16 min-w-0 flex-1 items-center justify-between gap-4 px-3 hover:bg-wash"
                            >
                                <span className="min-w-0 truncate text-xl font-semibold">{p.name}</span>
                                <span className="shrink-0 text-right text-sm text-quiet">
                                    {LENGTHS[p.units.length]}
                                    <br />
                                    last opened {dateTime(p.openedAt)}
                                </span>
                            </Link>
                            <PackButton project={p.id} name={p.name} />
                        </li>
                    ))}
                </ul>
            )}
            {projects.isPending && <p className="text-quiet">Looking for projects…</p>}
            {/* Nothing to press before the list stands: it would move away under the finger. */}
            {!projects.isPending && (
                <>
                    <PackedIn />
                    <Button kind="primary" className="justify-self-end" icon={<Plus />} onClick={() => setStarting(true)}>
                        New project
                    </Button>
                </>
            )}
            <Dialog open={starting} onClose={() => setStarting(false)} title="New project">
                <ProjectForm onSubmit={create} onCancel={() => setStarting(false)} submit="Start the project" />
            </Dialog>
        </main>
    );
}

/** The first minute: the demo to look around in, or a project of one's own in three steps. */
function Empty() {
    const client = useQueryClient();
    const load = useMutation({
        mutationFn: () => ask(api.POST('/api/v1/demo', {})),
        onSuccess: () => client.invalidateQueries({ queryKey: ['get', '/api/v1/projects'] }),
    });
    return (
        <div className="grid gap-3">
            <Notice>There is no project yet.</Notice>
            <p>
                Start one of your own: it opens with three steps, its <strong>control</strong> (a list of the known points on site), its{' '}
                <strong>drawing</strong> (DXF), and its <strong>points</strong> (touched on the drawing, or a list). Or look around first,
                in two made-up projects with half a day’s work in them and an instrument that is simulated.
            </p>
            <Button className="min-h-16 justify-self-start" busy={load.isPending} onClick={() => load.mutate()}>
                {load.isPending ? 'Loading the demo, some seconds…' : 'Load the demo projects'}
            </Button>
            <Failure of={load.error} />
        </div>
    );
}
