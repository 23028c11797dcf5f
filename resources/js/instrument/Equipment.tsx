import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { api, ask, type Project, type Schemas } from '../api/client';
import { useDeed, useInstruments, useTargets } from '../api/hooks';
import { Button } from '../parts/Button';
import { Choice, LengthField, NumberField, TextField } from '../parts/Field';
import { Length } from '../parts/Figure';
import { Failure } from '../parts/Notice';
import { useAskedDeed } from '../parts/useAskedDeed';

type TargetBody = Schemas['TypedTarget'];
type InstrumentBody = Schemas['TypedInstrument'];

const KINDS: [NonNullable<TargetBody['kind']>, string][] = [
    ['prism', 'prism'],
    ['small_prism', 'small prism'],
    ['all_round', 'all-round prism'],
    ['sheet', 'sheet'],
    ['none', 'no prism'],
];

/** A row as its change is begun on it: sent along, so that what another changed meanwhile is not overwritten. */
function begun<T extends { id: number }>(row: T): T & { seen: Omit<T, 'id'> } {
    const { id: _, ...seen } = row;
    return { ...row, seen };
}

/** The project's instruments and targets: looked at, added, changed, taken off. */
export function Equipment({ project }: { project: Project }) {
    return (
        <details>
            <summary className="min-h-12 cursor-pointer content-center">Instruments and targets of this project</summary>
            <div className="grid gap-4">
                <Instruments project={project} />
                <Targets project={project} />
            </div>
        </details>
    );
}

function Targets({ project }: { project: Project }) {
    const targets = useTargets(project.id);
    const [edited, setEdited] = useState<(TargetBody & { id?: number }) | null>(null);
    const path = { params: { path: { project: project.id } } };
    const keep = useDeed(project.id, ({ id, ...body }: TargetBody & { id?: number }) =>
        id === undefined
            ? ask(api.POST('/api/v1/projects/{project}/targets', { ...path, body }))
            : ask(api.PUT('/api/v1/projects/{project}/targets/{target}', { params: { path: { project: project.id, target: id } }, body })),
    );
    const drop = useAskedDeed(project.id, (target: number, evenHeld) =>
        ask(
            api.DELETE('/api/v1/projects/{project}/targets/{target}', {
                params: { path: { project: project.id, target }, query: { evenHeld } },
            }),
        ),
    );
    return (
        <section className="grid gap-2" aria-label="Targets">
            <h3 className="font-semibold">Targets</h3>
            {(targets.data ?? []).map((t) => (
                <div key={t.id} className="flex items-center gap-2 border-rule border-t">
                    <button type="button" className="min-h-12 min-w-0 flex-1 text-left" onClick={() => setEdited(begun(t))}>
                        <span className="font-semibold [overflow-wrap:anywhere]">{t.name}</span>{' '}
                        <span className="text-quiet text-sm">
                            {KINDS.find(([k]) => k === t.kind)?.[1]}, constant{' '}
                            <span className="figure">{(1000 * t.prismConstant).toFixed(1)} mm</span>, height <Length of={t.height} />
                        </span>
                    </button>
                    <Button kind="bare" aria-label={`Take ${t.name} off the list`} onClick={() => drop.mutate(t.id)} icon={<Trash2 />} />
                </div>
            ))}
            {edited ? (
                <div className="grid grid-cols-2 gap-3 border-chalk border-l-2 pl-3">
                    <TextField label="Name" value={edited.name} onValue={(name) => setEdited({ ...edited, name })} />
                    <Choice
                        label="Kind"
                        value={edited.kind ?? 'prism'}
                        options={KINDS}
                        onValue={(kind) => setEdited({ ...edited, kind })}
                    />
                    <NumberField
                        label="Prism constant"
                        unit="mm"
                        value={1000 * (edited.prismConstant ?? 0)}
                        onValue={(mm) => setEdited({ ...edited, prismConstant: mm / 1000 })}
                    />
                    <LengthField
                        label="Height"
                        value={edited.height ?? 2}
                        onValue={(height) => height !== null && setEdited({ ...edited, height })}
                    />
                    <Button onClick={() => setEdited(null)}>Cancel</Button>
                    <Button busy={keep.isPending} onClick={() => keep.mutate(edited, { onSuccess: () => setEdited(null) })}>
                        Keep target
                    </Button>
                </div>
            ) : (
                <Button onClick={() => setEdited({ name: '', kind: 'prism', prismConstant: 0, height: 2 })}>Add a target</Button>
            )}
            <Failure of={keep.error ?? drop.error} />
            {drop.question}
        </section>
    );
}

