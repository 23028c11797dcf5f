import { type RefObject, useEffect, useRef } from 'react';
import type { PlanPlace } from './contract';
import type { PlanMap } from './PlanMap';

interface Scene {
    control: PlanPlace[];
    station: PlanPlace | null;
    aim: PlanPlace | null;
    pole: PlanPlace | null;
}

/** The stages that are about the instrument and what it sights. */
const IN_THE_FIELD = ['set-up', 'stake', 'as-built'];

/**
 * The plan goes along, unless it is held still: whoever comes to set up or stake finds the instrument, the control and the target in
 * view, and a target chosen outside it brings the plan there.
 */
export function useGoingAlong(plan: RefObject<PlanMap | null>, still: boolean, ready: boolean, stage: string, scene: Scene) {
    const now = useRef(scene);
    now.current = scene;
    const held = useRef(still);
    held.current = still;
    useEffect(() => {
        const { control, station, aim } = now.current;
        if (ready && !held.current && IN_THE_FIELD.includes(stage)) {
            plan.current?.bringIntoView([...control, station, aim].filter((p) => p !== null));
        }
    }, [plan, ready, stage]);
    const northing = scene.aim?.northing;
    const easting = scene.aim?.easting;
    useEffect(() => {
        const { station, pole } = now.current;
        if (northing !== undefined && easting !== undefined && !held.current) {
            plan.current?.bringIntoViewWith(
                { northing, easting },
                [pole, station].filter((p) => p !== null),
            );
        }
    }, [plan, northing, easting]);
}
