import type { Aim, Schemas } from '../api/client';
import { formatDeviation } from '../units/format';
import { useUnits } from '../units/UnitsContext';

/** How far before a face, or off an axis, the pole stands, and whether it is beside its edges. */
export function FaceWords({ face, kind }: { face: Schemas['OnFace']; kind: Aim['kind'] }) {
    const { length } = useUnits();
    return (
        <>
            <span className="figure">{formatDeviation(Math.abs(face.before), length)}</span>{' '}
            {kind === 'axis' ? 'off the axis' : face.before < 0 ? 'behind the face' : 'in front of the face'}
            {!face.within && (
                <span className="text-open"> · {kind === 'axis' ? 'above or below the thing' : 'beside the edges of the face'}</span>
            )}
        </>
    );
}
