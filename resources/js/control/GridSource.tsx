import { useState } from 'react';
import { api, ask, type Schemas } from '../api/client';
import { useDeed } from '../api/hooks';
import { DirectionInput } from '../givens/DirectionInput';
import type { GivenDirection, GivenPlace } from '../givens/given';
import { LayerButtons } from '../givens/LayerButtons';
import { PlaceInput } from '../givens/PlaceInput';
import { Button } from '../parts/Button';
import { AngleField, Choice, TextField } from '../parts/Field';
import { Failure } from '../parts/Notice';
import { drawnDesigns } from '../plan/things';
import type { StageProps } from '../stage/stages';
import { useUnits } from '../units/UnitsContext';

type Line = Schemas['GridLineResource'];
type Way = Schemas['GridWanted']['way'];

/** Where grid lines come from: found in the drawing, or typed as spacings from an origin. */
export function GridSource({ project, points, control, designs, onFound }: StageProps & { onFound: (lines: Line[]) => void }) {
    const units = useUnits();
    const [way, setWay] = useState<Way>('drawing');
    const layers = drawnDesigns(designs).flatMap((d) => d.layers.filter((l) => l.visible));
    const [layerIds, setLayerIds] = useState<number[]>(layers.map((l) => l.id));
    const [origin, setOrigin] = useState<GivenPlace | null>(null);
    const [direction, setDirection] = useState<GivenDirection | null>({ azimuth: 0 });
    const [first, setFirst] = useState('A');
    const [crossFirst, setCrossFirst] = useState('1');
    const [spacings, setSpacings] = useState('');
    const [crossSpacings, setCrossSpacings] = useState('');
    const [skew, setSkew] = useState<number | null>(Math.PI / 2);
    const find = useDeed(project.id, async () => {
        const radial = way === 'radial';
        const steps = way === 'drawing' ? [] : await (radial ? angles(spacings, units.angle) : lengths(spacings, units.length));
        const cross = way === 'drawing' ? [] : await lengths(crossSpacings, units.length);
        return ask(
            api.POST('/api/v1/projects/{project}/grid-preview', {
                params: { path: { project: project.id } },
                body: {
                    way,
                    layerIds,
                    origin,
                    direction,
                    first,
                    crossFirst,
                    spacings: steps,
                    crossSpacings: cross,
                    skew: skew ?? Math.PI / 2,
                },
            }),
        );
    });
    const radial = way === 'radial';
    return (
        <div className="grid gap-3">
            <Choice
                label="Lines come"
                value={way}
                options={[
                    ['drawing', 'from the drawing: long lines with a name at their end'],
                    ['spacings', 'from spacings, typed'],
                    ['radial', 'from angles and radii, typed'],
                ]}
                onValue={setWay}
            />
            {way === 'drawing' ? (
                <LayerButtons legend="Look on layers" layers={layers} ids={layerIds} onIds={setLayerIds} />
            ) : (
                <>
                    <PlaceInput
                        label={radial ? 'Centre' : 'First crossing'}
                        value={origin}
                        onValue={setOrigin}
                        points={points}
                        control={control}
                    />
                    <DirectionInput
                        label={radial ? 'First line toward' : 'First lines run toward'}
                        value={direction}
                        onValue={setDirection}
                        points={points}
                        control={control}
                    />
                    <div className="grid grid-cols-[6rem_1fr] gap-2">
                        <TextField label="First name" value={first} onValue={setFirst} />
                        <TextField
                            label={radial ? 'Angles from line to line' : 'Spacings, to their right'}
                            value={spacings}
                            onValue={setSpacings}
                            hint="one after another, parted by blanks; 4x6 is four of 6"
                        />
                        <TextField label="First name" value={crossFirst} onValue={setCrossFirst} />
                        <TextField
                            label={radial ? 'Radii, each from the one before' : 'Spacings of the crossing lines'}
                            value={crossSpacings}
                            onValue={setCrossSpacings}
                        />
                    </div>
                    {way === 'spacings' && <AngleField label="Angle between both, clockwise" value={skew} onValue={setSkew} />}
                </>
            )}
            <Failure of={find.error} />
            <Button
                className="justify-self-start"
                busy={find.isPending}
                disabled={way === 'drawing' ? layerIds.length === 0 : origin === null}
                onClick={() => find.mutate(undefined, { onSuccess: onFound })}
            >
                {way === 'drawing' ? 'Find the lines' : 'Draw the lines'}
            </Button>
        </div>
    );
}

function singles(text: string): string[] {
    return (text.includes(';') ? text.split(';') : text.trim().split(/\s+/)).flatMap((part) => {
        const times = /^\s*(\d{1,3})\s*[x×]\s*(.+)$/i.exec(part);
        return part.trim() === '' ? [] : times ? Array.from({ length: Number(times[1]) }, () => times[2] ?? '') : [part.trim()];
    });
}

/** “6 6.5 4x7” as single lengths; each is read as it would be in a field of its own. */
async function lengths(text: string, style: ReturnType<typeof useUnits>['length']): Promise<number[]> {
    const read = await Promise.all(
        singles(text).map((part) => ask(api.GET('/api/v1/compute/length', { params: { query: { text: part, style } } }))),
    );
    return read.map((r) => r[0]?.metres ?? 0);
}

async function angles(text: string, style: ReturnType<typeof useUnits>['angle']): Promise<number[]> {
    const read = await Promise.all(
        singles(text).map((part) => ask(api.GET('/api/v1/compute/angle', { params: { query: { text: part, style, direction: false } } }))),
    );
    return read.map((r) => r.radians);
}
