import { useState } from 'react';
import { Link } from 'react-router';
import type { Aim, Live, Project, Schemas, StakeoutPoint } from '../api/client';
import { Button, buttonLook } from '../parts/Button';
import { CheckBox } from '../parts/CheckBox';
import { Choice, LengthField, NumberField } from '../parts/Field';
import { NextStep } from '../parts/NextStep';
import { Failure, Notice } from '../parts/Notice';
import { type DotOn, MarkedOn } from './MarkedOn';
import { useBeginRun } from './useRun';

interface Props {
    project: Project;
    points: StakeoutPoint[];
    /** run over in place of the points */
    ends: Aim[] | null;
    /** what they are, for its title */
    listName: string;
    aims: Aim[];
    live: Live | undefined;
    onBegun: () => void;
}

type Settings = Required<Schemas['RunSettings']>;

const ORDERS: ReadonlyArray<readonly [Schemas['RunToBegin']['order'] & string, string]> = [
    ['listed', 'as listed'],
    ['nearest', 'the nearest next'],
    ['walk', 'a short walk'],
    ['out_and_back', 'pairs: out along one wall, back along the other'],
];

/** How a run is to go: over which points, in which order, with what, and how long it waits. */
export function RunForm({ project, points, ends, listName, aims, live, onBegun }: Props) {
    const [mode, setMode] = useState<Settings['mode']>('dot');
    const [marked, setMarked] = useState<DotOn>({ on: 'slab', wallId: null });
    const { on } = marked;
    const [order, setOrder] = useState<(typeof ORDERS)[number][0]>('listed');
    const [openOnly, setOpenOnly] = useState(true);
    const [from, setFrom] = useState(1);
    const over: { id: number; state?: string }[] = ends ?? points;
    const [to, setTo] = useState(over.length);
    const [tries, setTries] = useState(10);
    const [wait, setWait] = useState(10);
    const [seconds, setSeconds] = useState<number>(20);
    const [button, setButton] = useState(false);
    const [elevation, setElevation] = useState<number | null>(null);
    const begin = useBeginRun(project.id, onBegun);
    const chosen = over.slice(Math.max(0, from - 1), to);
    const left = openOnly && ends === null ? chosen.filter((p) => p.state !== 'done') : chosen;
    return (
        <div className="grid gap-3">
            <p className="text-quiet">
                {listName}: {left.length} of {over.length}
                {ends === null && ' points'}
            </p>
            <div className="grid grid-cols-2 gap-3">
                <Choice
                    label="With"
                    value={mode}
                    options={[
                        ['dot', 'the red dot'],
                        ['prism', 'the prism'],
                    ]}
                    onValue={setMode}
                />
                <Choice label="Order" value={order} options={ORDERS} onValue={setOrder} />
                {mode === 'dot' && (
                    <div className="col-span-2">
                        <MarkedOn value={marked} onValue={setMarked} aims={aims} />
                    </div>
                )}
                {mode === 'dot' && on !== 'slab' && (
                    <LengthField
                        label="All at one elevation"
                        value={elevation}
                        onValue={setElevation}
                        optional
                        hint="empty: each at its own"
                    />
                )}
                {mode === 'dot' && on !== 'slab' && live?.pole?.elevation != null && (
                    <Button className="self-end" onClick={() => setElevation(live.pole?.elevation ?? null)}>
                        That of the dot now
                    </Button>
                )}
                <NumberField label="From the" unit="" value={from} onValue={setFrom} />
                <NumberField label="to the" unit="" value={to} onValue={setTo} />
                {mode === 'dot' && <NumberField label="Tries" unit="" value={tries} onValue={setTries} />}
                {mode === 'dot' && <NumberField label="Wait for a return" unit="s" value={wait} onValue={setWait} />}
            </div>
            <CheckBox label="Until the button is touched at each" checked={button} onChecked={setButton} />
            {!button && <NumberField label="Time to mark" unit="s" value={seconds} onValue={setSeconds} />}
            {ends === null && <CheckBox label="Only what is not yet done" checked={openOnly} onChecked={setOpenOnly} />}
            <Failure of={begin.error} />
            {begin.asked && (
                <Notice kind="caution">
                    {begin.asked.message}{' '}
                    {begin.asked.reason === 'no_check' && (
                        <Link className={buttonLook('plain')} to={`/p/${project.id}/set-up`}>
                            Take a check shot
                        </Link>
                    )}{' '}
                    <Button onClick={begin.insist}>
                        {begin.asked.reason === 'no_check' ? 'Begin without a check' : 'Stop that one and begin'}
                    </Button>
                </Notice>
            )}
            <NextStep>
                <Button
                    kind="primary"
                    busy={begin.busy}
                    disabled={left.length === 0}
                    onClick={() =>
                        begin.begin({
                            ...(ends === null ? { pointIds: left.map((p) => p.id), openOnly } : { aimIds: left.map((p) => p.id) }),
                            order,
                            ...(live?.pole ? { fromNorthing: live.pole.northing, fromEasting: live.pole.easting } : {}),
                            settings: {
                                mode,
                                on,
                                tries: Math.round(tries),
                                wait,
                                markSeconds: button ? null : seconds,
                                elevation: on === 'slab' ? null : elevation,
                                wallId: on === 'wall' ? marked.wallId : null,
                            },
                        })
                    }
                >
                    Begin the run
                </Button>
            </NextStep>
        </div>
    );
}
