import { useState } from 'react';
import { api, ask } from '../api/client';
import { useDeed, useWorklists } from '../api/hooks';
import { Choice, TextField } from '../parts/Field';
import { Failure } from '../parts/Notice';
import { Step } from '../parts/Step';
import type { DeedProps } from '../stage/deed';

/** The chosen points as a worklist of their own, or at the end of another. */
export function AddToWorklist({ project, those, onDone }: DeedProps) {
    const lists = useWorklists(project.id).data ?? [];
    const [id, setId] = useState('');
    const [name, setName] = useState('');
    const list = lists.find((l) => String(l.id) === id);
    const keep = useDeed(project.id, () => {
        const pointIds = [...(list?.pointIds ?? []), ...those.map((p) => p.id)];
        return list
            ? ask(
                  api.PUT('/api/v1/projects/{project}/worklists/{list}', {
                      params: { path: { project: project.id, list: list.id } },
                      body: { name: list.name, pointIds, expected: list.pointIds, judged: list.judged },
                  }),
              )
            : ask(
                  api.POST('/api/v1/projects/{project}/worklists', {
                      params: { path: { project: project.id } },
                      body: { name, pointIds },
                  }),
              );
    });
    return (
        <form className="grid gap-3" onSubmit={(e) => e.preventDefault()}>
            <Choice
                label="Worklist"
                value={id}
                options={[['', 'a new one'], ...lists.map((l) => [String(l.id), l.name] as const)]}
                onValue={setId}
            />
            {!list && <TextField label="Its name" value={name} onValue={setName} />}
            <Failure of={keep.error} />
            <Step
                busy={keep.isPending}
                why={!list && name.trim() === '' && 'It needs a name.'}
                onClick={() => keep.mutate(undefined, { onSuccess: onDone })}
            >
                Put {those.length} on it
            </Step>
        </form>
    );
}
