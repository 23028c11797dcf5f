import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useState } from 'react';
import { api, ask, type Schemas } from '../api/client';
import { useDeed } from '../api/hooks';
import { Button } from '../parts/Button';
import { CheckBox } from '../parts/CheckBox';
import { Choice, LengthField, TextField } from '../parts/Field';
import { NextStep } from '../parts/NextStep';
import { Failure, Notice } from '../parts/Notice';
import { Step } from '../parts/Step';
import { behindLabel, facePairs, groupsOf, heldBehind, type Offered, throughFace } from './example';
import type { SpaceSpot } from './SpaceDots';

/** What the view shows of an example: the spots of the touched thing, the things that follow, and where points would be. */
export interface ExampleShown {
    spots: SpaceSpot[];
    /** by their instances */
    things: number[];
    found: number[];
}

interface Props {
    project: number;
    design: number;
    entry: Schemas['ThingEntry'];
    touchedSpot: { spot: number; time: number } | null;
    /** instances of its class that are shown */
    shownAlike: readonly number[];
    onShown: (shown: ExampleShown) => void;
    onLookAt: (instance: number) => void;
}

/** Buttons for spots, before more are asked for. */
const FIRST_GROUPS = 3;

/** shown: those of its class that are shown now, whichever way they were chosen. */
type By = Schemas['AlikeWanted']['by'] | 'shown';
/** More are chosen by type, storey or property. */
const MOST_CHOSEN = 5000;

const NAMES = {
    crossing: { words: 'grid crossing and number', parts: ['crossing'] },
    crossingType: { words: 'grid crossing, type and number', parts: ['crossing', 'type'] },
    name: { words: 'its name and number', parts: ['name'] },
    tag: { words: 'its tag and number', parts: ['tag'] },
    storeyType: { words: 'storey, type and number', parts: ['storey', 'type'] },
    crossingSide: { words: 'grid crossing and side (N, NE …)', parts: ['crossing', 'side'] },
    number: { words: 'running number', parts: [] },
} satisfies Record<string, { words: string; parts: Schemas['ElementNaming']['parts'] }>;
type Naming = keyof typeof NAMES;

const CORNERS: [string, string][] = [
    ['0.7853981633974483', 'north-east'],
    ['2.356194490192345', 'south-east'],
    ['3.9269908169872414', 'south-west'],
    ['5.497787143782138', 'north-west'],
];

const WORDS: Record<By, (entry: Schemas['ThingEntry']) => string> = {
    type: (e) => `all of type ${e.type}`,
    shape: () => 'all of the same shape',
    form: (e) => `every ${e.class.toLowerCase()} of this form, any size`,
    class: (e) => `every ${e.class.toLowerCase()}`,
    property: () => 'all of which the file says the same',
    shown: (e) => `every ${e.class.toLowerCase()} that is shown now`,
    chosen: () => 'this one alone',
};

