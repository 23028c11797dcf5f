import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, type Schemas } from '../api/client';
import { Button } from '../parts/Button';
import { Failure, Notice } from '../parts/Notice';
import { formatLength } from '../units/format';
import { useUnits } from '../units/UnitsContext';
import { BuiltWords } from './BuiltWords';
import type { Thing } from './bodies';
import { ExampleForm, type ExampleShown } from './ExampleForm';
import { PartTargets } from './PartTargets';
import type { Place } from './SpaceDots';

interface Props {
    project: number;
    design: number;
    thing: Thing;
    /** where it was touched */
    place: Place;
    /** the number of the spot that was touched last, counted up with each touch */
    touchedSpot: { spot: number; time: number } | null;
    onShown: (shown: ExampleShown) => void;
    onLookAt: (instance: number) => void;
    built: readonly Schemas['BuiltPart'][];
    /** instances of its class that are shown */
    shownAlike: readonly number[];
    /** where something is chosen to be staked, and not to become points */
    onTarget?: (part: Omit<Schemas['AimToTake'], 'key'>) => void;
}

/** Asked again for the same place only once. */
export function useThing(project: number, design: number, instance: number, [easting, northing, elevation]: Place, enabled = true) {
    return useQuery({
        queryKey: ['thing', project, design, instance, easting, northing, elevation],
        queryFn: () =>
            ask(
                api.GET('/api/v1/projects/{project}/designs/{design}/things/{thing}', {
                    params: { path: { project, design, thing: instance }, query: { easting, northing, elevation } },
                }),
            ),
        enabled,
        staleTime: Number.POSITIVE_INFINITY,
    });
}

/** What was touched: what it is, what the file says of it, and points on it and all like it. */
export function ThingPanel({ project, design, thing, place, touchedSpot, onShown, onLookAt, built, shownAlike, onTarget }: Props) {
    const units = useUnits();
    const entry = useThing(project, design, thing.instance, place);
    const [open, setOpen] = useState(false);
    return (
        <section aria-label={thing.name || thing.class} className="grid content-start gap-3">
            <div>
                <h3 className="text-lg font-semibold [overflow-wrap:anywhere]">{thing.name || thing.class}</h3>
                <p>
                    {[thing.class, thing.type, thing.storey].filter((w) => w !== '').join(' · ')}
                    {entry.data?.mirrored && ' · mirrored'}
                </p>
                <p>
                    <span className="figure">{thing.size.map((s) => formatLength(s, units.length)).join(' by ')}</span>
                    <span className="text-sm text-quiet"> along its own axes</span>
                </p>
            </div>
            <Failure of={entry.error} />
            {entry.data?.fault && <Notice kind="caution">{entry.data.fault}</Notice>}
            {entry.data && (
                <>
                    {entry.data.noSpots ? (
                        <Notice kind="caution">It {entry.data.noSpots}: nothing of it can be pointed at.</Notice>
                    ) : onTarget ? (
                        <PartTargets
                            key={thing.instance}
                            design={design}
                            entry={entry.data}
                            touchedSpot={touchedSpot}
                            onShown={onShown}
                            onTarget={onTarget}
                        />
                    ) : (
                        <ExampleForm
                            key={thing.instance}
                            project={project}
                            design={design}
                            entry={entry.data}
                            touchedSpot={touchedSpot}
                            shownAlike={shownAlike}
                            onShown={onShown}
                            onLookAt={onLookAt}
                        />
                    )}
                    {built
                        .filter((b) => b.thing === entry.data.guid)
                        .map((b) => (
                            <BuiltWords key={`${b.key} ${b.shots[0]?.markId}`} part={b} />
                        ))}
                    <div>
                        <Button aria-expanded={open} onClick={() => setOpen(!open)}>
                            {open ? 'Less of what the file says' : `What the file says of it (${said(entry.data).length})`}
                        </Button>
                        {open && (
                            <dl className="mt-2 grid grid-cols-[auto_1fr] gap-x-3 gap-y-1 text-sm">
                                {said(entry.data).map(([name, text]) => (
                                    <div key={name} className="contents">
                                        <dt className="text-quiet">{name}</dt>
                                        <dd className="[overflow-wrap:anywhere]">{text}</dd>
                                    </div>
                                ))}
                            </dl>
                        )}
                    </div>
                </>
            )}
        </section>
    );
}

function said(entry: Schemas['ThingEntry']): [string, string][] {
    return [
        ['part of', entry.assembly] as [string, string],
        ['tag', entry.tag] as [string, string],
        ['id', entry.guid] as [string, string],
        ['layer', entry.layers.join(', ')] as [string, string],
        ['instance', `#${entry.number}`] as [string, string],
        ...entry.properties.map((p): [string, string] => [p.name, p.text]),
    ].filter(([, text]) => text !== '');
}
