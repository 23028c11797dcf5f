import type { Schemas } from '../api/client';
import { CheckBox } from '../parts/CheckBox';
import { AngleFigure, Coordinates, Deviation, Direction, Length } from '../parts/Figure';
import { useUnits } from '../units/UnitsContext';

export type Made = Schemas['MadeResource'];
export type Kept = { letter: string; index: number };

const MOST_LISTED = 60;

/** What was worked out: each solution with its figures and places, kept or not. */
export function Solutions({
    made,
    kept,
    onKept,
    choosable,
}: {
    made: Made;
    kept: ReadonlySet<string>;
    onKept: (keys: string[], on: boolean) => void;
    choosable: boolean;
}) {
    const several = made.solutions.length > 1;
    return (
        <section className="grid gap-3" aria-label="Result">
            {made.solutions.map((s) => (
                <div key={s.letter} className="border-t border-rule pt-2">
                    {several && (
                        <div className="font-semibold">
                            {s.letter} <span className="font-normal text-quiet">{s.word}</span>
                        </div>
                    )}
                    <dl className="grid grid-cols-[auto_1fr] gap-x-4">
                        {s.figures.map((f) => (
                            <div key={f.word} className="contents">
                                <dt className="text-quiet">{f.word}</dt>
                                <dd className="text-right">
                                    <Worded figure={f} />
                                </dd>
                            </div>
                        ))}
                    </dl>
                    {s.places.slice(0, MOST_LISTED).map((p, index) => {
                        const key = keyOf(s.letter, index);
                        return choosable ? (
                            <CheckBox
                                key={key}
                                checked={kept.has(key)}
                                onChecked={(on) => onKept([key], on)}
                                label={<PlaceWords letter={several ? s.letter : ''} place={p} />}
                            />
                        ) : (
                            <PlaceWords key={key} letter={several ? s.letter : ''} place={p} />
                        );
                    })}
                    {s.places.length > MOST_LISTED && <p className="text-quiet">and {s.places.length - MOST_LISTED} more</p>}
                </div>
            ))}
        </section>
    );
}

export const keyOf = (letter: string, index: number) => `${letter}.${index}`;

function PlaceWords({ letter, place }: { letter: string; place: Schemas['MadePlaceResource'] }) {
    return (
        <span className="grid">
            <span>
                {[letter, place.word].filter(Boolean).join(' ')}
                {place.standsAs !== null && <span className="text-open"> stands already, as {place.standsAs}</span>}
            </span>
            <span className="text-sm">
                <Coordinates {...place} />
            </span>
        </span>
    );
}

/** A figure with its unit. */
function Worded({ figure }: { figure: Schemas['FigureResource'] }) {
    const { kind, value } = figure;
    switch (kind) {
        case 'length':
            return <Length of={value} />;
        case 'deviation':
            return <Deviation of={value} />;
        case 'direction':
            return <Direction of={value} />;
        case 'angle':
            return <AngleFigure of={value} />;
        case 'area':
            return <Area of={value} />;
        case 'grade':
            return <span className="figure">{value === null ? 'upright' : `${(100 * value).toFixed(3)} %`}</span>;
        default:
            return <span className="figure">{value}</span>;
    }
}

const FOOT = 0.3048;
const US_FOOT = 1200 / 3937;

function Area({ of }: { of: number | null }) {
    const { length } = useUnits();
    const metric = length === 'm' || length === 'mm';
    const foot = length === 'usft' ? US_FOOT : FOOT;
    return (
        <span className="figure">
            {of === null
                ? 'none'
                : metric
                  ? `${of.toFixed(3)} m²`
                  : `${(of / foot ** 2).toFixed(2)} sq ft${length === 'usft' ? ' US' : ''}`}
        </span>
    );
}
