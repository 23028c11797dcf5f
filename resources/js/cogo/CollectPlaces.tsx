import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useState } from 'react';
import { api, ask, type Schemas } from '../api/client';
import { useDeed } from '../api/hooks';
import { type Elevation, ElevationInput } from '../givens/ElevationInput';
import { LayerButtons } from '../givens/LayerButtons';
import { PieceInput } from '../givens/LineInput';
import { TouchContext } from '../givens/touch';
import { Button } from '../parts/Button';
import { CheckBox } from '../parts/CheckBox';
import { Choice, LengthField, TextField } from '../parts/Field';
import { Failure, Notice } from '../parts/Notice';
import { Step } from '../parts/Step';
import { figures, useShow } from '../plan/shown';
import { drawnDesigns } from '../plan/things';
import type { StageProps } from '../stage/stages';

export type Collection = Schemas['PlacesWanted'];
export type CollectionKind = Collection['kind'];

export const COLLECTIONS: [CollectionKind, string][] = [
    ['circles', 'Circles of one size'],
    ['insertions', 'All of one block'],
    ['ends', 'Ends and corners of lines'],
    ['crossings', 'Where two layers cross'],
    ['along', 'Every so far on many lines'],
    ['outlineCorners', 'Corners of outlines alike'],
];

export const ORDERS: [Schemas['PlacesToKeep']['order'] & string, string][] = [
    ['asListed', 'as drawn'],
    ['westToEast', 'from west to east'],
    ['northToSouth', 'from north to south'],
    ['clockwise', 'clockwise about their middle'],
    ['nearestNext', 'each time the nearest'],
];

const MOST_DRAWN = 5000;

/** Many places of a drawing at once: counted and drawn before anything is made. */
export function CollectPlaces({ kind, onClose, ...props }: StageProps & { kind: CollectionKind; onClose: () => void }) {
    const { project, points, control, designs, want, setWant } = props;
    const [like, setLike] = useState<{ ref: Schemas['ShapeRef']; words: string } | null>(null);
    const [lines, setLines] = useState<Schemas['ShapeRef'][]>([]);
    const [layerIds, setLayerIds] = useState<number[]>([]);
    const [along, setAlong] = useState(0);
    const [offset, setOffset] = useState(0);
    const [attribute, setAttribute] = useState('');
    const [interval, setInterval] = useState<number | null>(null);
    const [corners, setCorners] = useState(true);
    const [elevation, setElevation] = useState<Elevation>({ rule: 'asMade', value: 0 });
    const byTouch = kind === 'circles' || kind === 'insertions' || kind === 'outlineCorners';
    const byLines = kind === 'ends' || kind === 'along';
    const layers = drawnDesigns(designs).flatMap((d) => d.layers.filter((l) => l.visible));
    const collection: Collection = {
        kind,
        layerIds: kind === 'outlineCorners' ? [] : layerIds,
        shapes: lines,
        like: like?.ref ?? null,
        along,
        offset,
        interval: interval ?? 0,
        corners,
        attribute,
    };
    const ready = byTouch
        ? like !== null
        : (layerIds.length > 0 || lines.length > 0) &&
          (kind !== 'along' || (interval ?? 0) > 0) &&
          (kind !== 'crossings' || layerIds.length <= 2);
    const preview = useQuery({
        queryKey: [project.id, 'collection', collection, elevation],
        queryFn: () =>
            ask(
                api.POST('/api/v1/projects/{project}/collections-preview', {
                    params: { path: { project: project.id } },
                    body: { collection, elevation },
                }),
            ),
        enabled: ready,
        retry: false,
    });
    const found = ready && !preview.error ? preview.data : undefined;
    useShow(
        figures,
        useMemo(() => (found ? { paths: [], places: dots(found.new, false).concat(dots(found.old, true)) } : null), [found]),
    );
    useEffect(() => () => setWant(null), [setWant]);
    const words = COLLECTIONS.find(([k]) => k === kind)?.[1] ?? '';
    return (
        <TouchContext value={{ want, setWant }}>
            <form className="grid gap-4 p-4" aria-label={words} onSubmit={(e) => e.preventDefault()}>
                <div className="flex items-center justify-between gap-2">
                    <h2 className="text-lg font-semibold">{words}</h2>
                    <Button onClick={onClose}>Other computations</Button>
                </div>
                {byTouch && (
                    <>
                        <PieceInput
                            label={like ? `Like this one: ${like.words}` : 'Touch one of them'}
                            taken={like ? [like.ref] : []}
                            only={kind === 'circles' ? 'circle' : 'insert'}
                            onTake={(ref, said) => {
                                setLike({ ref, words: said });
                                setAttribute('');
                                setLayerIds([ref.layerId]);
                            }}
                        />
                        {kind === 'insertions' && (
                            <div className="grid grid-cols-2 gap-2">
                                <LengthField
                                    label="Point of the block, along"
                                    value={along}
                                    onValue={(v) => setAlong(v ?? 0)}
                                    hint="turned with it"
                                />
                                <LengthField label="to the right" value={offset} onValue={(v) => setOffset(v ?? 0)} />
                            </div>
                        )}
                    </>
                )}
                {byLines && (
                    <div className="flex flex-wrap items-center gap-2">
                        <PieceInput label="Touch lines" taken={lines} several onTake={(ref) => setLines((now) => [...now, ref])} />
                        {lines.length > 0 && (
                            <Button onClick={() => setLines(lines.slice(0, -1))}>Without the last of {lines.length}</Button>
                        )}
                    </div>
                )}
                {kind === 'along' && (
                    <>
                        <LengthField label="Every" value={interval} onValue={setInterval} optional />
                        <CheckBox label="With the corners" checked={corners} onChecked={setCorners} />
                    </>
                )}
                {kind !== 'outlineCorners' && (lines.length === 0 || !byLines) && (
                    <LayerButtons
                        legend={
                            kind === 'crossings' ? 'The two layers, or one that crosses itself' : byTouch ? 'On layers' : 'or all of layers'
                        }
                        layers={layers}
                        ids={layerIds}
                        onIds={setLayerIds}
                    />
                )}
                <ElevationInput value={elevation} onValue={setElevation} points={points} control={control} />
                <Failure of={ready ? preview.error : null} />
                {found && (
                    <p role="status">
                        <span className="font-semibold">{found.count} found</span>
                        {found.standing > 0 && `, ${found.standing} of them stand already`}
                        {found.count > MOST_DRAWN && `; ${MOST_DRAWN} are drawn`}
                    </p>
                )}
                {found && found.attributes.length > 0 && (
                    <Choice
                        label="Names"
                        value={attribute}
                        onValue={setAttribute}
                        options={[['', 'numbered'] as const, ...found.attributes.map((a) => [a, `from the block’s ${a}`] as const)]}
                    />
                )}
                {found && attribute !== '' && found.names.length > 0 && (
                    <p className="text-quiet">
                        {found.names.slice(0, 6).join(', ')}
                        {found.names.length > 6 && ' …'}
                        {found.names.length < found.count - found.standing && '; those without are numbered'}
                    </p>
                )}
                {found && (
                    <KeepCollected
                        key={attribute === '' ? 'numbered' : 'named'}
                        project={project}
                        collection={collection}
                        elevation={elevation}
                        count={found.count - found.standing}
                        named={attribute !== ''}
                    />
                )}
            </form>
        </TouchContext>
    );
}

