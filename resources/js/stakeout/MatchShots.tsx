import { useQuery } from '@tanstack/react-query';
import { Magnet } from 'lucide-react';
import { useState } from 'react';
import { api, ask, type Mark, type Project, type Schemas } from '../api/client';
import { useDayDeed } from '../api/hooks';
import { Button } from '../parts/Button';
import { Dialog } from '../parts/Dialog';
import { Choice, LengthField } from '../parts/Field';
import { NextStep } from '../parts/NextStep';
import { Failure, Notice } from '../parts/Notice';
import { formatDeviation } from '../units/format';
import { useUnits } from '../units/UnitsContext';
import { chosenOf, keptOf } from './match';

type Match = Schemas['ShotMatchEntry'];

const DOUBTS = { second: '◆ another point lies nearly as near', shared: '◆ another shot lies at this point, too' };

/** Offered where as-built shots are held against nothing: which design points they are of. */
export function MatchShots({ project, marks }: { project: Project; marks: Mark[] }) {
    const [open, setOpen] = useState(false);
    const loose = marks.filter((m) => m.kind === 'as_built' && m.design === null).length;
    if (loose === 0) {
        return null;
    }
    return (
        <>
            <Button icon={<Magnet />} aria-haspopup="dialog" onClick={() => setOpen(true)}>
                Match {loose === 1 ? '1 shot' : `${loose} shots`} to points
            </Button>
            <Dialog open={open} onClose={() => setOpen(false)} title="Match shots to design points">
                {open && <Matches project={project} onKept={() => setOpen(false)} />}
            </Dialog>
        </>
    );
}

function Matches({ project, onKept }: { project: Project; onKept: () => void }) {
    const [reach, setReach] = useState(0.1);
    // What was chosen by hand, by the number of the shot: a point, or none.
    const [byHand, setByHand] = useState<Record<number, number | null>>({});
    const found = useQuery({
        queryKey: [project.id, 'built-matches', reach],
        queryFn: () =>
            ask(api.GET('/api/v1/projects/{project}/built-matches', { params: { path: { project: project.id }, query: { reach } } })),
        gcTime: 0,
    });
    const keep = useDayDeed(project.id, (matches: Schemas['MatchToKeep'][]) =>
        ask(api.POST('/api/v1/projects/{project}/built-matches', { params: { path: { project: project.id } }, body: { matches } })),
    );
    const rows = found.data ?? [];
    const near = rows.filter((m) => m.candidates.length > 0);
    const kept = keptOf(rows, byHand);
    return (
        <div className="grid gap-3">
            <LengthField
                label="Within"
                value={reach}
                onValue={(m) => m !== null && m > 0 && setReach(m)}
                hint="how far a shot may lie from its point; shots farther off stay by themselves"
            />
            <Failure of={found.error ?? keep.error} />
            {found.data && near.length === 0 && <Notice>No point lies that near to any of these shots.</Notice>}
            <div className="grid">
                {near.map((m) => (
                    <Row
                        key={m.markId}
                        match={m}
                        chosen={chosenOf(m, byHand)}
                        onChoose={(point) => setByHand({ ...byHand, [m.markId]: point })}
                    />
                ))}
            </div>
            {rows.length > near.length && near.length > 0 && (
                <p className="text-quiet text-sm">{rows.length - near.length} more have no point that near.</p>
            )}
            <NextStep>
                <Button
                    kind="primary"
                    className="min-h-16"
                    busy={keep.isPending}
                    disabled={kept.length === 0}
                    onClick={() => keep.mutate(kept, { onSuccess: onKept })}
                >
                    {kept.length === 0
                        ? 'Choose points'
                        : `Hold ${kept.length} against ${kept.length === 1 ? 'its point' : 'their points'}`}
                </Button>
            </NextStep>
        </div>
    );
}

function Row({ match: m, chosen, onChoose }: { match: Match; chosen: number | null; onChoose: (point: number | null) => void }) {
    const { length } = useUnits();
    const of = m.candidates.find((c) => c.pointId === chosen);
    return (
        <div className="border-rule border-t py-2">
            <Choice
                label={m.name}
                value={chosen === null ? '' : String(chosen)}
                onValue={(v) => onChoose(v === '' ? null : Number(v))}
                options={[
                    ['', 'by itself'],
                    ...m.candidates.map((c): [string, string] => [
                        String(c.pointId),
                        `${c.name}${c.code === '' ? '' : ` (${c.code})`}, ${formatDeviation(c.distance, length)} away`,
                    ]),
                ]}
            />
            {m.doubt && <p className="text-open text-sm">{DOUBTS[m.doubt]}</p>}
            {of?.built && <p className="text-open text-sm">◆ was measured as built already: of both, the one measured later counts</p>}
        </div>
    );
}
