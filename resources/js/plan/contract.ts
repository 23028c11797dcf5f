import type { DrawnAlignment, DrawnContours } from './AlignmentLayer';
import type { PlanThing } from './marks';
import type { DrawnSurface } from './SurfaceLayer';
import type { Shapes } from './shapes';
import type { PickLayer, Spot, Touched } from './snap';

/** What the plan is given to draw, and what it tells of being touched. */

/** Alignments and surfaces, as they are to be drawn. */
export interface DrawnCivil {
    alignments: readonly DrawnAlignment[];
    surfaces: readonly DrawnSurface[];
    contours: readonly DrawnContours[];
    extents: readonly (readonly number[])[];
}

export interface DrawnLayer extends PickLayer {
    /** chosen here, in place of the colours of the file */
    ownColour: string | null;
    pickable: boolean;
}

/** What a revision changed, drawn over the plan. */
export interface DrawnChange {
    kind: 'added' | 'gone' | 'moved';
    shapes: Shapes;
}

export interface FigurePlace extends PlanPlace {
    label: string;
    quiet?: boolean;
    /** the label alone, in the middle */
    bare?: boolean;
    /** the label under it: its name stands above */
    below?: boolean;
    /** it can be dragged */
    movable?: boolean;
}

/** What is being worked out, drawn before it is kept. */
export interface PlanFigure {
    /** easting and northing in turn */
    paths: number[][];
    places: FigurePlace[];
    /** the instrument may stand elsewhere now: where it stood, and what follows from that, is not drawn */
    standsAnew?: boolean;
    /** its movable place has been dragged */
    onMoved?: (place: PlanPlace) => void;
    /** what a setup rests on, each drawn in its own way */
    evidence?: { flat: number[]; as: Evidence }[];
    /** strips of a raster: how good it would be to stand there, from 0, the best, to 4 */
    cells?: { easting: number; northing: number; width: number; height: number; level: number }[];
}

/** A sight in use or left out, a residual, an error ellipse of a station or to be expected of a point, a line that is shot at. */
export type Evidence = 'ray' | 'unused' | 'residual' | 'ellipse' | 'expected' | 'siteLine';

/** Kinds of pieces that are touched by themselves. */
export type PieceKind = 'circle' | 'insert';

/** What the next touch is for: a spot of a drawing; any place, a point's before a spot's; a line or arc; points to be chosen. */
export type Picking = 'spot' | 'place' | 'piece' | 'points' | null;

/** What stands beside a point. */
export interface LabelChoice {
    name: boolean;
    code: boolean;
    elevation: boolean;
}

export interface PlanPlace {
    northing: number;
    easting: number;
}

/** What was touched while picking. */
export interface PlanTaken {
    spot: Spot | null;
    thing: PlanThing | null;
    piece: Touched | null;
    place: PlanPlace;
}

export interface PlanEvents {
    /** of: how many spots are within reach */
    onSpot: (spot: Spot | null, pixel: number[], of?: number) => void;
    onTake: (taken: PlanTaken) => void;
    onBox: (west: number, south: number, east: number, north: number) => void;
    /** spots: of the drawings within reach, the likeliest first */
    onTouch: (thing: PlanThing | null, drawn: Touched | null, place: PlanPlace, spots: Spot[]) => void;
    /** in words, what a step with the keyboard came to */
    onStep: (words: string) => void;
    onMove: (place: PlanPlace, resolution: number, rotation: number) => void;
    onPoleDragged: (place: PlanPlace) => void;
}

/** What the next touch on the plan is for, and who takes it. */
export interface Want {
    id: string;
    picking: Picking;
    /** of pieces, those of this kind: whatever else lies there is looked past */
    only?: PieceKind;
    onTake: (taken: PlanTaken) => void;
}
