/** How surfaces that are drawn together are told apart, one after another. */
export const DASHES = ['', '8 4', '2 4', '10 3 2 3', '14 4', '4 2'];

/** A piece of a line as it is drawn, beside its name. */
export const LineSample = ({ kind, dashes, heavy = false }: { kind: 'design' | 'surface' | 'ground'; dashes: string; heavy?: boolean }) => (
    <svg width="34" height="10" className="mr-1 inline-block align-middle" aria-hidden="true">
        <line
            x1="0"
            x2="34"
            y1="5"
            y2="5"
            className={kind === 'design' ? 'stroke-ink' : kind === 'surface' ? 'stroke-chalk' : 'stroke-quiet'}
            strokeWidth={heavy ? 3 : 2}
            strokeDasharray={dashes}
        />
    </svg>
);
