import { Button } from '../parts/Button';
import { Choice, LengthField } from '../parts/Field';
import { type HiddenShot, METHODS } from '../parts/foundFrom';

export interface Several {
    shot: HiddenShot;
    /** numbers of the readings that were taken so far */
    taken: number[];
}

const BEGIN: Several = { shot: { method: 'two_tapes', first: 0, second: 0, right: true }, taken: [] };

/** A place that is found from several shots: how, what is taped, and which shot comes next. */
export function SeveralShots({ value, onValue }: { value: Several | null; onValue: (several: Several | null) => void }) {
    if (value === null) {
        return <Button onClick={() => onValue(BEGIN)}>From several shots</Button>;
    }
    const { shot, taken } = value;
    const method = METHODS[shot.method];
    const change = (part: Partial<HiddenShot>) => onValue({ ...value, shot: { ...shot, ...part } });
    return (
        <section aria-label="From several shots" className="grid w-full gap-2 border-chalk border-l-4 pl-3">
            <div className="flex flex-wrap items-center justify-between gap-2">
                <h2 className="font-semibold">From several shots</h2>
                <div className="flex flex-wrap gap-2">
                    {taken.length > 0 && <Button onClick={() => onValue({ shot, taken: [] })}>Begin again</Button>}
                    <Button onClick={() => onValue(null)}>On the prism</Button>
                </div>
            </div>
            <Choice
                label="What is found"
                value={shot.method}
                onValue={(m) => onValue({ shot: { ...BEGIN.shot, method: m }, taken: [] })}
                options={Object.entries(METHODS).map(([m, { label }]): [HiddenShot['method'], string] => [
                    m as HiddenShot['method'],
                    label,
                ])}
            />
            {method.first && (
                <div key={shot.method} className="grid grid-cols-2 gap-3">
                    <LengthField
                        label={method.first}
                        value={shot.first || null}
                        onValue={(m) => change({ first: Math.abs(m ?? 0) })}
                        optional
                    />
                    {method.second && (
                        <LengthField
                            label={method.second.label}
                            value={shot.second || null}
                            onValue={(m) => change({ second: Math.abs(m ?? 0) })}
                            optional
                        />
                    )}
                </div>
            )}
            {shot.method === 'two_tapes' && (
                <Choice
                    label="It lies"
                    value={shot.right ? 'right' : 'left'}
                    onValue={(side) => change({ right: side === 'right' })}
                    options={[
                        ['right', 'right, looking from the first to the second'],
                        ['left', 'left, looking from the first to the second'],
                    ]}
                />
            )}
            <ol className="grid gap-1">
                {method.shots.map((words, k) => (
                    <li key={words} className={k === taken.length ? 'font-semibold' : 'text-quiet'}>
                        {k < taken.length ? '● taken' : k === taken.length ? '▸ next' : '○ then'}: {words}
                    </li>
                ))}
            </ol>
        </section>
    );
}
