import { useEffect, useState } from 'react';
import type { ControlPoint, Draft, Project, SetupState } from '../api/client';
import { Button } from '../parts/Button';
import { Length } from '../parts/Figure';
import { Conditions } from './Conditions';
import { Methods, methodName } from './Methods';

interface Props {
    project: Project;
    state: SetupState;
    control: ControlPoint[];
    /** what the instrument reads, hectopascal; null where it has none */
    barometer: number | null;
    onChange: (part: Partial<Draft>) => void;
}

/** How and with what the instrument is set up: open until something is measured, and one line from then on. */
export function Settled({ project, state, control, barometer, onChange }: Props) {
    const { draft } = state;
    const begun = draft.sights.length + draft.shots.length > 0;
    const [opened, setOpened] = useState(false);
    // What nobody has told yet stays in view; told, it is left open for whoever is typing it.
    const untold = draft.heightDue || draft.targetDue;
    useEffect(() => {
        if (begun && untold) {
            setOpened(true);
        }
    }, [begun, untold]);
    const stands = control.find((c) => c.id === draft.stationControlId);
    return (
        <section className="grid gap-3" aria-label="How and with what">
            {begun && (
                <div className="flex items-center gap-2">
                    <p className="min-w-0 flex-1 text-sm">
                        <span className="font-semibold">{methodName(draft.method)}</span>
                        {stands && ` on ${stands.name}`} · axis <Length of={draft.instrumentHeight} /> · target{' '}
                        <Length of={draft.targetHeight} /> · <span className="figure">{draft.ppm.toFixed(1)} ppm</span>
                    </p>
                    <Button aria-expanded={opened} onClick={() => setOpened(!opened)}>
                        {opened ? 'Done' : 'Change'}
                    </Button>
                </div>
            )}
            {(!begun || opened) && (
                <>
                    <Methods method={draft.method} again={state.current !== null} onChange={onChange} />
                    <Conditions project={project} draft={draft} control={control} barometer={barometer} onChange={onChange} />
                </>
            )}
        </section>
    );
}
