import { useEffect, useRef, useState } from 'react';
import { api, ask, type ControlPoint, newKey } from '../api/client';
import { Button } from '../parts/Button';
import { Choice } from '../parts/Field';
import { NextStep } from '../parts/NextStep';
import type { PlanPlace } from '../plan/contract';
import { askedMark, touchedControl, useShow, useShown } from '../plan/shown';

interface Props {
    label: string;
    control: ControlPoint[];
    chosen: number;
    onChoose: (id: number) => void;
    onTurn: () => void;
    turning: boolean;
    onMeasure: () => void;
    measuring: boolean;
    project: number;
    primary: boolean;
    /** may be done besides, and is no step of the way: its buttons stand here and not in the bar */
    aside?: boolean;
    verb: string;
    /** whoever holds the pole is there, or else the instrument; null where neither is known */
    near: PlanPlace | null;
}

/** Choosing a control point, turning to it, measuring it. A measurement on its way can be cancelled. */
export function AimAt(props: Props) {
    // The mark is chosen by touching it, too.
    const touched = useShown(touchedControl);
    const { control, onChoose } = props;
    useEffect(() => {
        if (touched !== null && control.some((c) => c.id === touched)) {
            onChoose(touched);
            touchedControl.say('plan', null);
        }
    }, [touched, control, onChoose]);
    useShow(askedMark, props.control.find((c) => c.id === props.chosen)?.name ?? null);
    const turn = (
        <Button className="min-h-16 px-3!" onClick={props.onTurn} busy={props.turning}>
            {props.turning ? 'Turning…' : 'Turn to it'}
        </Button>
    );
    const shoot = props.measuring ? (
        <CancelMeasuring project={props.project} />
    ) : (
        <Button kind={props.primary ? 'primary' : 'plain'} className={`min-h-16 ${props.primary ? '' : 'px-3!'}`} onClick={props.onMeasure}>
            {props.verb}
        </Button>
    );
    return (
        <>
            <MarkChoice {...props} />
            {props.aside ? (
                <div className="flex flex-wrap gap-2">
                    {turn}
                    {shoot}
                </div>
            ) : (
                <>
                    <NextStep as="second">{turn}</NextStep>
                    <NextStep as={props.primary ? 'first' : 'second'}>{shoot}</NextStep>
                </>
            )}
        </>
    );
}

/** Metres. */
const STEPS = 3;

/** From so many on they are narrowed by their code. */
const MANY = 8;

/** The control that may be sighted: the nearest first, and of many only those of one code where wished. */
function MarkChoice({ label, control, chosen, onChoose, near }: Props) {
    const from = useSteady(near);
    const [code, setCode] = useState('');
    const codes = [...new Set(control.map((c) => c.code))].filter((c) => c !== '').sort();
    const narrowed = control.length >= MANY && codes.length > 1;
    const shown = control.filter((c) => !narrowed || code === '' || c.code === code || c.id === chosen);
    return (
        <div className={narrowed ? 'grid grid-cols-[2fr_1fr] gap-3' : 'contents'}>
            <Choice
                label={label}
                value={String(chosen)}
                onValue={(id) => onChoose(Number(id))}
                options={byNearness(shown, from).map((c) => [String(c.id), `${c.name}${c.code ? ` (${c.code})` : ''}`] as const)}
                hint={from && control.length > 1 ? 'the nearest first' : undefined}
            />
            {narrowed && (
                <Choice
                    label="Only of code"
                    value={code}
                    onValue={(to) => {
                        setCode(to);
                        const of = control.filter((c) => c.code === to);
                        const [first] = byNearness(of, from);
                        first && onChoose(first.id);
                    }}
                    options={[['', 'any'], ...codes.map((c) => [c, c] as const)]}
                />
            )}
        </div>
    );
}

/** As they came where nobody knows from where. */
export function byNearness(control: ControlPoint[], from: PlanPlace | null): ControlPoint[] {
    const away = (c: ControlPoint) => (from === null ? 0 : Math.hypot(c.northing - from.northing, c.easting - from.easting));
    return [...control].sort((a, b) => away(a) - away(b));
}

/** Where it was, until it has gone a few steps: a list does not jump under the finger while the pole sways. */
function useSteady(near: PlanPlace | null): PlanPlace | null {
    const steady = useRef(near);
    const { current } = steady;
    if (near !== null && (current === null || Math.hypot(near.northing - current.northing, near.easting - current.easting) > STEPS)) {
        steady.current = near;
    }
    return steady.current;
}

/** Stands where the button to measure stood, while a measurement is on its way. */
export function CancelMeasuring({ project }: { project: number }) {
    const cancel = () =>
        void ask(
            api.POST('/api/v1/projects/{project}/instrument/cancel', { params: { path: { project } }, body: { key: newKey() } }),
        ).catch(() => undefined);
    return (
        <Button className="col-span-2 min-h-16" onClick={cancel}>
            Measuring… touch to cancel
        </Button>
    );
}
