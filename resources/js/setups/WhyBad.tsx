import type { ReactNode } from 'react';
import { api, ask, type ControlPoint, type Draft, type Schemas, type SetupState } from '../api/client';
import { measure, turnTo, useDeed } from '../api/hooks';
import { Button } from '../parts/Button';
import { Length } from '../parts/Figure';
import { NextStep } from '../parts/NextStep';
import { Failure, Notice } from '../parts/Notice';
import { type SightBody, sightBodies } from './sightBodies';

type Explanation = Schemas['ExplanationEntry'];

/** Others are shown while they explain the readings nearly as well as the first. */
const NEARLY = 12;

/** What is mended in the setup itself, not in a reading. */
const UNDER_TRIPOD = new Set<Explanation['cause']>(['instrumentHeight', 'heightOtherwise', 'anotherStation', 'stationShifted']);

/** What another reading would not change, or what is mended for all at once. */
const NOT_AGAIN = new Set<Explanation['cause']>([...UNDER_TRIPOD, 'anotherMark', 'namesExchanged', 'tripodMoved']);

const subject = (draft: SetupState['draft']) =>
    draft.sights.length > 1 ? 'The sights don’t fit each other,' : 'The backsight doesn’t fit,';

interface Props {
    project: number;
    draft: SetupState['draft'];
    control: ControlPoint[];
    onChange: (part: Partial<Draft>) => void;
}

/** Why the sights don’t fit: the cause that explains it best, what to do, and a remedy at one touch where there is one. */
export function WhyBad({ explanations, ...props }: Props & { explanations: Explanation[] }) {
    const { draft } = props;
    const [best, ...others] = explanations;
    if (!best) {
        return (
            <Notice kind="error">
                {subject(draft)} and none of the usual causes explains it. Measure them again, one after another, and look at the control
                points, the pole and the tripod.
            </Notice>
        );
    }
    const level = others.filter((e) => e.level);
    const next = others[level.length];
    const close = others.filter((e) => !e.level && e.behind < NEARLY);
    return (
        <section className="grid gap-2 border-2 border-out p-3" aria-label="Why the sights do not fit">
            <NextStep as="says">
                <p className="font-semibold text-out">▲ {best.sentence}</p>
            </NextStep>
            <h2 className="font-semibold">Why the {draft.sights.length > 1 ? 'sights don’t' : 'backsight doesn’t'} fit</h2>
            {best.decides && (
                <p>
                    These readings can’t tell {level.length + 1} causes apart. {best.decides}
                </p>
            )}
            <p>{best.sentence}</p>
            <p className="text-quiet">{best.remedy}</p>
            {level.map((e) => (
                <div key={e.sentence} className="border-t border-rule pt-1">
                    <p>Or: {e.sentence}</p>
                    <p className="text-quiet">{e.remedy}</p>
                </div>
            ))}
            <p className="text-sm text-quiet">
                Mended so, the residuals are {best.unitWeightDeviation.toFixed(1)} times what the instrument’s accuracy explains
                {next
                    ? `; the next best cause explains the readings worse by ${next.behind.toFixed(0)} (weighted squares).`
                    : '. No other usual cause explains them.'}
            </p>
            <Remedies {...props} of={best} />
            {close.length > 0 && (
                <details>
                    <summary className="min-h-12 cursor-pointer content-center">It might also be</summary>
                    <ul className="grid gap-2">
                        {close.map((e) => (
                            <li key={e.sentence} className="border-t border-rule pt-1">
                                {e.sentence} <span className="text-quiet">{e.remedy}</span>
                            </li>
                        ))}
                    </ul>
                </details>
            )}
        </section>
    );
}

interface Remedy {
    key: string;
    label: ReactNode;
    busy: boolean;
    act: () => void;
}

/** What mends it, the least change first: that one is the next step, the others stand here. */
function Remedies(props: Props & { of: Explanation }) {
    const again = useAgain(props);
    const mend = useMend(props);
    const [first, ...others] = [...again.remedies, ...mend.remedies, ...remediesOfTripod(props), ...remediesOfSight(props)];
    return (
        <>
            {first && (
                <NextStep>
                    <Button kind="primary" busy={first.busy} onClick={first.act}>
                        {first.label}
                    </Button>
                </NextStep>
            )}
            {others.length > 0 && (
                <div className="flex flex-wrap gap-2">
                    {others.map((r) => (
                        <Button key={r.key} busy={r.busy} onClick={r.act}>
                            {r.label}
                        </Button>
                    ))}
                </div>
            )}
            <Failure of={again.error ?? mend.error} />
        </>
    );
}

/** The least change of all: the same sight once more; its reading takes the old one's place. */
function useAgain({ project, of: { cause, sights }, draft }: Props & { of: Explanation }) {
    const turn = useDeed(project, (controlId: number) => turnTo(project, { controlId }));
    const shoot = useDeed(project, (controlId: number) => measure(project, { purpose: 'setup', controlId, keepIn: 'sight' }));
    const wrong = NOT_AGAIN.has(cause) ? [] : draft.sights.filter((s) => sights.includes(s.name));
    const remedies = [
        ...wrong.map(
            (s): Remedy => ({
                key: `again ${s.name}`,
                label: `Measure ${s.name} again`,
                busy: shoot.isPending,
                act: () => shoot.mutate(s.controlId),
            }),
        ),
        ...wrong.map(
            (s): Remedy => ({
                key: `turn ${s.name}`,
                label: `Turn to ${s.name}`,
                busy: turn.isPending,
                act: () => turn.mutate(s.controlId),
            }),
        ),
    ];
    return { remedies, error: turn.error ?? shoot.error };
}

