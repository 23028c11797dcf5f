import { useState } from 'react';
import { api, ask, type Schemas } from '../api/client';
import { useCodes, useDeed } from '../api/hooks';
import { Choice, LengthField, TextField } from '../parts/Field';
import { Failure } from '../parts/Notice';
import { Step } from '../parts/Step';
import type { DeedProps } from '../stage/deed';

/** A code for all of them, and what it means: colour, trade and tolerances. */
export function Recode({ project, those, onDone }: DeedProps) {
    const codes = useCodes(project.id).data ?? [];
    const [code, setCode] = useState(those[0]?.code ?? '');
    const known = codes.find((c) => c.code === code.trim());
    const [meaning, setMeaning] = useState<Partial<Schemas['TypedCode']>>({});
    const path = { params: { path: { project: project.id } } };
    const set = useDeed(project.id, async () => {
        if (Object.keys(meaning).length > 0 && code.trim() !== '') {
            const { id: _, ...before } = known ?? { id: 0, code };
            await ask(
                api.POST('/api/v1/projects/{project}/codes', { ...path, body: { ...before, ...meaning, code, seen: known && before } }),
            );
        }
        return ask(
            api.POST('/api/v1/projects/{project}/codes-setting', { ...path, body: { ids: those.map((p) => p.id), code: code.trim() } }),
        );
    });
    const shown = { ...known, ...meaning };
    return (
        <form className="grid gap-3" onSubmit={(e) => e.preventDefault()}>
            <TextField label="Code" value={code} onValue={setCode} list="known-codes" />
            <datalist id="known-codes">
                {codes.map((c) => (
                    <option key={c.id} value={c.code} />
                ))}
            </datalist>
            <div className="grid grid-cols-2 gap-2">
                <TextField label="Trade" value={shown.trade ?? ''} onValue={(trade) => setMeaning((m) => ({ ...m, trade }))} />
                <label className="text-sm text-quiet">
                    Colour on the plan
                    <input
                        type="color"
                        className="block min-h-12 w-full border border-ink/50 bg-sheet"
                        value={shown.colour ?? '#1f1c17'}
                        onChange={(e) => setMeaning((m) => ({ ...m, colour: e.target.value }))}
                    />
                </label>
                <LengthField
                    label="Tolerance in plan"
                    value={shown.planTolerance ?? null}
                    onValue={(planTolerance) => setMeaning((m) => ({ ...m, planTolerance }))}
                    optional
                    hint="empty: the project’s"
                />
                <LengthField
                    label="Tolerance in height"
                    value={shown.heightTolerance ?? null}
                    onValue={(heightTolerance) => setMeaning((m) => ({ ...m, heightTolerance }))}
                    optional
                    hint="empty: the project’s"
                />
                <LengthField
                    label="Tolerance above, if other"
                    value={shown.aboveTolerance ?? null}
                    onValue={(aboveTolerance) => setMeaning((m) => ({ ...m, aboveTolerance }))}
                    optional
                    hint="0: nothing may stand too high"
                />
                <TextField
                    label="Letter in the mark"
                    value={shown.mark ?? ''}
                    maxLength={2}
                    onValue={(mark) => setMeaning((m) => ({ ...m, mark }))}
                    hint="stands before the name"
                />
                <Choice
                    label="What counts of its marks"
                    value={shown.judged ?? ''}
                    options={[
                        ['', 'plan and height'],
                        ['plan', 'plan only'],
                        ['height', 'height only'],
                    ]}
                    onValue={(judged) => setMeaning((m) => ({ ...m, judged: judged === '' ? null : judged }))}
                />
            </div>
            <Failure of={set.error} />
            <Step busy={set.isPending} onClick={() => set.mutate(undefined, { onSuccess: onDone })}>
                {code.trim() === '' ? `Take the code off ${those.length}` : `Give ${those.length} the code ${code.trim()}`}
            </Step>
        </form>
    );
}
