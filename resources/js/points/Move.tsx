import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { api, ask, type Schemas } from '../api/client';
import { useDeed, useGridLines } from '../api/hooks';
import { DirectionInput } from '../givens/DirectionInput';
import type { GivenDirection, GivenLine, GivenPlace } from '../givens/given';
import { placeWords } from '../givens/given';
import { LineInput } from '../givens/LineInput';
import { PlaceInput } from '../givens/PlaceInput';
import { TouchContext } from '../givens/touch';
import { Button } from '../parts/Button';
import { AngleField, Choice, LengthField, NumberField } from '../parts/Field';
import { Deviation, Length, SmallAngle } from '../parts/Figure';
import { Failure, Notice } from '../parts/Notice';
import { Step } from '../parts/Step';
import { figures, useShow } from '../plan/shown';
import type { DeedProps } from '../stage/deed';

type Body = Schemas['Move'];
type Pair = Schemas['FitPair'];

const KINDS: [Body['kind'] | 'fromTo' | 'byDirections', string][] = [
    ['shift', 'by differences'],
    ['fromTo', 'from one place to another'],
    ['rotate', 'turn by an angle'],
    ['byDirections', 'turn to a direction'],
    ['scale', 'scale'],
    ['mirror', 'mirror on a line'],
    ['fit', 'fit to other places'],
];

/** Points moved, turned, scaled, mirrored or fitted: drawn where they would be before they are moved. */
export function Move(props: DeedProps) {
    const { project, points, control, those, onDone, want, setWant } = props;
    const named = { points, control };
    const gridLines = useGridLines(project.id).data ?? [];
    const [kind, setKind] = useState<(typeof KINDS)[number][0]>('shift');
    const [shift, setShift] = useState({ dNorthing: 0, dEasting: 0, dElevation: 0 });
    const [from, setFrom] = useState<GivenPlace | null>(null);
    const [to, setTo] = useState<GivenPlace | null>(null);
    const [about, setAbout] = useState<GivenPlace | null>(null);
    const [angle, setAngle] = useState<number | null>(0);
    const [now, setNow] = useState<GivenDirection | null>(null);
    const [wanted, setWanted] = useState<GivenDirection | null>(null);
    const [factor, setFactor] = useState(1);
    const [line, setLine] = useState<GivenLine | null>(null);
    const [pairs, setPairs] = useState<Pair[]>([]);
    const [fit, setFit] = useState<NonNullable<Body['fit']>>('shiftAndRotation');
    const byDirections = kind === 'byDirections';
    const body: Body = {
        ids: those.map((p) => p.id),
        kind: kind === 'fromTo' ? 'shift' : byDirections ? 'rotate' : kind,
        ...shift,
        from: kind === 'fromTo' ? from : null,
        to: kind === 'fromTo' ? to : null,
        about,
        angle: angle ?? 0,
        directionNow: byDirections ? now : null,
        directionWanted: byDirections ? wanted : null,
        factor,
        line: kind === 'mirror' ? line : null,
        pairs: kind === 'fit' ? pairs : [],
        fit,
    };
    const ready = {
        shift: true,
        fromTo: from !== null && to !== null,
        rotate: about !== null,
        byDirections: about !== null && now !== null && wanted !== null,
        scale: about !== null,
        mirror: line !== null,
        fit: pairs.length > 1,
    }[kind];
    const path = { params: { path: { project: project.id } } };
    const preview = useQuery({
        queryKey: [project.id, 'moving', body],
        queryFn: () => ask(api.POST('/api/v1/projects/{project}/moving-preview', { ...path, body })),
        enabled: ready,
        retry: false,
    });
    const shown = ready && !preview.error ? preview.data : undefined;
    const figure = useMemo(() => {
        const places = shown?.places ?? [];
        const drawn = Array.from({ length: Math.min(places.length / 2, 3000) }, (_, i) => ({
            easting: places[2 * i] ?? 0,
            northing: places[2 * i + 1] ?? 0,
            label: '',
        }));
        return shown ? { paths: [], places: drawn } : null;
    }, [shown]);
    useShow(figures, figure);
    const move = useDeed(project.id, () => ask(api.POST('/api/v1/projects/{project}/moving', { ...path, body })));
    return (
        <TouchContext value={{ want, setWant }}>
            <form className="grid gap-3" onSubmit={(e) => e.preventDefault()}>
                <Choice label="How" value={kind} options={KINDS} onValue={setKind} />
                {kind === 'shift' && (
                    <div className="grid grid-cols-2 gap-2">
                        <LengthField
                            label="To the north"
                            value={shift.dNorthing}
                            onValue={(v) => setShift((s) => ({ ...s, dNorthing: v ?? 0 }))}
                        />
                        <LengthField
                            label="To the east"
                            value={shift.dEasting}
                            onValue={(v) => setShift((s) => ({ ...s, dEasting: v ?? 0 }))}
                        />
                    </div>
                )}
                {kind === 'fromTo' && (
                    <div className="grid grid-cols-2 gap-2">
                        <PlaceInput label="From" value={from} onValue={setFrom} {...named} />
                        <PlaceInput label="To" value={to} onValue={setTo} {...named} />
                    </div>
                )}
                {(kind === 'rotate' || byDirections || kind === 'scale') && (
                    <PlaceInput label="About the place" value={about} onValue={setAbout} {...named} />
                )}
                {kind === 'rotate' && <AngleField label="Angle, clockwise" value={angle} onValue={setAngle} />}
                {byDirections && (
                    <>
                        <DirectionInput label="Direction now" value={now} onValue={setNow} {...named} />
                        <DirectionInput label="Direction wanted" value={wanted} onValue={setWanted} {...named} />
                    </>
                )}
                {kind === 'scale' && <NumberField label="Scale" unit="times" value={factor} onValue={setFactor} />}
                {kind === 'mirror' && <LineInput label="Mirror line" value={line} onValue={setLine} gridLines={gridLines} {...named} />}
                {kind === 'fit' && (
                    <Pairs
                        pairs={pairs}
                        onPairs={setPairs}
                        fit={fit}
                        onFit={setFit}
                        residuals={shown?.residuals ?? []}
                        outlier={shown?.outlier ?? null}
                        {...named}
                    />
                )}
                {kind !== 'fromTo' && (
                    <LengthField
                        label="Vertical offset"
                        value={shift.dElevation}
                        onValue={(v) => setShift((s) => ({ ...s, dElevation: v ?? 0 }))}
                    />
                )}
                <Failure of={(ready ? preview.error : null) ?? move.error} />
                {shown && (
                    <div role="status" className="grid gap-1">
                        <p>
                            {shown.count} {shown.count === 1 ? 'point moves' : 'points move'}, at most by <Length of={shown.farthest} />.
                            Drawn on the plan.
                        </p>
                        {shown.deviation !== null && (
                            <p>
                                Standard deviation <Deviation of={shown.deviation} />
                                {shown.scale !== null && `, scale ${shown.scale.toFixed(6)}`}
                                {shown.rotation !== null && (
                                    <>
                                        , turned{' '}
                                        <SmallAngle of={shown.rotation > Math.PI ? shown.rotation - 2 * Math.PI : shown.rotation} />
                                    </>
                                )}
                            </p>
                        )}
                        {shown.staked > 0 && (
                            <Notice kind="caution">
                                {shown.staked} of them have been staked. Their stakes keep the design they were staked to.
                            </Notice>
                        )}
                    </div>
                )}
                <p className="text-sm text-quiet">What was measured stays where it was measured: the field book is never moved.</p>
                <Step
                    busy={move.isPending}
                    why={(!shown || shown.farthest === 0) && 'Nothing moves yet.'}
                    onClick={() => move.mutate(undefined, { onSuccess: onDone })}
                >
                    Move {those.length}
                </Step>
            </form>
        </TouchContext>
    );
}

