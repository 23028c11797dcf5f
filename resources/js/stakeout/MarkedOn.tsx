import type { Aim, Schemas } from '../api/client';
import { Choice } from '../parts/Field';

export type DotOn = { on: NonNullable<Schemas['RunSettings']['on']>; wallId: number | null };

/** On what the red dot marks: a floor counts in plan, a wall along it and in height. */
export function MarkedOn({ value, onValue, aims }: { value: DotOn; onValue: (value: DotOn) => void; aims: Aim[] }) {
    const lines = aims.filter((a) => a.kind === 'line');
    return (
        <div className="grid grid-cols-2 gap-3">
            <Choice
                label="Marked on"
                value={value.on}
                options={[
                    ['slab', 'a floor or ceiling'],
                    ['wall', 'a wall'],
                    ['ray', 'whatever the beam hits'],
                ]}
                onValue={(on) => onValue({ ...value, on })}
            />
            {value.on === 'wall' && (
                <Choice
                    label="The wall runs along"
                    value={value.wallId === null ? '' : String(value.wallId)}
                    options={[['', 'the dot finds it, by two hits'], ...lines.map((l) => [String(l.id), l.name] as const)]}
                    onValue={(id) => onValue({ ...value, wallId: id === '' ? null : Number(id) })}
                />
            )}
        </div>
    );
}
