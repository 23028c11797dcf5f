import { useEffect, useState } from 'react';
import { api, ask, type Schemas } from '../api/client';
import { useDeed } from '../api/hooks';
import type { GivenPolyline } from '../givens/given';
import { ChainInput } from '../givens/LineInput';
import { TouchContext } from '../givens/touch';
import { Button } from '../parts/Button';
import { CheckBox } from '../parts/CheckBox';
import { Choice, LengthField, TextField } from '../parts/Field';
import { Failure } from '../parts/Notice';
import { Step } from '../parts/Step';
import { drawnDesigns } from '../plan/things';
import type { StageProps } from '../stage/stages';
import type { Surface } from './hooks';

/** A surface made of points and lines, or of the faces of a drawing. */
export function SurfaceForm({ project, points, control, designs, chosen, want, setWant, onClose }: StageProps & { onClose: () => void }) {
    const layers = drawnDesigns(designs).flatMap((d) => d.layers.filter((l) => l.visible));
    const withFaces = layers.filter((l) => l.kinds.some((k) => k.kind === 'face'));
    const [name, setName] = useState('');
    const [kind, setKind] = useState<Surface['kind']>('design');
    const [faces, setFaces] = useState(withFaces.length > 0);
    const [which, setWhich] = useState<'all' | 'chosen' | 'none'>(chosen.size > 0 ? 'chosen' : 'all');
    const [layerIds, setLayerIds] = useState<ReadonlySet<number>>(new Set(withFaces.map((l) => l.id)));
    const [rim, setRim] = useState<'hull' | 'outline' | 'longest'>('hull');
    const [outline, setOutline] = useState<GivenPolyline | null>(null);
    const [longest, setLongest] = useState<number | null>(null);
    useEffect(() => () => setWant(null), [setWant]);
    const make = useDeed(project.id, (body: Schemas['SurfaceToMake']) =>
        ask(api.POST('/api/v1/projects/{project}/surfaces', { params: { path: { project: project.id } }, body })),
    );
    const high = points.filter((p) => p.elevation !== null);
    const pointIds = faces || which === 'none' ? [] : high.filter((p) => which === 'all' || chosen.has(p.id)).map((p) => p.id);
    const why =
        name.trim() === ''
            ? 'It needs a name.'
            : faces && layerIds.size === 0
              ? 'Choose the layers with the faces.'
              : !faces && pointIds.length === 0 && layerIds.size === 0
                ? 'Choose points or lines.'
                : rim === 'outline' && outline === null
                  ? 'Touch the outline.'
                  : null;
    return (
        <TouchContext value={{ want, setWant }}>
            <form className="grid gap-3" onSubmit={(e) => e.preventDefault()}>
                <h2 className="font-semibold">Make a surface</h2>
                <TextField label="Name of the surface" value={name} onValue={setName} />
                <Choice
                    label="It is"
                    value={kind}
                    onValue={setKind}
                    options={[
                        ['design', 'a design'],
                        ['ground', 'the ground before'],
                        ['as_built', 'what was built'],
                    ]}
                />
                <Choice
                    label="Made of"
                    value={faces ? 'faces' : 'points'}
                    onValue={(to) => setFaces(to === 'faces')}
                    options={[
                        ['points', 'points, and lines as breaklines'],
                        ['faces', 'the faces of a drawing'],
                    ]}
                    hint={faces && withFaces.length === 0 ? 'No layer that is shown holds faces.' : undefined}
                />
                {!faces && (
                    <Choice
                        label="Points"
                        value={which}
                        onValue={setWhich}
                        options={[
                            ['all', `all ${high.length} with an elevation`],
                            ['chosen', `the ${high.filter((p) => chosen.has(p.id)).length} chosen`],
                            ['none', 'none'],
                        ]}
                    />
                )}
                <fieldset className="grid max-h-56 gap-1 overflow-auto">
                    <legend className="text-sm text-quiet">
                        {faces ? 'Faces on' : 'Lines and points of the drawings, with their heights, on'}
                    </legend>
                    {(faces ? withFaces : layers).map((l) => (
                        <CheckBox
                            key={l.id}
                            label={`${l.name} (${l.count})`}
                            checked={layerIds.has(l.id)}
                            onChecked={(on) => setLayerIds(new Set(on ? [...layerIds, l.id] : [...layerIds].filter((x) => x !== l.id)))}
                        />
                    ))}
                </fieldset>
                {!faces && (
                    <>
                        <Choice
                            label="It ends"
                            value={rim}
                            onValue={setRim}
                            options={[
                                ['hull', 'at its outermost points'],
                                ['outline', 'at an outline'],
                                ['longest', 'where edges at the rim get too long'],
                            ]}
                        />
                        {rim === 'outline' && <ChainInput value={outline} onValue={setOutline} points={points} control={control} />}
                        {rim === 'longest' && <LengthField label="Longest edge" value={longest} onValue={setLongest} />}
                    </>
                )}
                <Failure of={make.error} />
                <Step
                    busy={make.isPending}
                    why={why}
                    second={<Button onClick={onClose}>Cancel</Button>}
                    onClick={() =>
                        make.mutate(
                            {
                                name,
                                kind,
                                faces,
                                pointIds,
                                layerIds: [...layerIds],
                                outline: rim === 'outline' && !faces ? outline : null,
                                longestEdge: rim === 'longest' && !faces ? longest : null,
                            },
                            { onSuccess: onClose },
                        )
                    }
                >
                    Make the surface
                </Step>
            </form>
        </TouchContext>
    );
}
