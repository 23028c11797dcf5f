import { api, ask, type ControlPoint, type Draft, type Schemas, type SetupState } from '../api/client';
import { measure, turnTo, useDeed } from '../api/hooks';
import { Button } from '../parts/Button';
import { Length } from '../parts/Figure';
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
    draft: SetupState['draft'];
    control: ControlPoint[];
    onChange: (part: Partial<Draft>) => void;
}

/** Why the sights don’t fit: the cause that explains it best, what to do, and a remedy at one touch where there is one. */
export function WhyBad({ project, explanations, draft, control, onChange }: Props & { project: number; explanations: Explanation[] }) {
    const [best, ...others] = explanations;
    if (!best) {
        return (
            <Notice kind="error">
                {subject(draft)} and none of the usual causes explains it. Measure them again, one after another, and look at the marks, the
                pole and the tripod.
            </Notice>
        );
    }
    const level = others.filter((e) => e.level);
    const next = others[level.length];
    const close = others.filter((e) => !e.level && e.behind < NEARLY);
    return (
        <section className="grid gap-2 border-2 border-out p-3" aria-label="Why the sights do not fit">
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
            <Again project={project} of={best} draft={draft} />
            <Mend project={project} of={best} draft={draft} />
            <Remedies of={best} draft={draft} control={control} onChange={onChange} />
            <TripodRemedies of={best} draft={draft} control={control} onChange={onChange} />
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

/** The least change of all: the same sight once more; its reading takes the old one's place. */
function Again({ project, of: { cause, sights }, draft }: { project: number; of: Explanation; draft: SetupState['draft'] }) {
    const turn = useDeed(project, (controlId: number) => turnTo(project, { controlId }));
    const shoot = useDeed(project, (controlId: number) => measure(project, { purpose: 'setup', controlId, keepIn: 'sight' }));
    const wrong = NOT_AGAIN.has(cause) ? [] : draft.sights.filter((s) => sights.includes(s.name));
    return (
        <>
            {wrong.map((s) => (
                <div key={s.controlId} className="flex flex-wrap gap-2">
                    <Button busy={turn.isPending} onClick={() => turn.mutate(s.controlId)}>
                        Turn to {s.name}
                    </Button>
                    <Button busy={shoot.isPending} onClick={() => shoot.mutate(s.controlId)}>
                        Measure {s.name} again
                    </Button>
                </div>
            ))}
            <Failure of={turn.error ?? shoot.error} />
        </>
    );
}

function Remedies({ of: { cause, sights }, draft, control, onChange }: Props & { of: Explanation }) {
    const bodies = sightBodies(draft);
    const idOf = (name?: string) => control.find((c) => c.name === name)?.id;
    const [first, second] = [idOf(sights[0]), idOf(sights[1])];
    const onSights = (changed: SightBody[]) => onChange({ sights: changed });
    if (first === undefined || UNDER_TRIPOD.has(cause) || !draft.sights.some((s) => s.controlId === first)) {
        return null;
    }
    // What is right of a sight stays in.
    const [without, word]: [Partial<SightBody>, string] =
        cause === 'height'
            ? [{ height: false }, '']
            : cause === 'misread'
              ? [{ direction: false }, '’s direction']
              : cause === 'reflection'
                ? [{ distance: false }, '’s distance']
                : [{ plan: false, height: false }, ''];
    const leave = (part: Partial<SightBody>) => onSights(bodies.map((b) => (b.controlId === first ? { ...b, ...part } : b)));
    return (
        <div className="flex flex-wrap gap-2">
            {cause === 'anotherMark' && second !== undefined && (
                <Button onClick={() => onSights(bodies.map((b) => (b.controlId === first ? { ...b, controlId: second } : b)))}>
                    Call the sight {sights[1]}
                </Button>
            )}
            {cause === 'namesExchanged' && second !== undefined && (
                <Button
                    onClick={() =>
                        onSights(
                            bodies.map((b) =>
                                b.controlId === first
                                    ? { ...b, controlId: second }
                                    : b.controlId === second
                                      ? { ...b, controlId: first }
                                      : b,
                            ),
                        )
                    }
                >
                    Exchange both sights
                </Button>
            )}
            {cause !== 'tripodMoved' && cause !== 'namesExchanged' && cause !== 'twoSights' && (
                <Button onClick={() => leave(without)}>
                    Leave {sights[0]}
                    {cause === 'height' ? ' out for height' : `${word} out`}
                </Button>
            )}
        </div>
    );
}

/** What mends the mark under the tripod, or its height. */
function TripodRemedies({ of: { cause, sights, value }, draft, control, onChange }: Props & { of: Explanation }) {
    const station = control.find((c) => c.name === sights[0]);
    const height = draft.instrumentHeight + (value ?? 0);
    return (
        <>
            {cause === 'anotherStation' && station && (
                <Button onClick={() => onChange({ stationControlId: station.id })}>It stands on {station.name}</Button>
            )}
            {cause === 'heightOtherwise' && draft.heightMode === 'straight' && (
                <Button onClick={() => onChange({ heightMode: 'slanted', slantedHeight: draft.instrumentHeight })}>
                    <span>
                        It was slanted: <Length of={height} /> straight
                    </span>
                </Button>
            )}
            {cause === 'heightOtherwise' && draft.heightMode === 'slanted' && (
                <Button onClick={() => onChange({ heightMode: 'straight', instrumentHeight: height })}>It was straight</Button>
            )}
            {cause === 'instrumentHeight' && (
                <Button onClick={() => onChange({ heightMode: 'straight', instrumentHeight: height })}>
                    <span>
                        The tape says <Length of={height} />: mend the instrument height
                    </span>
                </Button>
            )}
        </>
    );
}

/** The figure that would mend it, at one touch: the reading stays as it is, and the note goes into the field book. */
function Mend({ project, of: { cause, sights, value }, draft }: { project: number; of: Explanation; draft: SetupState['draft'] }) {
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
        return null;
    }
    return (
        <>
            <Button busy={mend.isPending} onClick={() => mend.mutate(value)}>
                {cause === 'height' ? (
                    <span>
                        The target of {first.name} was at <Length of={first.targetHeight + value} />: mend it
                    </span>
                ) : (
                    <span>
                        The constant {sights.length === 0 ? 'of all' : `of ${first.name}`} was{' '}
                        <span className="figure">{(1000 * (first.prismConstant + value)).toFixed(1)} mm</span>: mend it
                    </span>
                )}
            </Button>
            <Failure of={mend.error} />
        </>
    );
}
