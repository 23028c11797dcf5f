import type { Schemas } from '../api/client';

export type Unit = Schemas['DrawingToTake']['unit'];

export const METRES: Record<Unit, number> = { m: 1, cm: 0.01, mm: 0.001, ft: 0.3048, usft: 1200 / 3937, in: 0.0254 };

export const UNIT_NAMES: Record<Unit, string> = {
    m: 'metres',
    cm: 'centimetres',
    mm: 'millimetres',
    ft: 'international feet',
    usft: 'US survey feet',
    in: 'inches',
};
