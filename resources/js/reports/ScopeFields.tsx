import type { Mark, Schemas } from '../api/client';
import { CheckBox } from '../parts/CheckBox';
import { Choice } from '../parts/Field';
import { codesOf, daysOf, type Scope } from './scope';

interface Props {
    scope: Scope;
    onScope: (scope: Scope) => void;
    marks: Mark[];
    lists: Schemas['WorklistResource'][];
}

/** What a report covers; a choice that leaves nothing to choose is not there. */
export function ScopeFields({ scope, onScope, marks, lists }: Props) {
    const days = daysOf(marks);
    const codes = codesOf(marks);
    const change = (part: Partial<Scope>) => onScope({ ...scope, ...part });
    return (
        <div className="grid grid-cols-2 gap-3">
            <Choice
                label="Days"
                value={scope.day}
                onValue={(day) => change({ day })}
                options={[['', 'all days'], ...days.map((d): [string, string] => [d, d])]}
            />
            <Choice
                label="Kinds"
                value={scope.kind}
                onValue={(kind) => change({ kind })}
                options={[
                    ['', 'staked and built'],
                    ['stake', 'staked'],
                    ['as_built', 'built'],
                ]}
            />
            {codes.length > 1 && (
                <Choice
                    label="Code"
                    value={scope.code === null ? 'all' : `=${scope.code}`}
                    onValue={(c) => change({ code: c === 'all' ? null : c.slice(1) })}
                    options={[['all', 'all codes'], ...codes.map((c): [string, string] => [`=${c}`, c === '' ? 'without a code' : c])]}
                />
            )}
            {lists.length > 0 && (
                <Choice
                    label="Worklist"
                    value={scope.worklistId === null ? '' : String(scope.worklistId)}
                    onValue={(id) => change({ worklistId: id === '' ? null : Number(id) })}
                    options={[['', 'whether listed or not'], ...lists.map((l): [string, string] => [String(l.id), l.name])]}
                />
            )}
            <div className="col-span-2 grid">
                <CheckBox
                    label="Only what is out or too close to call"
                    checked={scope.outOnly}
                    onChecked={(outOnly) => change({ outOnly })}
                />
                <CheckBox
                    label="Also marks that a later one replaced"
                    checked={scope.replaced}
                    onChecked={(replaced) => change({ replaced })}
                />
            </div>
        </div>
    );
}
