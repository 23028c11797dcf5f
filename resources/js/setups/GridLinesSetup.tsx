import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { api, ask, type Draft, type SetupState } from '../api/client';
import { useGridLines } from '../api/hooks';
import type { GivenLine } from '../givens/given';
import { LineInput } from '../givens/LineInput';
import { TouchContext } from '../givens/touch';
import { Button } from '../parts/Button';
import { Choice, LengthField } from '../parts/Field';
import { Direction, SmallAngle } from '../parts/Figure';
import { Failure, Notice } from '../parts/Notice';
import type { StageProps } from '../stage/stages';
import { Shots } from './Shots';
import { type LineBody, lineBodies, shotBodies } from './sightBodies';

interface Props extends StageProps {
    state: SetupState;
    onChange: (part: Partial<Draft>) => Promise<unknown>;
}

/** Lines that can be seen on site, and shots along them. */
export function GridLinesSetup(props: Props) {
    const { state, onChange } = props;
    const { draft } = state;
    const found = state.solution?.shots ?? [];
    const residuals = new Map(draft.shots.flatMap((s, i) => (found[i] ? [[s.observationId, found[i]] as const] : [])));
    const at = state.solution?.suspectShot ?? null;
    const suspect = at === null ? null : (draft.shots[at]?.observationId ?? null);
    const shotsOn = (line: string) => draft.shots.filter((s) => s.line === line && s.used).length;
    const next = draft.lines.find((l) => shotsOn(l.name) < 2)?.name;
    const change = (name: string, part: Partial<LineBody> | null) =>
        void onChange({
            lines: lineBodies(draft).flatMap((l) => (l.name !== name ? [l] : part === null ? [] : [{ ...l, ...part }])),
            ...(part === null
                ? {
                      shots: shotBodies(draft).filter((s) => s.line !== name),
                  }
                : {}),
        });
    return (
        <section className="grid gap-3" aria-label="Grid lines">
            {draft.lines.map((l) => {
                const count = shotsOn(l.name);
                return (
                    <div key={l.name} className="grid gap-1 border-ink border-t pt-1" data-line={l.name}>
                        <div className="flex items-center justify-between gap-2">
                            <span className="font-semibold">Line {l.name}</span>
                            <span className="text-quiet text-sm">
                                {count} of 2 shots or more, toward <Direction of={l.azimuth} />
                            </span>
                            <Button kind="bare" aria-label={`Drop line ${l.name}`} onClick={() => change(l.name, null)} icon={<Trash2 />} />
                        </div>
                        <LengthField
                            label="Offset of the shots"
                            hint="right of the line; negative left"
                            value={l.offset ?? 0}
                            onValue={(offset) => change(l.name, { offset: offset ?? 0 })}
                        />
                        <LengthField
                            label="Marked to within"
                            value={l.deviation ?? 0}
                            onValue={(deviation) => change(l.name, { deviation: deviation ?? 0 })}
                            hint="how well the chalk line or the edge lies where the design has it: one of three lies farther off"
                        />
                        <Shots
                            {...props}
                            draft={draft}
                            line={l.name}
                            verb={`Measure on line ${l.name}`}
                            residuals={residuals}
                            suspect={suspect}
                            primary={l.name === next}
                            onChange={onChange}
                        />
                    </div>
                );
            })}
            <AddLine
                {...props}
                onAdd={(line) => void onChange({ lines: [...lineBodies(draft), line] })}
                taken={draft.lines.map((l) => l.name)}
            />
            {state.angleOff !== null && state.angleDeviation !== null && (
                <p>
                    The first two lines meet at an angle that differs from the design’s by <SmallAngle of={state.angleOff} />; the shots let
                    expect ± <SmallAngle of={state.angleDeviation} />.
                </p>
            )}
            {state.angleOff !== null && state.angleDeviation !== null && Math.abs(state.angleOff) > 3 * state.angleDeviation && (
                <Notice kind="caution">
                    That is more than the shots explain: one line is not marked where the design has it, or a shot is not on it.
                </Notice>
            )}
        </section>
    );
}

function AddLine({ project, control, points, want, setWant, onAdd, taken }: Props & { onAdd: (line: LineBody) => void; taken: string[] }) {
    const grid = useGridLines(project.id);
    const straight = (grid.data ?? []).filter((g) => !g.ring && !taken.includes(g.name));
    const [given, setGiven] = useState<GivenLine | null>(null);
    const [failure, setFailure] = useState<Error | null>(null);
    const [open, setOpen] = useState(false);
    const add = async () => {
        try {
            const line = await ask(
                api.POST('/api/v1/projects/{project}/site-lines', {
                    params: { path: { project: project.id } },
                    body: { line: given ?? {} },
                }),
            );
            const number = taken.length + 1;
            onAdd({ ...line, name: taken.includes(line.name) || line.name === '' ? `L${number}` : line.name });
            setOpen(false);
            setGiven(null);
            setFailure(null);
        } catch (error) {
            setFailure(error as Error);
        }
    };
    return (
        <div className="grid gap-2">
            {straight.length > 0 && (
                <Choice
                    label="Add a line of the grid"
                    value=""
                    options={[['', 'choose'], ...straight.map((g) => [String(g.id), g.name] as const)]}
                    onValue={(id) => {
                        const g = straight.find((x) => String(x.id) === id);
                        g &&
                            onAdd({
                                name: g.name,
                                northing1: g.northing1,
                                easting1: g.easting1,
                                northing2: g.northing2,
                                easting2: g.easting2,
                                offset: 0,
                            });
                    }}
                />
            )}
            {open ? (
                <TouchContext value={{ want, setWant }}>
                    <form className="grid gap-2" onSubmit={(e) => e.preventDefault()}>
                        <LineInput label="Line" value={given} onValue={setGiven} gridLines={[]} points={points} control={control} />
                        <div className="grid grid-cols-2 gap-2">
                            <Button onClick={() => setOpen(false)}>Cancel</Button>
                            <Button disabled={given === null} onClick={() => void add()}>
                                Take this line
                            </Button>
                        </div>
                        <Failure of={failure} />
                    </form>
                </TouchContext>
            ) : (
                <Button onClick={() => setOpen(true)}>Add a line of the drawing, or through two places</Button>
            )}
        </div>
    );
}
