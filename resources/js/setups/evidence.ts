import type { ControlPoint, SetupState } from '../api/client';
import type { PlanFigure } from '../plan/contract';
import { ellipse, roundTimes } from './ellipse';
import { chosenPlace } from './places';
import { isUsed } from './residual';

/** Small things are drawn as large as this part of the longest sight. */
const SHARE = 0.12;

/** Less than this is not blown up to look like much, metres. */
const SMALLEST = 0.003;

export interface DrawnEvidence {
    figure: PlanFigure;
    /** how many times as large as they are residuals and ellipse are drawn */
    times: number;
}

interface Place {
    northing: number;
    easting: number;
}

/** What a setup rests on, for the plan: sights, residuals, ellipse, the lines that are shot at, and both places where two fit. */
export function evidenceOf(state: SetupState, control: ControlPoint[]): DrawnEvidence | null {
    const { draft, solution: s } = state;
    const at = s?.station.mark;
    const figure: PlanFigure = { paths: [], places: [], evidence: [], cells: [], standsAnew: draft.sights.length + draft.shots.length > 0 };
    for (const l of draft.lines) {
        figure.evidence?.push({ flat: [l.easting1, l.northing1, l.easting2, l.northing2], as: 'siteLine' });
    }
    if (!s || !at) {
        return draft.lines.length > 0 ? { figure, times: 1 } : null;
    }
    const marks = new Map(control.map((c) => [c.name, c]));
    const sighted = draft.sights.flatMap((sight) => marks.get(sight.name) ?? []);
    const chosen = chosenPlace(state);
    const shots = chosen?.shots ?? [];
    const longest = Math.max(1, ...[...sighted, ...shots].map((m) => Math.hypot(m.northing - at.northing, m.easting - at.easting)));
    const arrows = s.residuals.flatMap((r) => arrow(r, marks.get(r.name)));
    const largest = Math.max(SMALLEST, s.placeFound ? s.ellipse.major : 0, ...arrows.map((a) => Math.hypot(a.dn, a.de)));
    const times = roundTimes((SHARE * longest) / largest);
    for (const r of s.residuals) {
        const m = marks.get(r.name);
        m && figure.evidence?.push({ flat: [at.easting, at.northing, m.easting, m.northing], as: isUsed(r) ? 'ray' : 'unused' });
    }
    for (const m of shots) {
        figure.evidence?.push({ flat: [at.easting, at.northing, m.easting, m.northing], as: 'ray' });
    }
    for (const a of arrows) {
        figure.evidence?.push({ flat: withHead(a, times), as: 'residual' });
    }
    if (s.placeFound) {
        figure.evidence?.push({ flat: ellipse(at, s.ellipse, times), as: 'ellipse' });
    }
    state.places.forEach((p, i) => {
        const label = state.places.length > 1 ? `Place ${i + 1}${p === chosen ? ' (chosen)' : ''}` : draft.nextName;
        figure.places.push({ easting: p.station.mark.easting, northing: p.station.mark.northing, label, quiet: p !== chosen });
        p.shots.forEach((shot, k) => {
            figure.places.push({
                easting: shot.easting,
                northing: shot.northing,
                label: p === chosen ? `${k + 1}` : '',
                quiet: p !== chosen,
            });
        });
    });
    return { figure, times };
}

type Solution = NonNullable<SetupState['solution']>;
type Arrow = { at: Place; dn: number; de: number };

/** From where the control is to where the sight found it. */
function arrow(r: Solution['residuals'][number], mark: ControlPoint | undefined): Arrow[] {
    if (!mark) {
        return [];
    }
    return [{ at: mark, dn: r.found?.[0] ?? 0, de: r.found?.[1] ?? 0 }];
}

function withHead({ at, dn, de }: Arrow, times: number): number[] {
    const [n, e] = [at.northing + times * dn, at.easting + times * de];
    const back = (turn: number) => {
        const size = 0.25 * times * Math.hypot(dn, de);
        const a = Math.atan2(de, dn) + turn;
        return [e + size * Math.sin(a), n + size * Math.cos(a)];
    };
    return [at.easting, at.northing, e, n, ...back(2.7), e, n, ...back(-2.7)];
}
