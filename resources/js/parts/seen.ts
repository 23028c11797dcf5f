import type { StakeoutPoint } from '../api/client';

/** A point as it was when its change was begun. */
export const seenOf = ({ name, northing, easting, elevation, code, description }: StakeoutPoint) => ({
    name,
    northing,
    easting,
    elevation,
    code,
    description,
});
