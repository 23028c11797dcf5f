import type { Schemas } from '../api/client';

export type Offered = Schemas['OfferedSpot'];
export type FaceHold = Schemas['FaceHold'];
export type ElementSpot = Schemas['ElementSpot'];

/** Spots of one kind on one level: chosen with one touch. */
export interface SpotGroup {
    words: string;
    /** their numbers among the offered ones */
    numbers: number[];
}

/** Which kinds come first: what is staked most. */
const KINDS: ElementSpot['kind'][] = ['axisEnd', 'corner', 'faceCentre', 'edgeMiddle', 'axisThroughFace'];
const LEVELS = ['top', 'underside', ''];

export function groupsOf(offered: readonly Offered[]): SpotGroup[] {
    const groups = new Map<string, SpotGroup & { rank: number }>();
    offered.forEach((o, i) => {
        const words = o.level === '' ? o.what : `${o.what}, ${o.level}`;
        const known = groups.get(words);
        if (known) {
            known.numbers.push(i);
        } else {
            groups.set(words, { words, numbers: [i], rank: 10 * LEVELS.indexOf(o.level) + KINDS.indexOf(o.spot.kind) });
        }
    });
    return [...groups.values()].sort((a, b) => a.rank - b.rank);
}

/** Faces of chosen corners that look along one line, this way or that: a distance behind them is typed once. */
export interface FacePair {
    key: string;
    words: string;
}

/** Without its sign: the two sides of a plate are one pair. */
const keyOf = (f: FaceHold): string => {
    const way = [f.x, f.y, f.z].map((v) => Math.round(v * 100) / 100 + 0);
    const first = way.find((v) => v !== 0) ?? 1;
    return way.map((v) => (first < 0 ? -v : v) + 0).join(' ');
};

export function facePairs(chosen: readonly Offered[]): FacePair[] {
    const pairs = new Map<string, Set<string>>();
    for (const o of chosen.filter((c) => c.spot.kind === 'corner')) {
        (o.spot.faces ?? []).forEach((f, i) => {
            const key = keyOf(f);
            const looks = pairs.get(key) ?? new Set();
            pairs.set(key, looks.add(o.looks[i] ?? ''));
        });
    }
    return [...pairs].map(([key, looks]) => ({ key, words: [...looks].sort().join(' and ') }));
}

/** What a distance behind faces is called: their sides as seen from above, the top and the underside by themselves. */
export function behindLabel(looks: string): string {
    const level = { up: 'Below the top', down: 'Above the underside', 'down and up': 'From top and underside' }[looks];
    return level ?? `Edge distance from the ${looks} ${looks.includes(' and ') ? 'sides' : 'side'}`;
}

/** So far behind its faces; metres, by pair. */
export function heldBehind(spot: ElementSpot, behind: ReadonlyMap<string, number>): ElementSpot {
    return spot.kind === 'corner' ? { ...spot, faces: (spot.faces ?? []).map((f) => ({ ...f, inward: behind.get(keyOf(f)) ?? 0 })) } : spot;
}

/** Where an axis goes through a face, in place of its end; null leaves it there. */
export function throughFace(spot: ElementSpot, face: FaceHold | null): ElementSpot {
    return spot.kind === 'axisEnd' && face ? { ...spot, kind: 'axisThroughFace', faces: [face], rank: 0 } : spot;
}
