import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, type Project, type Schemas } from '../api/client';
import { useDeed } from '../api/hooks';
import { Button } from '../parts/Button';
import { CheckBox } from '../parts/CheckBox';
import { TextField } from '../parts/Field';
import { Deviation, Sided, SmallAngle } from '../parts/Figure';
import { Failure } from '../parts/Notice';
import { Scroll } from '../parts/Scroll';

type Mended = Schemas['MendedSetupEntry'];

/** What was mended since, worked through setups and marks: old beside new, adopted when told. */
export function MendedSetups({ project }: { project: Project }) {
    const path = { params: { path: { project: project.id } } };
    const proposals = useQuery({
        queryKey: [project.id, 'setup-proposals'],
        queryFn: () => ask(api.GET('/api/v1/projects/{project}/setup-proposals', path)),
    });
    const [left, setLeft] = useState<ReadonlySet<number>>(new Set());
    const [note, setNote] = useState('');
    const adopt = useDeed(project.id, (setupIds: number[]) =>
        ask(api.POST('/api/v1/projects/{project}/setup-proposals-adoption', { ...path, body: { setupIds, note } })),
    );
    const list = proposals.data ?? [];
    if (list.length === 0) {
        return <Failure of={proposals.error ?? adopt.error} />;
    }
    const chosen = list.filter((m) => !left.has(m.setupId));
    return (
        <section className="grid grid-cols-[minmax(0,1fr)] gap-2 border-2 border-open p-3" aria-label="Mended since">
            <h2 className="font-semibold">Mended since: what would change</h2>
            {list.map((m) => (
                <div key={m.setupId} className="border-rule border-t">
                    <CheckBox
                        label={
                            <span>
                                Setup {m.number}, {m.stationName}: the station moves by <Deviation of={Math.hypot(m.north, m.east)} />
                                {m.up !== null && (
                                    <>
                                        , {m.up < 0 ? 'down' : 'up'} <Deviation of={Math.abs(m.up)} />
                                    </>
                                )}
                                , turns by <SmallAngle of={m.turn} />; {m.markCount} {m.markCount === 1 ? 'mark moves' : 'marks move'} by{' '}
                                <Deviation of={m.largest} /> at most
                            </span>
                        }
                        checked={!left.has(m.setupId)}
                        onChecked={(on) => setLeft(new Set(on ? [...left].filter((id) => id !== m.setupId) : [...left, m.setupId]))}
                    />
                    <MendedMarks mended={m} />
                </div>
            ))}
            <TextField
                label="What was mended, and why"
                value={note}
                onValue={setNote}
                hint="It stays in the field book, beside the old figures."
            />
            <Button
                className="min-h-16"
                busy={adopt.isPending}
                disabled={note.trim() === '' || chosen.length === 0}
                onClick={() => adopt.mutate(chosen.map((m) => m.setupId))}
            >
                Adopt the mended figures
            </Button>
            <Failure of={adopt.error} />
        </section>
    );
}

/** Marks as they are, and as they would be. */
export function MendedMarks({ mended }: { mended: Mended }) {
    const shown = mended.marks.filter((m) => m.was && m.would);
    return shown.length === 0 ? null : (
        <details>
            <summary className="min-h-12 cursor-pointer content-center">Old beside new</summary>
            <Scroll label="Old beside new">
                <table className="list sided">
                    <thead>
                        <tr>
                            <th>mark</th>
                            <th className="n">plan, was</th>
                            <th className="n">would be</th>
                            <th className="n">height, was</th>
                            <th className="n">would be</th>
                        </tr>
                    </thead>
                    <tbody>
                        {shown.map((m) => (
                            <tr key={m.markId}>
                                <td>{m.name}</td>
                                <td className="n">
                                    <Deviation of={m.was?.plan} />
                                </td>
                                <td className="n">
                                    <Deviation of={m.would?.plan} />
                                </td>
                                <td className="n">
                                    <Sided of={m.was?.height} side="height" none="none" />
                                </td>
                                <td className="n">
                                    <Sided of={m.would?.height} side="height" none="none" />
                                </td>
                            </tr>
                        ))}
                    </tbody>
                </table>
            </Scroll>
        </details>
    );
}
