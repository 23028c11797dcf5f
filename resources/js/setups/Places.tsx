import type { Draft, SetupState } from '../api/client';
import { Button } from '../parts/Button';
import { Coordinates, Direction } from '../parts/Figure';

/** Where two places fit, both are shown, and what is seen on site decides. */
export function Places({ state, onChange }: { state: SetupState; onChange: (part: Partial<Draft>) => void }) {
    if (state.places.length < 2) {
        return null;
    }
    const chosen = state.places[state.draft.place] ? state.draft.place : 0;
    return (
        <section className="grid gap-2 border-2 border-open p-3" aria-label="Two places fit">
            <h2 className="font-semibold">Two places fit</h2>
            <p className="text-sm">Both are drawn on the plan. Choose the one that agrees with what you see from the instrument.</p>
            {state.places.map((p, i) => (
                <Button
                    key={`${p.station.mark.northing} ${p.station.mark.easting}`}
                    pressed={i === chosen}
                    className="h-auto py-2 text-left"
                    onClick={() => onChange({ place: i })}
                >
                    <span className="grid">
                        <span className="font-semibold">Place {i + 1}</span>
                        <Coordinates northing={p.station.mark.northing} easting={p.station.mark.easting} />
                        <span className="text-sm">
                            circle zero toward <Direction of={p.station.orientation} />
                            {p.onDrawn !== null && `; ${p.onDrawn} of ${p.shots.length} shots lie on the drawn parts of their lines`}
                        </span>
                    </span>
                </Button>
            ))}
        </section>
    );
}