interface PairsProps {
    pairs: Pair[];
    onPairs: (pairs: Pair[]) => void;
    fit: NonNullable<Body['fit']>;
    onFit: (fit: NonNullable<Body['fit']>) => void;
    residuals: number[];
    outlier: number | null;
    points: DeedProps['points'];
    control: DeedProps['control'];
}

function Pairs({ pairs, onPairs, fit, onFit, residuals, outlier, ...named }: PairsProps) {
    const [from, setFrom] = useState<GivenPlace | null>(null);
    const words = (p: GivenPlace) => placeWords(p, named) || 'typed';
    return (
        <div className="grid gap-2">
            <Choice
                label="May change"
                value={fit}
                options={[
                    ['shiftAndRotation', 'shift and rotation'],
                    ['withScale', 'shift, rotation and scale'],
                    ['affine', 'everything (affine)'],
                ]}
                onValue={onFit}
            />
            {pairs.map((p, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: pairs have no name but their number
                <div key={i} className="flex items-center gap-2 border-t border-rule">
                    <label className="flex min-h-12 flex-1 items-center gap-2">
                        <input
                            type="checkbox"
                            className="size-6"
                            checked={p.used ?? true}
                            onChange={(e) => onPairs(pairs.map((q, k) => (k === i ? { ...q, used: e.target.checked } : q)))}
                        />
                        {words(p.from)} to {words(p.to)}
                    </label>
                    <span className="text-right">
                        {residuals[i] !== undefined && <Deviation of={residuals[i]} />}
                        {outlier === i && <span className="block text-sm text-out">doesn’t belong</span>}
                    </span>
                    <Button className="px-3" onClick={() => onPairs(pairs.filter((_, k) => k !== i))}>
                        Remove
                    </Button>
                </div>
            ))}
            <div className="grid grid-cols-2 gap-2">
                <PlaceInput label="This" value={from} onValue={setFrom} {...named} />
                <PlaceInput
                    label="belongs here"
                    value={null}
                    onValue={(to) => {
                        if (from && to) {
                            onPairs([...pairs, { from, to, used: true }]);
                            setFrom(null);
                        }
                    }}
                    {...named}
                />
            </div>
        </div>
    );
}
