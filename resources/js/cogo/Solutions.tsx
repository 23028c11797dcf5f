import type { Schemas } from '../api/client';
import { Button } from '../parts/Button';
import { CheckBox } from '../parts/CheckBox';
import { AngleFigure, Coordinates, Deviation, Direction, Length } from '../parts/Figure';
import { useUnits } from '../units/UnitsContext';

export type Made = Schemas['MadeResource'];
export type Kept = { letter: string; index: number };

const MOST_LISTED = 60;

interface Props {
    made: Made;
    kept: ReadonlySet<string>;
    onKept: (keys: string[]) => void;
}

/** In the bar: the figures, the one place, or a button for each of several solutions. */
export function Outcome({ made, kept, onKept, figuresOnly }: Props & { figuresOnly: boolean }) {
    const { solutions } = made;
    const [first] = solutions;
    if (figuresOnly) {
        return (
            <section aria-label="Result" className="grid gap-2">
                {solutions.map((s) => (
                    <div key={s.letter}>
                        {solutions.length > 1 && (
                            <div className="font-semibold">
                                {s.letter} <span className="font-normal text-quiet">{s.word}</span>
                            </div>
                        )}
                        <Figures of={s.figures} />
                        {s.places.map((p, i) => (
                            <PlaceWords key={keyOf(s.letter, i)} letter="" place={p} />
                        ))}
                    </div>
                ))}
            </section>
        );
    }
    if (solutions.length > 1 && solutions.every((s) => s.places.length === 1)) {
        return (
            <fieldset className="flex flex-wrap gap-2" aria-label="Which solution">
                {solutions.map((s) => (
                    <Button key={s.letter} pressed={kept.has(keyOf(s.letter, 0))} onClick={() => onKept([keyOf(s.letter, 0)])}>
                        {s.letter}, {s.word}
                    </Button>
                ))}
            </fieldset>
        );
    }
    const places = solutions.flatMap((s) => s.places);
    const [one] = places;
    const standing = places.filter((p) => p.standsAs !== null).length;
    return one && places.length === 1 ? (
        <PlaceWords letter="" place={one} />
    ) : (
        <p>
            {first && places.length > 0 && `${places.length} places`}
            {standing > 0 && `, of which ${standing} stand already`}
        </p>
    );
}

/** What was worked out: each solution with its figures and places, kept or not. */
export function Solutions({ made, kept, onKept }: Props) {
    const several = made.solutions.length > 1;
    return (
        <section className="grid gap-3" aria-label="What was worked out">
            {made.solutions.map((s) => (
                <div key={s.letter} className="border-t border-rule pt-2">
                    {several && (
                        <div className="font-semibold">
                            {s.letter} <span className="font-normal text-quiet">{s.word}</span>
                        </div>
                    )}
                    <Figures of={s.figures} />
                    {s.places.slice(0, MOST_LISTED).map((p, index) => {
                        const key = keyOf(s.letter, index);
                        return (
                            <CheckBox
                                key={key}
                                checked={kept.has(key)}
                                onChecked={() => onKept([key])}
                                label={<PlaceWords letter={several ? s.letter : ''} place={p} />}
                            />
                        );
                    })}
                    {s.places.length > MOST_LISTED && <p className="text-quiet">and {s.places.length - MOST_LISTED} more</p>}
                </div>
            ))}
        </section>
    );
}

const Figures = ({ of }: { of: Schemas['FigureResource'][] }) => (
    <dl className="grid grid-cols-[auto_1fr] gap-x-4">
        {of.map((f) => (
            <div key={f.word} className="contents">
                <dt className="text-quiet">{f.word}</dt>
                <dd className="text-right">
                    <Worded figure={f} />
                </dd>
            </div>
        ))}
    </dl>
);

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
