import type { Schemas } from '../api/client';

/** What was found in a drawing before it is taken. */
export type Inspection = Schemas['Inspection'];
