import { Box } from 'lucide-react';
import { useState } from 'react';
import type { Aim, Design } from '../api/client';
import { Button } from '../parts/Button';
import { Failure } from '../parts/Notice';
import { InSpace, modelsOf } from '../space/InSpace';
import type { StageProps } from '../stage/stages';
import { useTakeAim } from './useTaking';

/** Faces, axes, edges and spots of building models, chosen in space to be staked or held against. */
export function ModelTargets({ onTaken, ...stage }: StageProps & { onTaken: (aim: Aim) => void }) {
    const models = modelsOf(stage.designs);
    const [model, setModel] = useState<Design | null>(null);
    const take = useTakeAim(stage.project.id, (aim) => {
        setModel(null);
        onTaken(aim);
    });
    if (models.length === 0) {
        return null;
    }
    return (
        <section aria-label="Building models" className="grid gap-1">
            <h2 className="text-sm text-quiet">A face, an axis or an edge of a building model</h2>
            <div className="flex flex-wrap gap-2">
                {models.map((m) => (
                    <Button key={m.id} icon={<Box />} onClick={() => setModel(m)}>
                        {m.name} in space
                    </Button>
                ))}
            </div>
            <Failure of={take.error} />
            <InSpace {...stage} model={model} onClose={() => setModel(null)} onTarget={(part) => take.mutate(part)} />
        </section>
    );
}