function dots(flat: number[], quiet: boolean) {
    const places = [];
    for (let i = 0; i + 1 < flat.length && i < 2 * MOST_DRAWN; i += 2) {
        places.push({ easting: flat[i] ?? 0, northing: flat[i + 1] ?? 0, label: '', quiet });
    }
    return places;
}

/** Names, order and code of what was collected; then it is made. */
export function KeepCollected({
    project,
    collection,
    elevation,
    count,
    named = false,
}: {
    project: StageProps['project'];
    collection: Collection;
    elevation: Elevation;
    count: number;
    /** they have names by themselves, which the prefix stands before */
    named?: boolean;
}) {
    const [prefix, setPrefix] = useState(named ? '' : 'P');
    const [order, setOrder] = useState<NonNullable<Schemas['PlacesToKeep']['order']>>('asListed');
    const [code, setCode] = useState('');
    const keep = useDeed(project.id, () =>
        ask(
            api.POST('/api/v1/projects/{project}/collections', {
                params: { path: { project: project.id } },
                body: { collection, name: prefix, order, code, elevation },
            }),
        ),
    );
    return (
        <div className="grid gap-3 border-t-2 border-ink pt-3">
            <div className="grid grid-cols-2 gap-3">
                <TextField label={named ? 'Before the names' : 'Prefix'} value={prefix} onValue={setPrefix} />
                <TextField label="Code" value={code} onValue={setCode} />
                {!named && <Choice label="Numbered" value={order} options={ORDERS} onValue={setOrder} />}
            </div>
            <Failure of={keep.error} />
            {keep.data && (
                <Notice>
                    {keep.data.made} points are made{keep.data.names[0] ? `, ${keep.data.names[0]} the first` : ''}.
                    {keep.data.standing > 0 && ` ${keep.data.standing} stood already.`}
                </Notice>
            )}
            <Step
                busy={keep.isPending}
                why={count === 0 && (keep.data ? 'All of them stand.' : 'None is found yet, or all stand already.')}
                onClick={() => keep.mutate(undefined)}
            >
                Make {count} points
            </Step>
        </div>
    );
}
