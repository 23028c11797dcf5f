import type { StakeoutPoint } from '../api/client';
import type { Elevation } from '../givens/ElevationInput';
import type { StageProps } from '../stage/stages';
import type { Construction } from './draft';
import type { KindSpec } from './kinds';

export interface ComputationProps extends StageProps {
    spec: KindSpec;
    onClose: () => void;
    /** a point whose recipe is being changed */
    point?: StakeoutPoint;
    recipe?: { construction: Construction; letter: string; index: number; elevation: Elevation | null };
}
