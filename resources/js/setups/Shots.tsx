import { Trash2 } from 'lucide-react';
import type { Draft, Schemas, SetupState } from '../api/client';
import { measure, useDeed } from '../api/hooks';
import { Button } from '../parts/Button';
import { AngleFigure, Length, Sided } from '../parts/Figure';
import { NextStep } from '../parts/NextStep';
import { Failure } from '../parts/Notice';
import type { StageProps } from '../stage/stages';
import { CancelMeasuring } from './AimAt';
import { type ShotBody, shotBodies } from './sightBodies';

interface Props extends StageProps {
    draft: SetupState['draft'];
    /** the line or mark that is shot at */
    line: string;
    /** null where nothing more is wanted: a shot is taken again after it is dropped */
    verb: string | null;
    /** how each shot agrees with its line, by observation */
    residuals?: ReadonlyMap<number, Schemas['ShotResidual']>;
    /** the reading of the shot that fits too badly */
    suspect?: number | null;
    primary: boolean;
    onChange: (part: Partial<Draft>) => Promise<unknown>;
}

/** Shots at a line, or at marks that are no control: where the pole is now. */
export function Shots({ project, draft, line, verb, residuals, suspect, primary, onChange }: Props) {
    const shoot = useDeed(project.id, () => measure(project.id, { purpose: 'setup', sighted: line, keepIn: 'shot' }));
    const change = (id: number, part: Partial<ShotBody> | null) =>
        void onChange({
            shots: shotBodies(draft).flatMap((s) => (s.observationId !== id ? [s] : part === null ? [] : [{ ...s, ...part }])),
        });
    const own = draft.shots.filter((s) => s.line === line);
    const button = shoot.isPending ? (
        <CancelMeasuring project={project.id} />
    ) : (
        <Button kind={primary ? 'primary' : 'plain'} className="min-h-16" onClick={() => shoot.mutate()}>
            {verb}
        </Button>
    );
    return (
        <div className="grid gap-1">
            {(shoot.isPending || verb !== null) && (primary ? <NextStep>{button}</NextStep> : button)}
            <Failure of={shoot.error} />
            {own.map((s, i) => (
                <div key={s.observationId} className="flex items-center gap-2 border-rule border-t text-sm">
                    <span className={`min-w-0 flex-1 ${s.used ? '' : 'text-quiet line-through'}`}>
                        {i + 1}: Hz <AngleFigure of={s.circle} />, horizontal distance <Length of={s.distance} />
                        <OffLine of={residuals?.get(s.observationId)} suspected={s.observationId === suspect} />
                    </span>
                    <Button
                        aria-label={`${s.used ? 'Leave out' : 'Use'} shot ${i + 1} on ${line}`}
                        onClick={() => change(s.observationId, { used: !s.used })}
                    >
                        {s.used ? 'used' : 'left out'}
                    </Button>
                    <Button
                        kind="bare"
                        aria-label={`Drop shot ${i + 1} on ${line}`}
                        onClick={() => change(s.observationId, null)}
                        icon={<Trash2 />}
                    />
                </div>
            ))}
        </div>
    );
}

function OffLine({ of: r, suspected }: { of: Schemas['ShotResidual'] | undefined; suspected: boolean }) {
    return (
        r && (
            <>
                , <Sided of={r.offset} side="across" /> of its line
                {suspected && (
                    <span className="font-semibold text-out">
                        {' '}
                        ▲ {r.reliability?.normalised?.toFixed(1)} times its deviation: measure it again
                    </span>
                )}
            </>
        )
    );
}
