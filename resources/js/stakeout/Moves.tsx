import type { Schemas } from '../api/client';
import { formatDeviation, formatLength } from '../units/format';
import { useUnits } from '../units/UnitsContext';

/** How to move the pole, in words and figures as large as fit. Left and right are those of whoever faces the instrument. */
export function Moves({ guidance: g, by }: { guidance: Schemas['Guidance']; by: 'instrument' | 'north' }) {
    const { length } = useUnits();
    const text = (m: number) => (Math.abs(m) < 0.5 ? formatDeviation(Math.abs(m), length) : formatLength(Math.abs(m), length));
    const moves =
        by === 'instrument'
            ? [
                  { word: g.toward >= 0 ? 'toward instrument' : 'away from instrument', value: g.toward },
                  { word: g.right >= 0 ? 'to your right' : 'to your left', value: g.right },
              ]
            : [
                  { word: g.north >= 0 ? 'north' : 'south', value: g.north },
                  { word: g.east >= 0 ? 'east' : 'west', value: g.east },
              ];
    return (
        <div className="flex-[1_0_16rem]">
            <dl aria-label="Moves" className="grid">
                {[...moves, { word: g.raise === null ? 'height' : g.raise >= 0 ? 'raise' : 'lower', value: g.raise }].map((m) => (
                    <div key={m.word} className="flex flex-wrap items-baseline justify-between gap-x-3 border-rule border-b leading-tight">
                        <dt className="text-lg @2xl:text-xl">{m.word}</dt>
                        <dd className="figure font-bold ml-auto text-3xl @2xl:text-4xl">
                            {m.value === null ? 'no design' : text(m.value)}
                        </dd>
                    </div>
                ))}
            </dl>
            <div className="text-sm text-quiet">
                {by === 'instrument' ? 'as you hold the pole and face the instrument' : 'by the site grid'}
            </div>
        </div>
    );
}
