import type { Draft, SetupState } from '../api/client';
import { CheckBox } from '../parts/CheckBox';
import { AngleField, LengthField } from '../parts/Field';
import { Deviation, Length } from '../parts/Figure';
import type { StageProps } from '../stage/stages';
import { MendedMarks } from './Mended';
import { Shots } from './Shots';

interface Props extends StageProps {
    state: SetupState;
    onChange: (part: Partial<Draft>) => Promise<unknown>;
}

/** A direction that is given, to whatever mark. */
export function GivenDirection(props: Props) {
    const { state, onChange } = props;
    return (
        <section className="grid gap-2" aria-label="Given direction">
            <AngleField
                label="Direction from here to the mark"
                value={state.draft.azimuth}
                direction
                onValue={(azimuth) => azimuth !== null && void onChange({ azimuth })}
                hint="0 is the north of an assumed grid"
            />
            <Shots
                {...props}
                draft={state.draft}
                line="direction"
                verb="Measure the mark"
                primary={state.draft.shots.length === 0}
                onChange={onChange}
            />
        </section>
    );
}

/** Two marks from an assumed place: their line gets the direction it should have. */
export function BaselineSetup(props: Props) {
    const { state, onChange } = props;
    const d = state.draft;
    const count = d.shots.length;
    return (
        <section className="grid gap-2" aria-label="Baseline">
            <div className="grid grid-cols-2 gap-3">
                <LengthField
                    label="Assumed northing"
                    value={d.assumedNorthing}
                    onValue={(m) => m !== null && void onChange({ assumedNorthing: m })}
                />
                <LengthField
                    label="Assumed easting"
                    value={d.assumedEasting}
                    onValue={(m) => m !== null && void onChange({ assumedEasting: m })}
                />
                <LengthField
                    label="Assumed elevation"
                    value={d.assumedElevation}
                    onValue={(m) => m !== null && void onChange({ assumedElevation: m })}
                />
                <LengthField
                    label="Length by the design"
                    value={d.length === 0 ? null : d.length}
                    onValue={(m) => void onChange({ length: m ?? 0 })}
                    optional
                    hint="empty: not compared"
                />
                <div className="col-span-2">
                    <AngleField
                        label="Direction from the first mark to the second"
                        value={d.azimuth}
                        direction
                        onValue={(azimuth) => azimuth !== null && void onChange({ azimuth })}
                    />
                </div>
            </div>
            <Shots
                {...props}
                draft={d}
                line="baseline"
                verb={['Measure the first mark', 'Measure the second mark'][count] ?? null}
                primary={count < 2}
                onChange={onChange}
            />
            {state.baselineLength !== null && (
                <p>
                    The marks lie <Length of={state.baselineLength} /> apart
                    {d.length > 0 && (
                        <>
                            , <Deviation of={Math.abs(state.baselineLength - d.length)} />{' '}
                            {state.baselineLength > d.length ? 'more' : 'less'} than the design has
                        </>
                    )}
                    .
                </p>
            )}
            {state.turned && state.turned.markCount > 0 && (
                <>
                    <CheckBox
                        label={
                            <span>
                                Turn the {state.turned.markCount} {state.turned.markCount === 1 ? 'mark' : 'marks'} measured from here
                                before with it: they move by <Deviation of={state.turned.largest} /> at most
                            </span>
                        }
                        checked={d.turnEarlier}
                        onChecked={(turnEarlier) => void onChange({ turnEarlier })}
                    />
                    <MendedMarks mended={state.turned} />
                </>
            )}
        </section>
    );
}
