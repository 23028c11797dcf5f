import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, type Schemas } from '../api/client';
import { useDeed } from '../api/hooks';
import type { GivenPlace } from '../givens/given';
import { PlaceInput } from '../givens/PlaceInput';
import { TouchContext } from '../givens/touch';
import { CheckBox } from '../parts/CheckBox';
import { Choice, NumberField, TextField } from '../parts/Field';
import { Failure, Notice } from '../parts/Notice';
import { Step } from '../parts/Step';
import type { DeedProps } from '../stage/deed';

type Order = NonNullable<Schemas['Renaming']['order']>;

const ORDERS: [Order, string][] = [
    ['asListed', 'as they were made'],
    ['byName', 'by their names now'],
    ['westToEast', 'from west to east'],
    ['northToSouth', 'from north to south'],
    ['alongLine', 'along a line'],
    ['clockwise', 'clockwise about their middle'],
    ['nearestNext', 'each time the nearest'],
];

const WAYS = [
    ['keep', 'keep the name, add before and after'],
    ['number', 'a new name with a number'],
    ['pattern', 'by a pattern'],
] as const;

const SHOWN = 40;

/** New names by rule, shown before they are given. */
export function Rename({ project, points, control, those, onDone, want, setWant }: DeedProps) {
    const [way, setWay] = useState<(typeof WAYS)[number][0]>('keep');
    const [before, setBefore] = useState('');
    const [after, setAfter] = useState('');
    const [find, setFind] = useState('');
    const [replace, setReplace] = useState('');
    const [pattern, setPattern] = useState('{letters}{number}');
    const [from, setFrom] = useState(1);
    const [step, setStep] = useState(1);
    const [digits, setDigits] = useState(2);
    const [order, setOrder] = useState<Order>('asListed');
    const [line, setLine] = useState<[GivenPlace | null, GivenPlace | null]>([null, null]);
    const pairs = those.length - new Set(those.map((p) => p.name)).size;
    const [paired, setPaired] = useState(pairs > 0);
    const [endings, setEndings] = useState<[string, string]>([' left', ' right']);
    const body = {
        ids: those.map((p) => p.id),
        pattern: way === 'pattern' ? pattern : `${before}{${way === 'keep' ? 'name' : 'number'}}${after}`,
        find: way === 'number' ? '' : find,
        replace,
        from,
        step,
        digits,
        order,
        endings: paired ? endings : [],
        lineFrom: line[0],
        lineTo: line[1],
    };
    const path = { params: { path: { project: project.id } } };
    const preview = useQuery({
        queryKey: [project.id, 'renaming', body],
        queryFn: () => ask(api.POST('/api/v1/projects/{project}/renaming-preview', { ...path, body })),
        enabled: order !== 'alongLine' || (line[0] !== null && line[1] !== null),
        retry: false,
    });
    const shown = preview.error ? undefined : preview.data;
    const rename = useDeed(project.id, () =>
        ask(api.POST('/api/v1/projects/{project}/renaming', { ...path, body: { ...body, expected: shown?.after ?? [] } })),
    );
    const numbered = way === 'number' || (way === 'pattern' && pattern.includes('{number}'));
    const changes = shown ? shown.after.filter((name, i) => name !== shown.before[i]).length : 0;
    return (
        <TouchContext value={{ want, setWant }}>
            <form className="grid gap-3" onSubmit={(e) => e.preventDefault()}>
                <Choice label="How" value={way} options={WAYS} onValue={setWay} />
                {way === 'pattern' ? (
                    <TextField
                        label="Pattern"
                        value={pattern}
                        onValue={setPattern}
                        hint="{name}, {letters}, {digits}, {code}, {number} stand for what each point has"
                    />
                ) : (
                    <div className="grid grid-cols-2 gap-2">
                        <TextField label="Before" value={before} onValue={setBefore} />
                        <TextField label="After" value={after} onValue={setAfter} />
                    </div>
                )}
                {way !== 'number' && (
                    <div className="grid grid-cols-2 gap-2">
                        <TextField label="In the name, replace" value={find} onValue={setFind} />
                        <TextField label="by" value={replace} onValue={setReplace} />
                    </div>
                )}
                {numbered && (
                    <div className="grid grid-cols-3 gap-2">
                        <NumberField label="Number from" unit="" value={from} onValue={(n) => setFrom(Math.round(n))} />
                        <NumberField label="Step" unit="" value={step} onValue={(n) => setStep(Math.round(n))} />
                        <NumberField label="Digits" unit="" value={digits} onValue={(n) => setDigits(Math.round(n))} />
                    </div>
                )}
                <Choice label="In the order" value={order} options={ORDERS} onValue={setOrder} />
                {order === 'alongLine' && (
                    <div className="grid grid-cols-2 gap-2">
                        <PlaceInput
                            label="Line from"
                            value={line[0]}
                            onValue={(p) => setLine([p, line[1]])}
                            points={points}
                            control={control}
                        />
                        <PlaceInput label="to" value={line[1]} onValue={(p) => setLine([line[0], p])} points={points} control={control} />
                    </div>
                )}
                {(pairs > 0 || paired) && (
                    <>
                        <CheckBox
                            label={`${pairs} share their name with another: number them alike, each with an ending of its own`}
                            checked={paired}
                            onChecked={setPaired}
                        />
                        {paired && (
                            <div className="grid grid-cols-2 gap-2">
                                <TextField label="Ending of the first" value={endings[0]} onValue={(v) => setEndings([v, endings[1]])} />
                                <TextField label="of the second" value={endings[1]} onValue={(v) => setEndings([endings[0], v])} />
                            </div>
                        )}
                    </>
                )}
                <Failure of={preview.error ?? rename.error} />
                {shown && (
                    <>
                        {shown.taken.length > 0 && (
                            <Notice kind="caution">
                                {shown.taken.length} new names would be given twice or are taken: {shown.taken.slice(0, 5).join(', ')}.
                            </Notice>
                        )}
                        <table className="w-full text-left" aria-label="New names">
                            <thead className="text-sm text-quiet">
                                <tr>
                                    <th className="font-normal">now</th>
                                    <th className="font-normal">then</th>
                                </tr>
                            </thead>
                            <tbody>
                                {shown.before.slice(0, SHOWN).map((name, i) => (
                                    <tr key={shown.ids[i]} className="border-t border-rule">
                                        <td className="max-w-40 truncate">{name}</td>
                                        <td className="max-w-40 truncate font-semibold">{shown.after[i]}</td>
                                    </tr>
                                ))}
                            </tbody>
                        </table>
                        {shown.before.length > SHOWN && <p className="text-quiet">and {shown.before.length - SHOWN} more</p>}
                    </>
                )}
                <Step
                    busy={rename.isPending}
                    why={
                        !shown
                            ? 'No new names yet.'
                            : shown.taken.length > 0
                              ? 'Some names would be given twice.'
                              : changes === 0 && 'No name changes yet.'
                    }
                    onClick={() => rename.mutate(undefined, { onSuccess: onDone })}
                >
                    Rename {changes}
                </Step>
            </form>
        </TouchContext>
    );
}
