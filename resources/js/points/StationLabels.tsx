import { useState } from 'react';
import { useAlignments } from '../civil/hooks';
import { keepStationLabels } from '../civil/keptLabels';
import { Button } from '../parts/Button';
import { CheckBox } from '../parts/CheckBox';
import { Choice } from '../parts/Field';
import { Notice } from '../parts/Notice';
import { Step } from '../parts/Step';
import type { DeedProps } from '../stage/deed';

/** Labels of station and offset for the points that were chosen; they stay on the plan until others are asked for, or none. */
export function StationLabels({ project, those, onDone }: DeedProps) {
    const alignments = useAlignments(project.id).data ?? [];
    const [chosen, setChosen] = useState<number | null>(null);
    const [feet, setFeet] = useState(true);
    const alignment = alignments.find((a) => a.id === chosen) ?? alignments[0];
    if (!alignment) {
        return <Notice>There is no alignment yet: drop a civil model under Designs, or make one.</Notice>;
    }
    return (
        <form className="grid gap-3" onSubmit={(e) => e.preventDefault()}>
            <Choice
                label="Alignment"
                value={String(alignment.id)}
                onValue={(id) => setChosen(Number(id))}
                options={alignments.map((a) => [String(a.id), a.name] as const)}
            />
            <CheckBox label="With the foot on the alignment" checked={feet} onChecked={setFeet} />
            <Step
                second={
                    <Button
                        onClick={() => {
                            keepStationLabels(project.id, null);
                            onDone();
                        }}
                    >
                        None
                    </Button>
                }
                onClick={() => {
                    keepStationLabels(project.id, { alignment: alignment.id, points: those.map((p) => p.id), feet });
                    onDone();
                }}
            >
                Label {those.length} points
            </Step>
        </form>
    );
}
