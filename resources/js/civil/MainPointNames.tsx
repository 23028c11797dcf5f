import { useState } from 'react';
import type { Project, Schemas } from '../api/client';
import { Button } from '../parts/Button';
import { TextField } from '../parts/Field';
import { Failure } from '../parts/Notice';
import { useKeepChoices } from './useKeepChoices';

type Kind = Schemas['MainPointName']['kind'];

/** Every kind of main point, in the order in which one comes to them; the kind itself is its usual abbreviation. */
const KINDS: readonly (readonly [Kind, string])[] = [
    ['BP', 'start'],
    ['PC', 'line to curve'],
    ['PT', 'curve to line'],
    ['PCC', 'curve to curve, the same way'],
    ['PRC', 'curve to curve, the other way'],
    ['TS', 'line to spiral'],
    ['SC', 'spiral to curve'],
    ['CS', 'curve to spiral'],
    ['ST', 'spiral to line'],
    ['SS', 'spiral to spiral'],
    ['PI', 'line to line'],
    ['EP', 'end'],
];

/** What the project calls main points, on the plan and in the names of points made of them. */
export function MainPointNames({ project }: { project: Project }) {
    const [names, setNames] = useState<ReadonlyMap<Kind, string>>(new Map(project.civil.names.map((n) => [n.kind, n.name])));
    const keep = useKeepChoices(project);
    const own = KINDS.flatMap(([kind]) => {
        const name = names.get(kind)?.trim() ?? '';
        return name === '' || name === kind ? [] : [{ kind, name }];
    });
    return (
        <details>
            <summary className="min-h-12 cursor-pointer py-3">What main points are called</summary>
            <div className="grid grid-cols-2 gap-2 sm:grid-cols-3">
                {KINDS.map(([kind, words]) => (
                    <TextField
                        key={kind}
                        label={words}
                        value={names.get(kind) ?? kind}
                        onValue={(name) => setNames(new Map([...names, [kind, name]]))}
                    />
                ))}
            </div>
            <Button
                className="mt-2"
                busy={keep.isPending}
                disabled={JSON.stringify(own) === JSON.stringify(project.civil.names)}
                onClick={() => keep.mutate({ ...project.civil, names: own })}
            >
                Call them so
            </Button>
            <Failure of={keep.error} />
        </details>
    );
}
