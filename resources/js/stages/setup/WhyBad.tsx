import type { ControlPoint, Draft, Schemas, SetupState } from '../../api/client';
import { Button } from '../../parts/Button';
import { Notice } from '../../parts/Notice';

type Explanation = Schemas['ExplanationResource'];
type SightBody = NonNullable<Draft['sights']>[number];

/** Others are shown while they explain the readings nearly as well as the first. */
const NEARLY = 12;

/** Why the sights don’t fit: the cause that explains it best, what to do, and a remedy at one touch where there is one. */
export function WhyBad({
    explanations,
    draft,
    control,
    onSights,
}: {
    explanations: Explanation[];
    draft: SetupState['draft'];
    control: ControlPoint[];
    onSights: (sights: SightBody[]) => void;
}) {
    const [best, ...others] = explanations;
    if (!best) {
        return (
            <Notice kind="error">
                The sights don’t fit each other, and none of the usual causes explains it. Measure them again, one after another, and look
                at the marks, the pole and the tripod.
            </Notice>
        );
    }
    const next = others[0];
    const close = others.filter((e) => e.behind < NEARLY);
    return (
        <section className="grid gap-2 border-2 border-out p-3" aria-label="Why the sights do not fit">
            <h2 className="font-semibold">Why the sights don’t fit</h2>
            <p>{best.sentence}</p>
            <p className="text-quiet">{best.remedy}</p>
            <p className="text-sm text-quiet">
                Mended so, the residuals are {best.fit.toFixed(1)} times what the instrument’s accuracy explains
                {next
                    ? `; the next best cause explains the readings worse by ${next.behind.toFixed(0)} (weighted squares).`
                    : '. No other usual cause explains them.'}
            </p>
            <Remedies of={best} draft={draft} control={control} onSights={onSights} />
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

function Remedies({
    of: { cause, sights },
    draft,
    control,
    onSights,
}: {
    of: Explanation;
    draft: SetupState['draft'];
    control: ControlPoint[];
    onSights: (sights: SightBody[]) => void;
}) {
    const bodies: SightBody[] = draft.sights.map(({ controlId, observationId, used }) => ({ controlId, observationId, used }));
    const idOf = (name?: string) => control.find((c) => c.name === name)?.id;
    const [first, second] = [idOf(sights[0]), idOf(sights[1])];
    if (first === undefined) {
        return null;
    }
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
            {cause !== 'tripodMoved' && cause !== 'namesExchanged' && (
                <Button onClick={() => onSights(bodies.map((b) => (b.controlId === first ? { ...b, used: false } : b)))}>
                    Leave {sights[0]} out
                </Button>
            )}
        </div>
    );
}