function remediesOfSight({ of: { cause, sights }, draft, control, onChange }: Props & { of: Explanation }): Remedy[] {
    const bodies = sightBodies(draft);
    const idOf = (name?: string) => control.find((c) => c.name === name)?.id;
    const [first, second] = [idOf(sights[0]), idOf(sights[1])];
    if (first === undefined || UNDER_TRIPOD.has(cause) || !draft.sights.some((s) => s.controlId === first)) {
        return [];
    }
    const renamed = (names: Map<number, number>) => () =>
        onChange({ sights: bodies.map((b) => ({ ...b, controlId: names.get(b.controlId) ?? b.controlId })) });
    // What is right of a sight stays in.
    const [without, word]: [Partial<SightBody>, string] =
        cause === 'height'
            ? [{ height: false }, '']
            : cause === 'misread'
              ? [{ direction: false }, '’s direction']
              : cause === 'reflection'
                ? [{ distance: false }, '’s distance']
                : [{ plan: false, height: false }, ''];
    const remedies: Remedy[] = [];
    if (cause === 'tripodMoved') {
        remedies.push({ key: 'anew', label: 'Sight all anew', busy: false, act: () => onChange({ sights: [] }) });
    }
    if (cause === 'anotherMark' && second !== undefined) {
        remedies.push({ key: 'name', label: `Call the sight ${sights[1]}`, busy: false, act: renamed(new Map([[first, second]])) });
    }
    if (cause === 'namesExchanged' && second !== undefined) {
        const names = new Map([
            [first, second],
            [second, first],
        ]);
        remedies.push({ key: 'exchange', label: 'Exchange both sights', busy: false, act: renamed(names) });
    }
    if (cause !== 'tripodMoved' && cause !== 'namesExchanged' && cause !== 'twoSights') {
        remedies.push({
            key: 'out',
            label: `Leave ${sights[0]}${cause === 'height' ? ' out for height' : `${word} out`}`,
            busy: false,
            act: () => onChange({ sights: bodies.map((b) => (b.controlId === first ? { ...b, ...without } : b)) }),
        });
    }
    return remedies;
}

/** What mends the mark under the tripod, or its height. */
function remediesOfTripod({ of: { cause, sights, value }, draft, control, onChange }: Props & { of: Explanation }): Remedy[] {
    const station = control.find((c) => c.name === sights[0]);
    const height = draft.instrumentHeight + (value ?? 0);
    const remedy = (label: ReactNode, part: Partial<Draft>): Remedy[] => [{ key: 'tripod', label, busy: false, act: () => onChange(part) }];
    if (cause === 'anotherStation' && station) {
        return remedy(`It stands on ${station.name}`, { stationControlId: station.id });
    }
    if (cause === 'heightOtherwise') {
        return draft.heightMode === 'straight'
            ? remedy(
                  <span>
                      It was slanted: <Length of={height} /> straight
                  </span>,
                  { heightMode: 'slanted', slantedHeight: draft.instrumentHeight },
              )
            : remedy('It was straight', { heightMode: 'straight', instrumentHeight: height });
    }
    return cause === 'instrumentHeight'
        ? remedy(
              <span>
                  The tape says <Length of={height} />: mend the instrument height
              </span>,
              { heightMode: 'straight', instrumentHeight: height },
          )
        : [];
}

/** The figure that would mend it, at one touch: the reading stays as it is, and the note goes into the field book. */
function useMend({ project, of: { cause, sights, value }, draft }: Props & { of: Explanation }) {
    const wrong = draft.sights.filter((s) => sights.length === 0 || s.name === sights[0]);
    const mend = useDeed(project, async (by: number) => {
        for (const s of wrong) {
            await ask(
                api.POST('/api/v1/projects/{project}/corrections', {
                    params: { path: { project } },
                    body: {
                        observationId: s.observationId,
                        targetHeight: s.targetHeight + (cause === 'height' ? by : 0),
                        prismConstant: s.prismConstant + (cause === 'height' ? 0 : by),
                        note: 'found by the residuals of the setup',
                    },
                }),
            );
        }
    });
    const [first] = wrong;
    if (value == null || !first || UNDER_TRIPOD.has(cause)) {
        return { remedies: [], error: mend.error };
    }
    const label =
        cause === 'height' ? (
            <span>
                The target of {first.name} was at <Length of={first.targetHeight + value} />: mend it
            </span>
        ) : (
            <span>
                The constant {sights.length === 0 ? 'of all' : `of ${first.name}`} was{' '}
                <span className="figure">{(1000 * (first.prismConstant + value)).toFixed(1)} mm</span>: mend it
            </span>
        );
    return { remedies: [{ key: 'mend', label, busy: mend.isPending, act: () => mend.mutate(value) }], error: mend.error };
}
