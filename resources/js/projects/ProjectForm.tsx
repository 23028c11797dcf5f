import { useId, useState } from 'react';
import type { Project, Units } from '../api/client';
import { Button } from '../parts/Button';
import { Choice, LengthField, TextField } from '../parts/Field';
import { NextStep } from '../parts/NextStep';
import { Failure } from '../parts/Notice';
import { UnitsContext } from '../units/UnitsContext';
import { NEW, type Settings, settingsOf } from './settings';

interface Props {
    project?: Project;
    submit: string;
    onSubmit: (values: Settings) => Promise<void>;
    onCancel: () => void;
}

/** Rules by which a mark counts as in; what is asked for in words, for it is one of few. */
const RULES: [string, string][] = [
    ['simple', 'by its measured figure'],
    ['0.9', 'where it is so with 90 % or more'],
    ['0.95', 'where it is so with 95 % or more'],
    ['0.99', 'where it is so with 99 % or more'],
];

/** Out of plumb by one in so many at most: those that are asked for most. Common practice, no source. */
const PLUMB = [200, 300, 400, 500, 600, 750, 1000];

/** Name, units and tolerances. Units change what is shown and nothing else. */
export function ProjectForm({ project, submit, onSubmit, onCancel }: Props) {
    const form = useId();
    const [values, setValues] = useState<Settings>(project ?? NEW);
    const [failure, setFailure] = useState<Error | null>(null);
    const [busy, setBusy] = useState(false);
    const rule = values.acceptance === 'simple' ? 'simple' : String(values.acceptanceLevel);
    const unit = (change: Partial<Units>) => setValues({ ...values, units: { ...values.units, ...change } });
    const send = async () => {
        setBusy(true);
        setFailure(null);
        try {
            await onSubmit(settingsOf(values));
        } catch (e) {
            setFailure(e as Error);
        }
        setBusy(false);
    };
    return (
        <form
            id={form}
            className="grid gap-3"
            onSubmit={(e) => {
                e.preventDefault();
                void send();
            }}
        >
            <TextField label="Name of the project" value={values.name} onValue={(name) => setValues({ ...values, name })} autoFocus />
            <div className="grid grid-cols-1 gap-3 sm:grid-cols-2">
                <Choice
                    label="Lengths"
                    value={values.units.length}
                    onValue={(length) => unit({ length })}
                    options={[
                        ['m', 'metres, 12.345 m'],
                        ['mm', 'millimetres, 12345 mm'],
                        ['ft', 'international feet, 40.502 ft'],
                        ['usft', 'US survey feet, 40.502 ft US'],
                        ['ftin8', 'feet and inches to 1/8"'],
                        ['ftin16', 'feet and inches to 1/16"'],
                        ['ftin32', 'feet and inches to 1/32"'],
                    ]}
                />
                <Choice
                    label="Angles"
                    value={values.units.angle}
                    onValue={(angle) => unit({ angle })}
                    options={[
                        ['dms', 'degrees, minutes, seconds'],
                        ['deg', 'decimal degrees'],
                        ['gon', 'gon'],
                    ]}
                />
                <Choice
                    label="Directions"
                    value={values.units.direction}
                    onValue={(direction) => unit({ direction })}
                    options={[
                        ['azimuth', 'azimuth from north'],
                        ['bearing', 'quadrant bearing, N 45° E'],
                    ]}
                />
                <Choice
                    label="Order of coordinates"
                    value={values.units.order}
                    onValue={(order) => unit({ order })}
                    options={[
                        ['NE', 'northing, easting'],
                        ['EN', 'easting, northing'],
                    ]}
                />
                <Choice
                    label="Stations"
                    value={values.units.station}
                    onValue={(station) => unit({ station })}
                    options={[
                        ['1+000', '1+234.567'],
                        ['1+00', '12+34.56'],
                    ]}
                />
            </div>
            <UnitsContext value={values.units}>
                <div className="grid grid-cols-2 gap-3">
                    <LengthField
                        label="Tolerance in plan"
                        value={values.planTolerance}
                        onValue={(m) => m !== null && setValues({ ...values, planTolerance: m })}
                    />
                    <LengthField
                        label="Tolerance in height"
                        value={values.heightTolerance}
                        onValue={(m) => m !== null && setValues({ ...values, heightTolerance: m })}
                    />
                    <LengthField
                        label="Tolerance above, if other"
                        value={values.aboveTolerance}
                        onValue={(aboveTolerance) => setValues({ ...values, aboveTolerance })}
                        optional
                        hint="0: nothing may stand too high"
                    />
                    <Choice
                        label="Out of plumb"
                        value={values.plumbOneIn === null ? '' : String(values.plumbOneIn)}
                        onValue={(v) => setValues({ ...values, plumbOneIn: v === '' ? null : Number(v) })}
                        options={[
                            ['', 'only told'],
                            ...[...new Set([...PLUMB, ...(values.plumbOneIn === null ? [] : [values.plumbOneIn])])]
                                .sort((a, b) => a - b)
                                .map((n): [string, string] => [String(n), `1 in ${n} at most`]),
                        ]}
                        hint="of faces and axes that are built"
                    />
                    <LengthField
                        label="A face is flat within"
                        value={values.flatTolerance}
                        onValue={(flatTolerance) => setValues({ ...values, flatTolerance })}
                        optional
                        hint="empty: only told"
                    />
                    <LengthField
                        label="Accepted residual of a setup"
                        value={values.residualLimit}
                        onValue={(residualLimit) => setValues({ ...values, residualLimit })}
                        optional
                        hint="empty: the statistical test alone"
                    />
                    <Choice
                        label="A mark is in"
                        value={rule}
                        onValue={(r) =>
                            setValues({
                                ...values,
                                acceptance: r === 'simple' ? 'simple' : 'guarded',
                                acceptanceLevel: r === 'simple' ? values.acceptanceLevel : Number(r),
                            })
                        }
                        options={
                            RULES.some(([r]) => r === rule)
                                ? RULES
                                : [...RULES, [rule, `where it is so with ${100 * values.acceptanceLevel} % or more`]]
                        }
                        hint="its uncertainty stands beside it in either case"
                    />
                </div>
            </UnitsContext>
            <Failure of={failure} />
            <NextStep as="second">
                <Button className="min-h-16" onClick={onCancel}>
                    Cancel
                </Button>
            </NextStep>
            <NextStep>
                <Button kind="primary" type="submit" form={form} busy={busy}>
                    {submit}
                </Button>
            </NextStep>
        </form>
    );
}
