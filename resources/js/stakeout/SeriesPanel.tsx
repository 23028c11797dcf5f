import { Button } from '../parts/Button';
import { Choice, LengthField, NumberField } from '../parts/Field';
import { Notice } from '../parts/Notice';
import type { Series } from './series';

interface Props {
    value: Series | null;
    onValue: (series: Series | null) => void;
    running: boolean;
    count: number;
    /** why it stopped by itself */
    why: string | null;
}

const BEGIN: Series = { by: 'metres', step: 2 };

/** Shots by themselves while one walks: how often, how many there are, and why it stopped. */
export function SeriesPanel({ value, onValue, running, count, why }: Props) {
    if (value === null) {
        return <Button onClick={() => onValue(BEGIN)}>Series</Button>;
    }
    return (
        <section aria-label="Series" className="grid w-full gap-2 border-chalk border-l-4 pl-3">
            <div className="flex flex-wrap items-center justify-between gap-2">
                <h2 className="font-semibold">Series</h2>
                {!running && <Button onClick={() => onValue(null)}>One by one</Button>}
            </div>
            {!running && (
                <div className="grid grid-cols-2 gap-3">
                    <Choice
                        label="A shot every so many"
                        value={value.by}
                        onValue={(by) => onValue({ by, step: by === 'metres' ? 2 : 5 })}
                        options={[
                            ['metres', 'lengths of way'],
                            ['seconds', 'seconds'],
                        ]}
                    />
                    {value.by === 'metres' ? (
                        <LengthField
                            label="Every"
                            value={value.step}
                            onValue={(m) => m !== null && m > 0 && onValue({ ...value, step: m })}
                        />
                    ) : (
                        <NumberField label="Every" unit="s" value={value.step} onValue={(s) => s >= 1 && onValue({ ...value, step: s })} />
                    )}
                </div>
            )}
            {running && (
                <p role="status" className="text-lg">
                    {count} {count === 1 ? 'shot' : 'shots'} so far: walk on.
                </p>
            )}
            {!running && count > 0 && why === null && (
                <p role="status">
                    {count} {count === 1 ? 'shot was' : 'shots were'} stored.
                </p>
            )}
            {why !== null && (
                <Notice kind="caution">
                    Stopped after {count} {count === 1 ? 'shot' : 'shots'}. {why}
                </Notice>
            )}
        </section>
    );
}
