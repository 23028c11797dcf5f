import type { Live } from '../api/client';
import { offsetWords } from '../civil/Offset';
import { formatStation } from '../units/format';
import { useUnits } from '../units/UnitsContext';
import { alongWords } from './sheetFigures';

/** Where the pole stands beside the second line: the one that moves are said along. */
export function Beside({ live }: { live: Pick<Live, 'by' | 'byStation'> }) {
    const units = useUnits();
    const { by, byStation: s } = live;
    if (!by && !s) {
        return null;
    }
    return (
        <p className="text-sm" role="status">
            <span className="text-quiet">second line:</span>{' '}
            {s
                ? `${formatStation(s.station, units)}${s.regions > 1 ? ` (region ${s.region})` : ''}, ${offsetWords(s.offset, units.length)}`
                : by && `${alongWords(by, units.length)}, ${offsetWords(by.offset, units.length).replace('the axis', 'it')}`}
        </p>
    );
}
