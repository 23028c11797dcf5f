import { useState } from 'react';
import type { Draft, SetupState } from '../api/client';
import { Button } from '../parts/Button';

type Method = SetupState['draft']['method'];

const METHODS: [Method, string, string][] = [
    ['resection', 'Resection', 'The instrument stands anywhere and sights control: by angles and distances, or by either alone.'],
    ['known_backsight', 'Known point', 'The instrument stands on a control point and sights one backsight or several.'],
    [
        'known_direction',
        'Given direction',
        'The instrument stands on a control point; the direction to some mark is given, and nothing checks it.',
    ],
    ['grid_lines', 'Grid lines', 'The instrument stands anywhere; shots are taken along two lines that cross, or more.'],
    ['baseline', 'Baseline', 'A system of its own: from an assumed place, turned so that the line between two marks has its direction.'],
    ['height_only', 'Height only', 'The setup that holds keeps its place; benchmarks give its height.'],
    [
        'orientation_only',
        'Turn again',
        'The setup that holds keeps its place; after a knock or a turned circle its orientation is found again.',
    ],
];

interface Props {
    method: Method;
    /** a setup holds of which a part can be found again */
    again: boolean;
    onChange: (part: Partial<Draft>) => void;
}

/** How the instrument finds its place. */
export function Methods({ method, again, onChange }: Props) {
    const [, name, says] = METHODS.find(([m]) => m === method) ?? ['', '', ''];
    const [choosing, setChoosing] = useState(false);
    if (!choosing) {
        return (
            <div className="flex items-center gap-2">
                <p className="min-w-0 flex-1 text-sm">
                    <strong className="text-base">{name}.</strong> <span className="text-quiet">{says}</span>
                </p>
                <Button onClick={() => setChoosing(true)}>Another way</Button>
            </div>
        );
    }
    return (
        <fieldset className="grid gap-2">
            <legend className="mb-1 text-sm text-quiet">How the instrument finds its place</legend>
            <div className="grid grid-cols-3 gap-2">
                {METHODS.filter(([m]) => again || (m !== 'height_only' && m !== 'orientation_only')).map(([m, word]) => (
                    <Button
                        key={m}
                        className="px-1"
                        pressed={method === m}
                        onClick={() => {
                            onChange({ method: m, place: 0 });
                            setChoosing(false);
                        }}
                    >
                        {word}
                    </Button>
                ))}
            </div>
        </fieldset>
    );
}

export const methodName = (method: string): string => METHODS.find(([m]) => m === method)?.[1] ?? method;

export const methodWords = (method: string): string => methodName(method).toLowerCase();
