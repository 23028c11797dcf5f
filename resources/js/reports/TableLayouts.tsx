import { ArrowUp, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { api, ask, type Schemas } from '../api/client';
import { useDayDeed, useTableLayouts } from '../api/hooks';
import { Button } from '../parts/Button';
import { CheckBox } from '../parts/CheckBox';
import { Choice, TextField } from '../parts/Field';
import { Failure } from '../parts/Notice';

const ALL = '';

interface Props {
    project: number;
    /** whose columns go out; null for all */
    layout: number | null;
    onLayout: (layout: number | null) => void;
}

/** Which columns of the table go out: all, or those kept under a name; and how such a layout is made. */
export function TableLayouts({ project, layout, onLayout }: Props) {
    const kept = useTableLayouts(project);
    const [making, setMaking] = useState(false);
    const layouts = kept.data?.layouts ?? [];
    const chosen = layouts.find((l) => l.id === layout);
    const forget = useDayDeed(project, (id: number) =>
        ask(api.DELETE('/api/v1/projects/{project}/table-layouts/{layout}', { params: { path: { project, layout: id } } })),
    );
    return (
        <section aria-label="Columns" className="grid gap-2">
            <Failure of={kept.error ?? forget.error} />
            <Choice
                label="Columns"
                value={layout === null ? ALL : String(layout)}
                onValue={(v) => onLayout(v === ALL ? null : Number(v))}
                options={[[ALL, 'all columns'], ...layouts.map((l): [string, string] => [String(l.id), l.name])]}
            />
            <div className="flex flex-wrap gap-2">
                <Button onClick={() => setMaking(!making)} aria-expanded={making}>
                    {chosen ? 'Change its columns' : 'Choose columns'}
                </Button>
                {chosen && (
                    <Button
                        icon={<Trash2 />}
                        busy={forget.isPending}
                        onClick={() => forget.mutate(chosen.id, { onSuccess: () => onLayout(null) })}
                    >
                        Forget {chosen.name}
                    </Button>
                )}
            </div>
            {making && kept.data && (
                <Making
                    key={layout ?? 0}
                    project={project}
                    all={kept.data.columns}
                    begun={chosen ?? null}
                    onKept={(id) => {
                        setMaking(false);
                        onLayout(id);
                    }}
                />
            )}
        </section>
    );
}

interface MakingProps {
    project: number;
    all: string[];
    begun: Schemas['TableLayoutEntry'] | null;
    onKept: (id: number) => void;
}

function Making({ project, all, begun, onKept }: MakingProps) {
    const [name, setName] = useState(begun?.name ?? '');
    const [columns, setColumns] = useState(begun?.columns ?? []);
    const keep = useDayDeed(project, () =>
        ask(api.PUT('/api/v1/projects/{project}/table-layouts', { params: { path: { project } }, body: { name, columns } })),
    );
    const earlier = (i: number) => {
        const moved = [...columns];
        moved.splice(i - 1, 2, columns[i] as string, columns[i - 1] as string);
        setColumns(moved);
    };
    return (
        <div className="grid gap-2 border-chalk border-l-4 pl-3">
            <TextField label="Name of these columns" value={name} onValue={setName} maxLength={60} />
            {columns.map((c, i) => (
                <div key={c} className="flex items-center gap-2">
                    <span className="w-8 text-right text-quiet">{i + 1}</span>
                    <div className="min-w-0 flex-1">
                        <CheckBox label={c} checked onChecked={() => setColumns(columns.filter((x) => x !== c))} />
                    </div>
                    {i > 0 && <Button kind="bare" aria-label={`${c} earlier`} icon={<ArrowUp />} onClick={() => earlier(i)} />}
                </div>
            ))}
            <details open={columns.length === 0}>
                <summary className="min-h-12 cursor-pointer content-center">More columns</summary>
                {all
                    .filter((c) => !columns.includes(c))
                    .map((c) => (
                        <CheckBox key={c} label={c} checked={false} onChecked={() => setColumns([...columns, c])} />
                    ))}
            </details>
            <Failure of={keep.error} />
            <Button
                busy={keep.isPending}
                disabled={name.trim() === '' || columns.length === 0}
                onClick={() => keep.mutate(undefined, { onSuccess: (l) => onKept(l.id) })}
            >
                Keep {columns.length === 1 ? '1 column' : `${columns.length} columns`}
            </Button>
        </div>
    );
}
