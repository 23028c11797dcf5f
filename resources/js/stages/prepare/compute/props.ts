import type { StakeoutPoint } from '../../../api/client';
import type { StageProps } from '../../../frame/stages';
import type { Construction } from './draft';
import type { Elevation } from './ElevationInput';
import type { KindSpec } from './kinds';

export interface ComputationProps extends StageProps {
    spec: KindSpec;
    onClose: () => void;
    /** a point whose recipe is being changed */
    point?: StakeoutPoint;
    recipe?: { construction: Construction; letter: string; index: number; elevation: Elevation | null };
}
