import type { Mark } from '../api/client';
import { doubtOf } from './conformity';
import { Deviation } from './Figure';

/** How far a mark may be wrong, and how surely it is in where that is in doubt. */
export function Uncertain({ mark }: { mark: Pick<Mark, 'conformance'> }) {
    const c = mark.conformance;
    if (!c) {
        return null;
    }
    const doubt = doubtOf(mark);
    return (
        <span>
            {c.planUncertain !== null && (
                <>
                    ± <Deviation of={c.planUncertain} /> in plan
                </>
            )}
            {c.planUncertain !== null && c.heightUncertain !== null && ', '}
            {c.heightUncertain !== null && (
                <>
                    ± <Deviation of={c.heightUncertain} /> in height
                </>
            )}{' '}
            (95 %){doubt && <b>, {doubt}</b>}
        </span>
    );
}
