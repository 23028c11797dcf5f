import type { ControlPoint, Design, Mark, Schemas, StakeoutPoint, Units } from '../api/client';
import { formatLength } from '../units/format';
import type { LabelChoice, PlanPlace } from './contract';
import type { PlacedThing } from './crowd';

/** The active design and the backgrounds, each in its newest revision. */
export function drawnDesigns(designs: Design[]): Design[] {
    return designs.filter((d) => d.current && (d.active || d.role === 'background' || !designs.some((other) => other.active)));
}

/** Says so when a place lies in another design than the active one. */
export function otherDesign(designs: Design[], place: PlanPlace | null, what: string): string | null {
    const holds = (d: Design) => {
        const [west = 0, south = 0, east = -1, north = -1] = d.extent;
        return place !== null && place.easting >= west && place.easting <= east && place.northing >= south && place.northing <= north;
    };
    const active = designs.find((d) => d.active && d.current);
    if (!active || !place || holds(active)) {
        return null;
    }
    const other = designs.find((d) => d !== active && d.current && d.role === 'design' && holds(d));
    return other ? `${what} lies in “${other.name}”, and “${active.name}” is the active design.` : null;
}

function labelOf(p: { name: string; code: string; elevation: number | null }, labels: LabelChoice, units: Units): string {
    return [
        labels.name ? p.name : '',
        labels.code ? p.code : '',
        labels.elevation && p.elevation !== null ? `El ${formatLength(p.elevation, units.length)}` : '',
    ]
        .filter(Boolean)
        .join(' · ');
}

/** What each stage puts on the plan: finished points leave it while staking. */
export function thingsOf(
    control: ControlPoint[],
    points: StakeoutPoint[],
    marks: Mark[],
    stage: string,
    target: number | null,
    labels: LabelChoice,
    units: Units,
    chosen: ReadonlySet<number>,
    codes: Schemas['CodeResource'][],
) {
    const meanings = new Map(codes.map((c) => [c.code, c]));
    const things: PlacedThing[] = control.map((c) => ({
        thing: { what: 'control', id: c.id, name: labelOf(c, labels, units) },
        at: c,
    }));
    const showDone = stage === 'prepare' || stage === 'control';
    for (const p of points) {
        const state = p.id === target && stage === 'stake' ? 'target' : p.state;
        if (state !== 'done' || showDone) {
            things.push({
                thing: {
                    what: 'point',
                    id: p.id,
                    name: [meanings.get(p.code)?.mark, labelOf(p, labels, units)].filter(Boolean).join(' '),
                    state,
                    origin: p.origin,
                    chosen: chosen.has(p.id),
                    colour: meanings.get(p.code)?.colour ?? null,
                    label: p.labelEast !== null && p.labelNorth !== null ? [p.labelEast, p.labelNorth] : null,
                },
                at: p,
            });
        }
    }
    if (stage === 'as-built' || stage === 'hand-over') {
        for (const m of marks) {
            if (m.kind !== 'check') {
                things.push({ thing: { what: 'mark', id: m.id, name: m.name, verdict: m.verdict }, at: m.found });
            }
        }
    }
    return things;
}
