import type { Mark, Schemas, Units } from '../api/client';
import { offsetWords } from '../civil/Offset';
import { Button } from '../parts/Button';
import { Dialog } from '../parts/Dialog';
import { NextStep } from '../parts/NextStep';
import { formatLength, formatStation, inWords, sidedLength } from '../units/format';
import { useUnits } from '../units/UnitsContext';

type Line = Schemas['StakingChoices']['lathLines'][number];

/** What is copied onto the lath by hand, a line for each that was chosen and has something to say. */
export function lathLines(mark: Mark, lines: readonly Line[], units: Pick<Units, 'length' | 'station'>): string[] {
    const { aimed, deviation, design } = mark;
    const { length } = units;
    const said: Record<Line, () => string> = {
        name: () => mark.name,
        code: () => mark.code,
        along: () =>
            aimed?.station != null
                ? `${formatStation(aimed.station, units)}${(aimed.region ?? 1) > 1 ? ` (${aimed.region})` : ''} ${aimed.name}`
                : aimed?.along == null
                  ? ''
                  : `${formatLength(aimed.along, length)} along ${[aimed.name, aimed.parallelName].filter(Boolean).join(', ')}`,
        offset: () =>
            aimed?.axisOffset != null
                ? offsetWords(aimed.axisOffset, length)
                : aimed?.offset == null
                  ? ''
                  : inWords(sidedLength(aimed.offset, 'line', length)),
        parallel: () =>
            aimed?.parallel
                ? `${formatLength(Math.abs(aimed.parallel), length)} ${aimed.parallel < 0 ? 'left' : 'right'} of ${aimed.name}`
                : '',
        // What stands above the design is cut, what lies below is filled: said as a length, for it may be metres.
        cut_fill: () => {
            const height = deviation?.height;
            if (height == null || design?.elevation == null) {
                return '';
            }
            const to = `to ${formatLength(design.elevation, length)}`;
            const much = formatLength(Math.abs(height), length);
            return much === formatLength(0, length)
                ? `on grade, ${formatLength(design.elevation, length)}`
                : `${height > 0 ? 'CUT' : 'FILL'} ${much} ${to}`;
        },
        elevation: () => (mark.found.elevation == null ? '' : `El ${formatLength(mark.found.elevation, length)}`),
    };
    return lines.map((l) => said[l]()).filter(Boolean);
}

/** One large page to copy from. */
export function Lath({ mark, lines, onClose }: { mark: Mark; lines: readonly Line[]; onClose: () => void }) {
    const units = useUnits();
    return (
        <Dialog open onClose={onClose} title="On the lath" wide>
            <div className="grid gap-3 py-2">
                {lathLines(mark, lines, units).map((line, i) => (
                    <p key={line} className={`figure [overflow-wrap:anywhere] ${i === 0 ? 'font-bold text-6xl' : 'text-4xl'}`}>
                        {line}
                    </p>
                ))}
            </div>
            <NextStep>
                <Button kind="primary" onClick={onClose}>
                    Written down
                </Button>
            </NextStep>
        </Dialog>
    );
}
