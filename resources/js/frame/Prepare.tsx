import { Tabs } from 'radix-ui';
import { useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import { api, ask, type Schemas } from '../api/client';
import { useDeed } from '../api/hooks';
import { Designs } from '../designs/Designs';
import { Button } from '../parts/Button';
import { Dialog } from '../parts/Dialog';
import { LOADING, later } from '../parts/later';
import { Points } from '../points/Points';
import { ProjectForm } from '../projects/ProjectForm';
import { settingsOf } from '../projects/settings';
import { UndoBar } from '../projects/UndoBar';
import { useStageHelp } from '../stage/StageHelp';
import type { StageProps } from '../stage/stages';
import { FirstSteps } from './FirstSteps';

const Compute = later(() => import('../cogo/Compute').then((m) => m.Compute), LOADING);
const Sketch = later(() => import('../cogo/Sketch').then((m) => m.Sketch), LOADING);
const PointsImport = later(() => import('../points/PointsImport').then((m) => m.PointsImport));
const Worklists = later(() => import('../worklists/Worklists').then((m) => m.Worklists), LOADING);
const GridLines = later(() => import('../control/GridLines').then((m) => m.GridLines));

const TABS = [
    ['designs', 'Designs'],
    ['points', 'Points'],
    ['compute', 'Compute'],
    ['sketch', 'Sketch'],
    ['worklists', 'Worklists'],
] as const;

/** Drawings come in, stakeout points are made of them. */
export function Prepare(props: StageProps) {
    const { project } = props;
    const [search, setSearch] = useSearchParams();
    const [settings, setSettings] = useState(false);
    const seenProject = useRef<Schemas['ProjectSettings'] | undefined>(undefined);
    const help = useStageHelp();
    // As the tab was called before: bookmarks stay true.
    const asked = search.get('do') === 'drawings' ? 'designs' : search.get('do');
    const tab = asked ?? (project.progress.designs === 0 ? 'designs' : 'points');
    const save = useDeed(project.id, (body: Parameters<Parameters<typeof ProjectForm>[0]['onSubmit']>[0]) =>
        ask(
            api.PUT('/api/v1/projects/{project}', {
                params: { path: { project: project.id } },
                body: { ...body, seen: seenProject.current },
            }),
        ),
    );
    const choose = (to: string) => {
        props.setWant(null);
        setSearch((s) => {
            s.set('do', to);
            return s;
        });
    };
    return (
        <Tabs.Root value={tab} onValueChange={choose} className="flex min-h-full flex-col">
            <div className="flex items-center gap-1 p-4 pt-2 pr-14 pb-2">
                <h1 className="sr-only">Prepare</h1>
                <Button
                    className="mr-auto"
                    onClick={() => {
                        seenProject.current = settingsOf(project);
                        setSettings(true);
                    }}
                >
                    Units and tolerances
                </Button>
                <UndoBar project={project} />
                {help.button}
            </div>
            {help.paragraph && <div className="px-4 pb-2">{help.paragraph}</div>}
            {project.progress.points === 0 && !props.want && (
                <FirstSteps
                    {...props}
                    tab={tab}
                    onTouch={() => {
                        choose('points');
                        props.setWant({ id: 'new-point', picking: 'spot', onTake: () => undefined });
                    }}
                />
            )}
            <Tabs.List className="sticky top-0 z-[9] flex border-b-2 border-ink bg-sheet pr-14 pl-2" aria-label="What to prepare">
                {TABS.map(([value, word]) => (
                    <Tabs.Trigger
                        key={value}
                        value={value}
                        className="min-h-12 flex-1 cursor-pointer text-[0.92rem] font-semibold data-[state=active]:bg-ink data-[state=active]:text-sheet"
                    >
                        {word}
                    </Tabs.Trigger>
                ))}
            </Tabs.List>
            <Tabs.Content value="designs" className="flex flex-1 flex-col">
                <Designs
                    {...props}
                    listImport={(file, target, onDone) => <PointsImport project={project} file={file} target={target} onDone={onDone} />}
                />
            </Tabs.Content>
            <Tabs.Content value="points" className="flex flex-1 flex-col">
                <Points {...props} />
            </Tabs.Content>
            <Tabs.Content value="compute" className="flex flex-1 flex-col">
                <Compute {...props} grid={(close) => <GridLines {...props} onClose={close} />} />
            </Tabs.Content>
            <Tabs.Content value="sketch" className="flex flex-1 flex-col">
                <Sketch {...props} />
            </Tabs.Content>
            <Tabs.Content value="worklists" className="flex flex-1 flex-col">
                <Worklists {...props} />
            </Tabs.Content>
            <Dialog open={settings} onClose={() => setSettings(false)} title="Units and tolerances">
                <p className="text-quiet">Units change only what is shown. What is stored stays as it is.</p>
                <ProjectForm
                    project={project}
                    submit="Keep"
                    onCancel={() => setSettings(false)}
                    onSubmit={async (values) => {
                        await save.mutateAsync(values);
                        setSettings(false);
                    }}
                />
            </Dialog>
        </Tabs.Root>
    );
}
