import type { Schemas } from '../api/client';
import type { PlanTaken } from './contract';
import { spotBody } from './snap';

/** What was touched, as a place to compute from; null where nothing was within reach. */
export function placeOf({ spot, thing }: PlanTaken): Schemas['GivenPlace'] | null {
    if (thing?.what === 'point') {
        return { pointId: thing.id };
    }
    if (thing?.what === 'control') {
        return { controlId: thing.id };
    }
    if (thing?.what === 'pole' || thing?.what === 'instrument') {
        // Where it stood when it was touched: it will move.
        const { northing, easting, elevation = null } = thing.at;
        return { northing, easting, elevation };
    }
    return spot ? { spot: spotBody(spot) } : null;
}

/** What was touched, by the words that stand beside it on the plan. */
export function takenWords({ spot, thing }: PlanTaken): string {
    switch (thing?.what) {
        case 'point':
        case 'control':
            return thing.name;
        case 'pole':
            return 'the pole';
        case 'instrument':
            return 'the instrument';
        default:
            return spot?.label ?? '';
    }
}
