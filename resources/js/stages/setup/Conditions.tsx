import type { ControlPoint, Draft, SetupState } from '../../api/client';
import { Choice, LengthField, NumberField } from '../../parts/Field';

interface Props {
    draft: SetupState['draft'];
    control: ControlPoint[];
    onChange: (part: Partial<Draft>) => void;
}

/** Heights, prism and air. */
export function Conditions({ draft, control, onChange }: Props) {
    return (
        <div className="grid grid-cols-2 gap-3">
            {draft.method === 'known_backsight' && (
                <div className="col-span-2">
                    <Choice
                        label="Instrument stands on"
                        value={String(draft.stationControlId ?? '')}
                        onValue={(id) => onChange({ stationControlId: id === '' ? null : Number(id) })}
                        options={[['', 'choose the control point'], ...control.map((c) => [String(c.id), c.name] as const)]}
                    />
                </div>
            )}
            <LengthField
                label="Instrument height"
                value={draft.instrumentHeight}
                onValue={(m) => m !== null && onChange({ instrumentHeight: m })}
                hint="mark to axis, straight up"
            />
            <LengthField label="Target height" value={draft.targetHeight} onValue={(m) => m !== null && onChange({ targetHeight: m })} />
            <NumberField
                label="Prism constant"
                unit="mm"
                value={Number((draft.prismConstant * 1000).toFixed(2))}
                onValue={(mm) => onChange({ prismConstant: mm / 1000 })}
            />
            <NumberField label="Pressure" unit="hPa" value={draft.pressure} onValue={(pressure) => onChange({ pressure })} />
            <NumberField label="Temperature" unit="°C" value={draft.temperature} onValue={(temperature) => onChange({ temperature })} />
            <p className="self-end pb-3 text-sm text-quiet">
                Distances are corrected by <span className="figure">{draft.ppm.toFixed(1)} ppm</span>.
            </p>
        </div>
    );
}
