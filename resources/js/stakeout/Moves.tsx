import type { Move } from './sheetFigures';

/** How to move the pole, or where it stands, in words and figures as large as fit. */
export function Moves({ moves, from }: { moves: Move[]; from: string }) {
    return (
        <div className="flex-[1_0_16rem]">
            <dl aria-label="Moves" className="grid">
                {moves.map((m) => (
                    <div key={m.word} className="flex flex-wrap items-baseline justify-between gap-x-3 border-rule border-b leading-tight">
                        <dt className="text-lg @2xl:text-xl">{m.word}</dt>
                        <dd className="figure font-bold ml-auto text-3xl @2xl:text-4xl">{m.text}</dd>
                    </div>
                ))}
            </dl>
            <div className="text-sm text-quiet">{from}</div>
        </div>
    );
}
