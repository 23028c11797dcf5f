import { useEffect } from 'react';
import { api, ask, type ControlPoint, newKey } from '../api/client';
import { Button } from '../parts/Button';
import { Choice } from '../parts/Field';
import { NextStep } from '../parts/NextStep';
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
            <Choice
                label={props.label}
                value={String(props.chosen)}
                onValue={(id) => props.onChoose(Number(id))}
                options={props.control.map((c) => [String(c.id), `${c.name}${c.code ? ` (${c.code})` : ''}`] as const)}
            />
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
