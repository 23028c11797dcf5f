import type { Schemas } from '../api/client';
import type { GivenDirection, GivenDistance, GivenLine, GivenPlace, GivenPolyline } from '../givens/given';
import type { Kind, KindSpec } from './kinds';

export type Construction = Schemas['Construction'];

/** A construction while it is being put together: what is missing is null. */
export interface Draft {
    kind: Kind;
    places: (GivenPlace | null)[];
    directions: (GivenDirection | null)[];
    distances: (GivenDistance | null)[];
    lines: (GivenLine | null)[];
    chain: GivenPolyline | null;
    offset: number;
    angle: number | null;
    count: number;
    across: number;
    toTheRight: boolean;
    corners: boolean;
    alongArc: boolean;
    pattern: Schemas['GivenOffset'][];
    elements: Schemas['KnownElement'][];
    parts: Schemas['KnownPart'][];
}

export function emptyDraft(spec: KindSpec): Draft {
    const none = (labels?: string[]) => (labels ?? []).map(() => null);
    const pattern = spec.group === 'Patterns';
    return {
        kind: spec.kind,
        places: none(spec.places),
        directions: pattern ? [{ azimuth: 0 }] : none(spec.directions),
        distances: none(spec.distances),
        lines: none(spec.lines),
        chain: spec.chain ? { shapes: [], places: [], closed: spec.chain === 'outline', reversed: false, connected: true } : null,
        offset: 0,
        angle: null,
        count: spec.kind === 'boltRectangle' ? 2 : 4,
        across: spec.kind === 'boltRectangle' ? 2 : 1,
        toTheRight: true,
        corners: true,
        alongArc: false,
        pattern: [],
        elements: [],
        parts: [],
    };
}

export function draftOf(body: Construction): Draft {
    return {
        kind: body.kind,
        places: body.places ?? [],
        directions: body.directions ?? [],
        distances: body.distances ?? [],
        lines: body.lines ?? [],
        chain: body.chain ?? null,
        offset: body.offset ?? 0,
        angle: body.angle ?? 0,
        count: body.count ?? 0,
        across: body.across ?? 1,
        toTheRight: body.toTheRight ?? true,
        corners: body.corners ?? true,
        alongArc: body.alongArc ?? false,
        pattern: body.pattern ?? [],
        elements: body.elements ?? [],
        parts: body.parts ?? [],
    };
}

/** Null while something is missing. */
export function bodyOf(draft: Draft, spec: KindSpec): Construction | null {
    const { places, directions, distances, lines, chain } = draft;
    const all = <T>(slots: (T | null)[]): slots is T[] => slots.every((s) => s !== null);
    if (!all(places) || !all(directions) || !all(distances) || !all(lines)) {
        return null;
    }
    const short = spec.many && places.length < spec.many.least;
    const noChain = spec.chain && !((chain?.shapes?.length ?? 0) > 0 || (chain?.places?.length ?? 0) > 1);
    const lacking =
        (spec.elements && draft.elements.length !== 2) ||
        (spec.element && draft.elements.length !== 1) ||
        (spec.parts && draft.parts.length !== 3) ||
        (spec.pattern && draft.pattern.length === 0);
    if (short || noChain || lacking || (spec.angle && draft.angle === null)) {
        return null;
    }
    return { ...draft, places, directions, distances, lines, angle: draft.angle ?? 0 };
}