/** Spots of the touched thing, shown once; then on all like it: counted, drawn and named before anything is kept. */
export function ExampleForm({ project, design, entry, touchedSpot, shownAlike, onShown, onLookAt }: Props) {
    const groups = useMemo(() => groupsOf(entry.spots), [entry.spots]);
    const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
    const [all, setAll] = useState(false);
    const [through, setThrough] = useState(false);
    const [behind, setBehind] = useState<ReadonlyMap<string, number>>(new Map());
    const [by, setBy] = useState<By>((entry.alike[0]?.by ?? 'chosen') as By);
    const [property, setProperty] = useState(entry.properties[0]?.name ?? '');
    const [storey, setStorey] = useState('*');
    const [naming, setNaming] = useState<Naming>('crossing');
    const [prefix, setPrefix] = useState('');
    const [first, setFirst] = useState(CORNERS[0]?.[0] ?? '0');
    const [turn, setTurn] = useState<'clockwise' | 'against'>('clockwise');
    const [higher, setHigher] = useState(0);
    const [code, setCode] = useState('');
    const [codeFrom, setCodeFrom] = useState<NonNullable<Schemas['ExampleWanted']['codeFrom']>>('typed');
    const [description, setDescription] = useState('');
    const [keptAs, setKeptAs] = useState<'points' | 'control'>('points');
    const [planOff, setPlanOff] = useState<number | null>(null);
    const [heightOff, setHeightOff] = useState<number | null>(null);

    // Touched again elsewhere the spots come in another order: each is known by its place.
    const keyOf = (o: Offered) => `${o.easting} ${o.northing} ${o.elevation} ${o.spot.kind}`;
    const isOn = (o: Offered) => chosen.has(keyOf(o));
    const toggle = (some: Offered[], on: boolean) =>
        setChosen((now) => {
            const next = new Set(now);
            for (const o of some) {
                on ? next.add(keyOf(o)) : next.delete(keyOf(o));
            }
            return next;
        });
    // biome-ignore lint/correctness/useExhaustiveDependencies: a touch counts once, whatever else has changed since
    useEffect(() => {
        const o = touchedSpot ? entry.spots[touchedSpot.spot] : undefined;
        if (o) {
            toggle([o], !isOn(o));
        }
    }, [touchedSpot]);

    const on = entry.spots.filter(isOn);
    const pairs = facePairs(on);
    const example: Schemas['ExampleWanted'] = {
        designId: design,
        number: entry.number,
        spots: on.map((o) => throughFace(heldBehind(o.spot, behind), through ? (entry.face?.face ?? null) : null)),
        alike: {
            by: by === 'shown' ? 'chosen' : by,
            storey: storey === '*' ? null : entry.storey,
            property: by === 'property' ? property : '',
            numbers: by === 'chosen' ? [entry.number] : by === 'shown' ? [...shownAlike] : [],
        },
        naming: { prefix, parts: [...NAMES[naming].parts], first: Number(first), clockwise: turn === 'clockwise' },
        elevation: { rule: 'asMade', value: higher },
        codeFrom,
    };
    const preview = useQuery({
        queryKey: ['example', project, example],
        queryFn: () => ask(api.POST('/api/v1/projects/{project}/examples-preview', { params: { path: { project } }, body: example })),
        enabled: on.length > 0,
        placeholderData: keepPreviousData,
        retry: false,
    });
    const found = on.length > 0 && !preview.error ? preview.data : undefined;
    const keep = useDeed(project, async () => {
        const path = { params: { path: { project } } };
        const kept = await ask(
            keptAs === 'points'
                ? api.POST('/api/v1/projects/{project}/examples', { ...path, body: { example, code, description } })
                : api.POST('/api/v1/projects/{project}/examples-control', {
                      ...path,
                      body: { example, code, planDeviation: planOff ?? 0, heightDeviation: heightOff ?? 0 },
                  }),
        );
        // What was just made stands.
        await preview.refetch();
        return kept;
    });

    const spots = entry.spots.map((o): SpaceSpot => ({ place: [o.easting, o.northing, o.elevation], chosen: isOn(o) }));
    const key = JSON.stringify([entry.number, spots, found?.things, found?.places]);
    // biome-ignore lint/correctness/useExhaustiveDependencies: the key says all of what is shown
    useEffect(() => {
        onShown({ spots, things: found?.things ?? [], found: found?.places ?? [] });
    }, [key]);

    const left = found ? found.count - (keptAs === 'points' ? found.standing : 0) : 0;
    const noun = keptAs === 'points' ? 'point' : 'control point';
    return (
        <form className="grid gap-3" onSubmit={(e) => e.preventDefault()}>
            <fieldset className="grid gap-1 border-t-2 border-ink">
                <legend className="pr-2 font-semibold">Its spots, to be points on all like it</legend>
                <div className="flex flex-wrap gap-2">
                    {(all
                        ? groups
                        : groups.filter((g, i) => i < FIRST_GROUPS || g.numbers.some((n) => entry.spots[n] && isOn(entry.spots[n])))
                    ).map((g) => {
                        const of = g.numbers.flatMap((i) => entry.spots[i] ?? []);
                        const every = of.every(isOn);
                        return (
                            <Button key={g.words} pressed={every} onClick={() => toggle(of, !every)}>
                                {of.length > 1 ? `${of.length} × ${g.words}` : g.words}
                            </Button>
                        );
                    })}
                    {!all && groups.length > FIRST_GROUPS && <Button onClick={() => setAll(true)}>More spots</Button>}
                </div>
            </fieldset>
            {pairs.length > 0 && (
                <div className="grid grid-cols-2 items-end gap-2">
                    {pairs.map((p) => (
                        <LengthField
                            key={p.key}
                            label={behindLabel(p.words)}
                            value={behind.get(p.key) ?? 0}
                            onValue={(v) => setBehind(new Map(behind).set(p.key, v ?? 0))}
                        />
                    ))}
                </div>
            )}
            {entry.face && on.some((o) => o.spot.kind === 'axisEnd') && (
                <CheckBox
                    label={`Where axes go through its face that looks ${entry.face.looks}, in place of their ends`}
                    checked={through}
                    onChecked={setThrough}
                />
            )}
            {on.length > 0 && (
                <>
                    <Choice
                        label="On"
                        value={by}
                        onValue={setBy}
                        options={[
                            ...entry.alike.map((a) => [a.by as By, `${WORDS[a.by as By](entry)} (${a.count})`] as const),
                            ...(entry.properties.length > 0 ? [['property', WORDS.property(entry)] as const] : []),
                            ...(shownAlike.length > 1 && shownAlike.length <= MOST_CHOSEN
                                ? [['shown', `${WORDS.shown(entry)} (${shownAlike.length})`] as const]
                                : []),
                            ['chosen', WORDS.chosen(entry)] as const,
                        ]}
                    />
                    {by === 'property' && (
                        <Choice
                            label="The same"
                            value={property}
                            onValue={setProperty}
                            options={entry.properties.map((p) => [p.name, `${p.name}: ${p.text}`] as const)}
                        />
                    )}
                    {by !== 'chosen' && entry.storey !== '' && (
                        <Choice
                            label="Storey"
                            value={storey}
                            onValue={setStorey}
                            options={[
                                ['*', 'all'],
                                ['this', `only ${entry.storey}`],
                            ]}
                        />
                    )}
                    <Choice
                        label="Named by"
                        value={naming}
                        onValue={setNaming}
                        options={Object.entries(NAMES).map(([k, n]) => [k as Naming, n.words] as const)}
                    />
                    <div className="grid grid-cols-2 gap-2">
                        <TextField label="Before the names" value={prefix} onValue={setPrefix} />
                        {(found?.count ?? 0) > (found?.things.length ?? 0) || naming !== 'number' ? (
                            <>
                                <Choice label="Number 1 lies to the" value={first} onValue={setFirst} options={CORNERS} />
                                <Choice
                                    label="Turning, from above"
                                    value={turn}
                                    onValue={setTurn}
                                    options={[
                                        ['clockwise', 'clockwise'],
                                        ['against', 'against the clock'],
                                    ]}
                                />
                            </>
                        ) : null}
                        <Choice
                            label="Code is"
                            value={codeFrom}
                            onValue={setCodeFrom}
                            options={[
                                ['typed', 'typed here'],
                                ['type', 'its type'],
                                ['class', 'its class'],
                            ]}
                        />
                        {codeFrom === 'typed' ? <TextField label="Code" value={code} onValue={setCode} /> : <span />}
                        <LengthField label="Vertical offset" value={higher} onValue={(v) => setHigher(v ?? 0)} />
                    </div>
                    <Choice
                        label="Kept as"
                        value={keptAs}
                        onValue={setKeptAs}
                        options={[
                            ['points', 'points to be staked'],
                            ['control', 'control: it stands already'],
                        ]}
                    />
                    {keptAs === 'points' ? (
                        <TextField label="Description" value={description} onValue={setDescription} />
                    ) : (
                        <div className="grid grid-cols-2 items-end gap-2">
                            <LengthField label="Plan deviation" value={planOff} onValue={setPlanOff} optional />
                            <LengthField label="Height deviation" value={heightOff} onValue={setHeightOff} optional />
                        </div>
                    )}
                </>
            )}
            <Failure of={on.length > 0 ? preview.error : null} />
            {found && (
                <NextStep as="aside">
                    <div role="status" className="min-w-0">
                        <p>
                            <span className="font-semibold">
                                {found.count} {found.count === 1 ? 'point' : 'points'} on {found.things.length}{' '}
                                {found.things.length === 1 ? 'thing' : 'things'}
                            </span>
                            {found.mirrored > 0 && `, ${found.mirrored} of them mirrored`}
                            {found.standing > 0 && `; ${found.standing} stand already`}
                            {found.notFitting.length > 0 && `; ${found.notFitting.length} it does not fit`}
                        </p>
                        {found.names.length > 0 && (
                            <p className="text-quiet [overflow-wrap:anywhere]">
                                {found.names.slice(0, 6).join(', ')}
                                {found.names.length > 6 && ' …'}
                            </p>
                        )}
                    </div>
                </NextStep>
            )}
            {found && found.notFitting.length > 0 && (
                <details className="border-l-4 border-open pl-3">
                    <summary className="min-h-12 cursor-pointer py-3 font-semibold">
                        {found.notFitting.length === 1 ? '1 does not fit' : `${found.notFitting.length} do not fit`}
                    </summary>
                    <ul className="grid gap-2">
                        {found.notFitting.slice(0, 50).map((n) => (
                            <li key={n.number} className="flex items-center gap-2">
                                <span className="min-w-0 flex-1 [overflow-wrap:anywhere]">
                                    {n.name} {n.why}.
                                </span>
                                <Button onClick={() => onLookAt(n.number)}>Show it</Button>
                            </li>
                        ))}
                    </ul>
                    {found.notFitting.length > 50 && <p>and {found.notFitting.length - 50} more</p>}
                </details>
            )}
            <Failure of={keep.error} />
            {keep.data && (
                <Notice>
                    {keep.data.made} {keep.data.made === 1 ? `${noun} is` : `${noun}s are`} made
                    {keep.data.names[0] ? `, ${keep.data.names[0]} the first` : ''}.
                    {keep.data.standing > 0 && ` ${keep.data.standing} stood already.`}
                </Notice>
            )}
            <Step
                busy={keep.isPending}
                why={
                    on.length === 0
                        ? 'Choose spots of it.'
                        : !found
                          ? !preview.error && 'Being looked for …'
                          : keptAs === 'control' && !(planOff && heightOff)
                            ? 'Say how far what stands may be off.'
                            : left === 0 && (keep.data ? 'All of them stand.' : 'All of these stand already.')
                }
                onClick={() => keep.mutate(undefined)}
            >
                Make {left} {left === 1 ? noun : `${noun}s`}
            </Step>
        </form>
    );
}
