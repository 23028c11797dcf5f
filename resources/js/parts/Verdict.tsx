const VERDICTS = {
    in: { word: 'in tolerance', colour: 'text-in', shape: <circle cx="8" cy="8" r="6.5" fill="currentColor" /> },
    out: { word: 'out of tolerance', colour: 'text-out', shape: <path d="M8 1 15 14H1Z" fill="currentColor" /> },
    close: { word: 'too close to call', colour: 'text-open', shape: <path d="M8 1 15 8 8 15 1 8Z" fill="currentColor" /> },
    undecided: {
        word: 'no design to judge by',
        colour: 'text-open',
        shape: <circle cx="8" cy="8" r="6" fill="none" stroke="currentColor" strokeWidth="2" strokeDasharray="3 2" />,
    },
};

/** What of a mark was judged, where that was not all of it. */
const ONLY = { plan: 'plan only', height: 'height only', plan_and_height: '' };

/** In, out, too close to call or undecided: by shape, word and colour alike; and what was not judged. */
export function Verdict({ of, short = false, judged = 'plan_and_height' }: { of: string; short?: boolean; judged?: keyof typeof ONLY }) {
    const v = VERDICTS[of as keyof typeof VERDICTS] ?? VERDICTS.undecided;
    const only = of === 'undecided' ? '' : ONLY[judged];
    return (
        <span className={`inline-flex items-center gap-1.5 font-semibold ${v.colour}`}>
            <svg viewBox="0 0 16 16" className="size-4 shrink-0" aria-hidden="true">
                {v.shape}
            </svg>
            {short ? ({ undecided: 'no design', close: 'too close' }[of] ?? of) : v.word}
            {only && `, ${only}`}
        </span>
    );
}
