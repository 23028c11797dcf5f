import type { StakeoutPoint } from '../api/client';
import type { StageProps } from './stages';

export interface DeedProps extends StageProps {
    /** the points it is done with */
    those: StakeoutPoint[];
    onDone: () => void;
}
