import type { Schemas } from '../api/client';

export type Kind = Schemas['Construction']['kind'];

/** What a computation asks for, in the order in which it asks. */
export interface KindSpec {
    kind: Kind;
    words: string;
    group: 'Find a place' | 'Along lines' | 'Arcs' | 'Best fit' | 'Patterns' | 'Measure';
    places?: string[];
    /** any number of places, at least so many */
    many?: { label: string; least: number };
    directions?: string[];
    distances?: string[];
    lines?: string[];
    chain?: 'line' | 'outline';
    offset?: string;
    angle?: string;
    count?: string;
    across?: string;
    corners?: boolean;
    /** beyond the end of an arc it may go on along it */
    alongArc?: boolean;
    side?: boolean;
    elements?: boolean;
    /** one element of an arc whose ends are given */
    element?: boolean;
    parts?: boolean;
    pattern?: boolean;
    /** gives figures, and no place to be kept */
    figuresOnly?: boolean;
}

export const KINDS: KindSpec[] = [
    {
        kind: 'directionDistance',
        words: 'Direction and distance',
        group: 'Find a place',
        places: ['From'],
        directions: ['Direction'],
        distances: ['Distance'],
        offset: 'Then to the right',
    },
    {
        kind: 'turnedAngle',
        words: 'Angle turned from a backsight',
        group: 'Find a place',
        places: ['Station', 'Backsight'],
        angle: 'Angle, clockwise',
        distances: ['Distance'],
    },
    { kind: 'twoLines', words: 'Two lines cross', group: 'Find a place', lines: ['First line', 'Second line'] },
    {
        kind: 'lineDistance',
        words: 'Line and distance',
        group: 'Find a place',
        lines: ['Line'],
        places: ['Distance is from'],
        distances: ['Distance'],
    },
    {
        kind: 'twoDistances',
        words: 'Two distances',
        group: 'Find a place',
        places: ['First place', 'Second place'],
        distances: ['Distance from the first', 'Distance from the second'],
    },
    {
        kind: 'along',
        words: 'Along and beside',
        group: 'Along lines',
        chain: 'line',
        distances: ['Along'],
        alongArc: true,
        offset: 'Offset to the right',
    },
    { kind: 'foot', words: 'Foot of a perpendicular', group: 'Along lines', chain: 'line', places: ['From'] },
    {
        kind: 'divided',
        words: 'Equal parts',
        group: 'Along lines',
        chain: 'line',
        count: 'Number of parts',
        offset: 'Offset to the right',
    },
    {
        kind: 'every',
        words: 'Every so far',
        group: 'Along lines',
        chain: 'line',
        distances: ['Every'],
        corners: true,
        offset: 'Offset to the right',
    },
    { kind: 'corners', words: 'Ends and corners', group: 'Along lines', chain: 'line' },
    { kind: 'parallel', words: 'Parallel', group: 'Along lines', chain: 'line', offset: 'Offset to the right' },
    { kind: 'setBack', words: 'Set-back pairs', group: 'Along lines', chain: 'outline', distances: ['Beyond the corners'] },
    { kind: 'arcThroughThree', words: 'Through three places', group: 'Arcs', places: ['Beginning', 'Over', 'End'] },
    {
        kind: 'arcLeaving',
        words: 'From its elements',
        group: 'Arcs',
        places: ['Beginning'],
        directions: ['Leaves toward'],
        elements: true,
        side: true,
    },
    {
        kind: 'arcBetween',
        words: 'Between two places',
        group: 'Arcs',
        places: ['Beginning', 'End'],
        element: true,
        side: true,
        count: 'Number of parts',
    },
    {
        kind: 'arcBetweenTangents',
        words: 'Between two tangents',
        group: 'Arcs',
        lines: ['First tangent', 'Second tangent'],
        distances: ['Radius'],
    },
    { kind: 'bestLine', words: 'Line', group: 'Best fit', many: { label: 'Places', least: 2 } },
    { kind: 'bestCircle', words: 'Circle', group: 'Best fit', many: { label: 'Places', least: 3 } },
    { kind: 'bestPlane', words: 'Plane', group: 'Best fit', many: { label: 'Places', least: 3 } },
    {
        kind: 'boltCircle',
        words: 'Bolt circle',
        group: 'Patterns',
        many: { label: 'About', least: 1 },
        distances: ['Radius'],
        count: 'Number of bolts',
        directions: ['First bolt toward'],
    },
    {
        kind: 'boltRectangle',
        words: 'Bolt rectangle',
        group: 'Patterns',
        many: { label: 'About', least: 1 },
        count: 'Bolts along',
        across: 'Bolts across',
        distances: ['Spacing along', 'Spacing across'],
        directions: ['Along is toward'],
    },
    {
        kind: 'boltList',
        words: 'List of offsets',
        group: 'Patterns',
        many: { label: 'About', least: 1 },
        pattern: true,
        directions: ['Along is toward'],
    },
    { kind: 'inverse', words: 'Inverse', group: 'Measure', many: { label: 'From place to place', least: 2 }, figuresOnly: true },
    { kind: 'area', words: 'Area and perimeter', group: 'Measure', chain: 'outline' },
    { kind: 'curve', words: 'Curve solver', group: 'Measure', elements: true, figuresOnly: true },
    { kind: 'triangle', words: 'Triangle solver', group: 'Measure', parts: true, figuresOnly: true },
];

export const specOf = (kind: Kind): KindSpec | undefined => KINDS.find((k) => k.kind === kind);
