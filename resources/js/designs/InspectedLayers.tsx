import { useState } from 'react';
import { Button } from '../parts/Button';
import { TextField } from '../parts/Field';
import { Length } from '../parts/Figure';
import { Scroll } from '../parts/Scroll';
import type { Inspection } from './inspection';

interface Props {
    inspection: Inspection;
    factor: number | null;
    chosen: Set<string>;
    onChosen: (names: Set<string>) => void;
}

/** The layers of a file with what is on them and how large that is; all, none, searched. */
export function InspectedLayers({ inspection, factor, chosen, onChosen }: Props) {
    const [query, setQuery] = useState('');
    const found = inspection.layers.filter((l) => l.name.toLowerCase().includes(query.trim().toLowerCase()));
    const set = (names: string[], on: boolean) => {
        const next = new Set(chosen);
        for (const name of names) {
            on ? next.add(name) : next.delete(name);
        }
        onChosen(next);
    };
    const names = found.map((l) => l.name);
    return (
        <section aria-label="Layers of the file">
            <div className="flex flex-wrap items-end gap-2">
                <h3 className="mr-auto font-semibold">
                    Layers: {chosen.size} of {inspection.layers.length} taken
                </h3>
                <div className="w-48">
                    <TextField label="Search layers" type="search" value={query} onValue={setQuery} />
                </div>
                <Button onClick={() => set(names, true)}>All</Button>
                <Button onClick={() => set(names, false)}>None</Button>
            </div>
            <Scroll label="Layers" className="mt-2 max-h-64 border-t border-rule">
                <ul>
                    {found.map((l) => {
                        const [west = 0, south = 0, east = 0, north = 0] = l.extent;
                        const state = [l.off ? 'off' : '', l.frozen ? 'frozen' : '', l.locked ? 'locked' : ''].filter(Boolean).join(', ');
                        return (
                            <li key={l.name} className="border-b border-rule">
                                <label className="flex min-h-12 cursor-pointer items-center gap-3 px-2 hover:bg-wash">
                                    <input
                                        type="checkbox"
                                        className="size-6 shrink-0"
                                        checked={chosen.has(l.name)}
                                        onChange={() => set([l.name], !chosen.has(l.name))}
                                    />
                                    <span
                                        className="size-4 shrink-0 border border-ink/40"
                                        style={{ background: l.colour }}
                                        aria-hidden="true"
                                    />
                                    <span className="min-w-0 flex-1 truncate">
                                        {l.name}
                                        {state && <span className="text-sm text-open"> {state} in the file</span>}
                                    </span>
                                    {factor !== null && (
                                        <span className="shrink-0 text-sm text-quiet">
                                            <Length of={(east - west) * factor} /> × <Length of={(north - south) * factor} />
                                        </span>
                                    )}
                                    <span className="figure shrink-0 text-right text-sm text-quiet">
                                        {l.kinds.map((k) => `${k.count} ${k.kind}`).join(', ')}
                                    </span>
                                </label>
                            </li>
                        );
                    })}
                </ul>
            </Scroll>
        </section>
    );
}