const STATED: [keyof InstrumentBody, string, string, number][] = [
    ['directionSeconds', 'Direction', '″', 1],
    ['zenithSeconds', 'Zenith angle', '″', 1],
    ['distanceMillimetres', 'Distance', 'mm', 1],
    ['distancePpm', 'and', 'ppm', 1],
    ['centring', 'Centring', 'mm', 1000],
    ['notchRadius', 'Notch radius', 'mm', 1000],
    ['notchDrop', 'Notch below the axis', 'mm', 1000],
    ['collimationSeconds', 'Collimation', '″', 1],
    ['indexSeconds', 'Index', '″', 1],
    ['wavelength', 'Carrier', 'µm', 1],
    ['referencePressure', 'Made for', 'hPa', 1],
    ['referenceTemperature', 'at', '°C', 1],
];

function Instruments({ project }: { project: Project }) {
    const instruments = useInstruments(project.id);
    const [edited, setEdited] = useState<(InstrumentBody & { id?: number }) | null>(null);
    const path = { params: { path: { project: project.id } } };
    const keep = useDeed(project.id, ({ id, ...body }: InstrumentBody & { id?: number }) =>
        id === undefined
            ? ask(api.POST('/api/v1/projects/{project}/instruments', { ...path, body }))
            : ask(
                  api.PUT('/api/v1/projects/{project}/instruments/{instrument}', {
                      params: { path: { project: project.id, instrument: id } },
                      body,
                  }),
              ),
    );
    const drop = useAskedDeed(project.id, (instrument: number, evenHeld) =>
        ask(
            api.DELETE('/api/v1/projects/{project}/instruments/{instrument}', {
                params: { path: { project: project.id, instrument }, query: { evenHeld } },
            }),
        ),
    );
    return (
        <section className="grid gap-2" aria-label="Instruments">
            <h3 className="font-semibold">Instruments</h3>
            {(instruments.data ?? []).map((i) => (
                <div key={i.id} className="flex items-center gap-2 border-rule border-t">
                    <button type="button" className="min-h-12 min-w-0 flex-1 text-left" onClick={() => setEdited(begun(i))}>
                        <span className="font-semibold [overflow-wrap:anywhere]">{i.name}</span>{' '}
                        <span className="figure text-quiet text-sm">
                            {i.directionSeconds}″, {i.distanceMillimetres} mm + {i.distancePpm} ppm
                        </span>
                    </button>
                    <Button kind="bare" aria-label={`Take ${i.name} off the list`} onClick={() => drop.mutate(i.id)} icon={<Trash2 />} />
                </div>
            ))}
            {edited ? (
                <div className="grid grid-cols-2 gap-3 border-chalk border-l-2 pl-3">
                    <div className="col-span-2">
                        <TextField label="Name" value={edited.name} onValue={(name) => setEdited({ ...edited, name })} />
                    </div>
                    {STATED.map(([key, word, unit, factor]) => (
                        <NumberField
                            key={key}
                            label={word}
                            unit={unit}
                            value={Number((factor * Number(edited[key] ?? 0)).toFixed(4))}
                            onValue={(value) => setEdited({ ...edited, [key]: value / factor })}
                        />
                    ))}
                    <TextField
                        label="Calibrated on"
                        hint="as 2026-03-14"
                        value={edited.calibratedOn ?? ''}
                        onValue={(calibratedOn) => setEdited({ ...edited, calibratedOn })}
                    />
                    <TextField
                        label="Certificate"
                        hint="its number"
                        value={edited.certificate ?? ''}
                        onValue={(certificate) => setEdited({ ...edited, certificate })}
                    />
                    <Button onClick={() => setEdited(null)}>Cancel</Button>
                    <Button busy={keep.isPending} onClick={() => keep.mutate(edited, { onSuccess: () => setEdited(null) })}>
                        Keep instrument
                    </Button>
                </div>
            ) : (
                <Button
                    onClick={() =>
                        setEdited({
                            name: '',
                            directionSeconds: 2,
                            zenithSeconds: 2,
                            distanceMillimetres: 1,
                            distancePpm: 1.5,
                            centring: 0.0015,
                            notchRadius: 0,
                            notchDrop: 0,
                            collimationSeconds: 0,
                            indexSeconds: 0,
                            wavelength: 0.658,
                            referencePressure: 1013.25,
                            referenceTemperature: 12,
                            referenceHumidity: 0.6,
                        })
                    }
                >
                    Add an instrument
                </Button>
            )}
            <Failure of={keep.error ?? drop.error} />
            {drop.question}
        </section>
    );
}
