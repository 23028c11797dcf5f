import { useEffect, useState } from 'react';
import type { Schemas } from '../api/client';
import { Button } from '../parts/Button';
import type { ExampleShown } from './ExampleForm';
import type { SpaceSpot } from './SpaceDots';

interface Props {
    design: number;
    entry: Schemas['ThingEntry'];
    touchedSpot: { spot: number; time: number } | null;
    onShown: (shown: ExampleShown) => void;
    onTarget: (part: Omit<Schemas['AimToTake'], 'key'>) => void;
}

/** What of a touched thing can be staked: the face that was touched, its axis, a spot, or the line between two. */
export function PartTargets({ design, entry, touchedSpot, onShown, onTarget }: Props) {
    const [chosen, setChosen] = useState<number[]>([]);
    useEffect(() => {
        if (touchedSpot) {
            const { spot } = touchedSpot;
            // Two at most: of a third the first is let go.
            setChosen((now) => (now.includes(spot) ? now.filter((i) => i !== spot) : [...now, spot].slice(-2)));
        }
    }, [touchedSpot]);
    const spots = entry.spots.map((o, i): SpaceSpot => ({ place: [o.easting, o.northing, o.elevation], chosen: chosen.includes(i) }));
    const key = JSON.stringify([entry.number, chosen]);
    // biome-ignore lint/correctness/useExhaustiveDependencies: the key says all of what is shown
    useEffect(() => onShown({ spots, things: [], found: [] }), [key]);

    const part = { designId: design, guid: entry.guid, number: entry.number, topology: entry.topology };
    const places = chosen.flatMap((i) => {
        const spot = entry.spots[i]?.spot;
        return spot ? [{ element: { designId: design, guid: entry.guid, number: entry.number, spot } }] : [];
    });
    const [first, second] = chosen.map((i) => entry.spots[i]);
    return (
        <section aria-label="What of it is staked" className="grid gap-2 border-t-2 border-ink pt-3">
            {entry.face && (
                <Button onClick={() => onTarget({ part: { ...part, face: entry.face?.face ?? null } })}>
                    Its face that looks {entry.face.looks}
                </Button>
            )}
            <Button onClick={() => onTarget({ part })}>Its axis, to be plumbed</Button>
            {first && !second && (
                <Button onClick={() => onTarget({ place: places[0] ?? null })}>
                    The spot: {first.what}
                    {first.level && `, ${first.level}`}
                </Button>
            )}
            {first && second && <Button onClick={() => onTarget({ line: { places } })}>The line between the two spots</Button>}
            <p className="text-sm text-quiet">
                {chosen.length === 0 ? 'Touch a ring for a spot of it; two rings for the line between them.' : ''}
                {!entry.face && ' Touch a face of it to be told which way it looks.'}
            </p>
        </section>
    );
}
