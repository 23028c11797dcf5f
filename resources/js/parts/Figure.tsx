import {
    formatAngle,
    formatDeviation,
    formatDirection,
    formatJudged,
    formatLength,
    formatSmallAngle,
    type Side,
    type SidedFigure,
    sidedAngle,
    sidedLength,
} from '../units/format';
import { useUnits } from '../units/UnitsContext';
import { allowedOf, type HeightTolerance } from './tolerance';

interface Of {
    of: number | null | undefined;
    /** what stands where there is none */
    none?: string;
}

/** A length in the project's unit, which it always carries. */
export function Length({ of, none = 'none' }: Of) {
    const units = useUnits();
    return <span className="figure">{of == null ? none : formatLength(of, units.length)}</span>;
}

/** Beside a verdict: what is allowed of the difference, so that one that is out is never written like one that is in. */
interface Judged {
    allowed?: number;
}

/** A small difference. */
export function Deviation({ of, none = 'not checked', allowed }: Of & Judged) {
    const { length } = useUnits();
    return (
        <span className="figure">
            {of == null ? none : allowed === undefined ? formatDeviation(of, length) : formatJudged(of, allowed, true, length)}
        </span>
    );
}

export function AngleFigure({ of, none = 'none' }: Of) {
    const units = useUnits();
    return <span className="figure">{of == null ? none : formatAngle(of, units.angle)}</span>;
}

export function SmallAngle({ of, none = 'not checked' }: Of) {
    const units = useUnits();
    return <span className="figure">{of == null ? none : formatSmallAngle(of, units.angle)}</span>;
}

/** A small difference with the side it lies on in a word. */
export function Sided({ of, side, none = 'not checked', allowed }: Of & Judged & { side: Side }) {
    const units = useUnits();
    return of == null ? <span className="figure">{none}</span> : <WithSide {...sidedLength(of, side, units.length, allowed)} />;
}

export function SidedAngle({ of, side, none = 'not checked' }: Of & { side: Side }) {
    const units = useUnits();
    return of == null ? <span className="figure">{none}</span> : <WithSide {...sidedAngle(of, side, units.angle)} />;
}

/** In a narrow table the word stands under its figure. */
const WithSide = ({ figure, word }: SidedFigure) => (
    <>
        <span className="figure">{figure}</span>
        {word && (
            <>
                {' '}
                <span className="side">{word}</span>
            </>
        )}
    </>
);

export function Direction({ of, none = 'none' }: Of) {
    const units = useUnits();
    return <span className="figure">{of == null ? none : formatDirection(of, units)}</span>;
}

interface Difference {
    northing: number;
    easting: number;
    plan: number;
    height: number | null;
}

/** What is allowed in height: either way, or up and down. */
export function HeightAllowed({ of }: { of: HeightTolerance }) {
    return of.aboveTolerance == null ? (
        <Deviation of={of.heightTolerance} />
    ) : (
        <>
            <Deviation of={of.aboveTolerance} /> up, <Deviation of={of.heightTolerance} /> down
        </>
    );
}

/** Where something lies, seen from where it should be, with what is allowed of it in plan and height. */
export function Against({ of: d, by }: { of: Difference; by: HeightTolerance & { planTolerance: number } }) {
    return (
        <>
            <Sided of={d.northing} side="northing" />, <Sided of={d.easting} side="easting" />, plan{' '}
            <Deviation of={d.plan} allowed={by.planTolerance} />, height{' '}
            <Sided of={d.height} side="height" allowed={allowedOf(by, d.height)} />
        </>
    );
}

/** Northing and easting in the project's order, each with its word; the elevation where it is given. */
export function Coordinates({ northing, easting, elevation }: { northing: number; easting: number; elevation?: number | null }) {
    const units = useUnits();
    const pair = [
        { word: 'N', value: northing },
        { word: 'E', value: easting },
    ];
    if (units.order === 'EN') {
        pair.reverse();
    }
    return (
        <span className="figure inline-flex flex-wrap gap-x-3">
            {pair.map((c) => (
                <span key={c.word}>
                    {c.word} {formatLength(c.value, units.length)}
                </span>
            ))}
            {elevation !== undefined && <span>{elevation === null ? 'no elevation' : `El ${formatLength(elevation, units.length)}`}</span>}
        </span>
    );
}
