import { useState } from 'react';
import { Link } from 'react-router';
import type { Aim, Mark } from '../api/client';
import { useBuilt } from '../api/hooks';
import { Button, buttonLook } from '../parts/Button';
import { TextField } from '../parts/Field';
import { Coordinates, Deviation, Sided } from '../parts/Figure';
import { NextStep } from '../parts/NextStep';
import { Failure, Notice } from '../parts/Notice';
import { Verdict } from '../parts/Verdict';
import { MarkResult } from '../setups/MarkResult';
import { BuiltWords } from '../space/BuiltWords';
import { Sheet } from '../stage/Sheet';
import type { StageProps } from '../stage/stages';
import { BuildPanel } from './BuildPanel';
import { FaceWords } from './FaceWords';
import { FilterLine } from './FilterLine';
import { MatchShots } from './MatchShots';
import { ModelTargets } from './ModelTargets';
import { PointChooser } from './PointChooser';
import { PrismLost } from './PrismLost';
import { alongWords } from './sheetFigures';
import { liveOf, targetOf } from './target';
import { useAimFigure } from './useAimFigure';
import { useBuiltShot } from './useBuiltShot';
import { NearestOffered } from './WhereAmI';

/** Held against until another is chosen. */
const KEPT: Aim['kind'][] = ['surface', 'face', 'axis'];

/** What was built: anything the pole stands on, by itself or against its design point. */
export function AsBuilt(props: StageProps) {
    const { project, points, aims, marks, live, setTarget, setAim } = props;
    const [name, setName] = useState('');
    const [code, setCode] = useState('');
    const [note, setNote] = useState('');
    const [stored, setStored] = useState<Mark | null>(null);
    const aim = targetOf(props);
    const built = useBuilt(project.id).data ?? [];
    useAimFigure(aim?.kind === 'aim' ? aim.aim : null, aims);
    const shot = useBuiltShot(project, live, marks, (mark, inSeries) => {
        setStored(mark);
        if (inSeries) {
            return;
        }
        setName('');
        setNote('');
        // The next shot says anew what it is held against, but where a surface grows, or one thing is shot again and again.
        aim?.kind === 'aim' && KEPT.includes(aim.aim.kind) ? setAim(aim.aim.id) : setTarget(null);
    });
    const shown = name.trim() || aim?.name;
    // Where the pole stands against it, before anything is measured.
    const held = liveOf(live, aim);
    const against = shot.onThePrism ? (held?.guidance ?? null) : null;
    if (!project.setup) {
        return (
            <Sheet title="As-built">
                <Notice>The instrument has not been set up yet: it does not know where it stands.</Notice>
                <Link data-next className={buttonLook('primary')} to={`/p/${project.id}/set-up`}>
                    Set up the instrument
                </Link>
            </Sheet>
        );
    }
    const shots = marks.filter((m) => m.kind === 'as_built').reverse();
    return (
        <Sheet
            title="As-built"
            next={
                <Button
                    kind="primary"
                    busy={shot.busy}
                    disabled={!shot.running && (!shown || !shot.ready)}
                    onClick={() => shot.measure({ target: aim, judged: props.judged ?? null, name: name.trim(), code, note: note.trim() })}
                >
                    {shot.busy
                        ? 'Measuring…'
                        : (shot.word ??
                          `Measure ${shown === aim?.name && aim?.kind === 'aim' ? '' : `${shown ?? ''} `}${aim === null ? '' : aim.kind === 'point' && aim.name === shown ? 'against its design' : `against ${aim.name}`}`)}
                </Button>
            }
        >
            {(against || !shown) && (
                <NextStep as="says">
                    {against ? (
                        <p>
                            <Verdict of={against.verdict} judged={held?.judged} />:{' '}
                            {held?.judged === 'height' ? (
                                <Sided of={against.raise === null ? null : -against.raise} side="grade" none="no design here" />
                            ) : (
                                <>
                                    <Deviation of={against.distance} /> off in plan,{' '}
                                    <Sided of={against.raise === null ? null : -against.raise} side="height" none="no height" />
                                </>
                            )}
                        </p>
                    ) : (
                        <p className="text-quiet">Touch the point it is held against, or name what is measured.</p>
                    )}
                </NextStep>
            )}
            <FilterLine {...props} shown={points.length} />
            <div className="flex gap-2">
                <PointChooser
                    points={points}
                    aims={aims}
                    chosen={aim}
                    onChoose={(to) => (to?.kind === 'aim' ? setAim(to.aim.id) : setTarget(to?.point.id ?? null))}
                    label="Held against"
                    none="against nothing: measured by itself"
                />
            </div>
            {!aim && live && <NearestOffered project={project} live={live} onHold={setTarget} />}
            {aim && (
                <div className="text-sm text-quiet">
                    Against {aim.name}: {aim.kind === 'point' ? <Coordinates {...aim.point} /> : aim.aim.source}
                    {held?.designed?.on && aim.kind === 'aim' && <> · {alongWords(held.designed.on, project.units.length)}</>}
                </div>
            )}
            {held?.designed?.face && aim?.kind === 'aim' && (
                <p role="status">
                    <FaceWords face={held.designed.face} kind={aim.aim.kind} />
                </p>
            )}
            <ModelTargets {...props} onTaken={(a) => setAim(a.id)} />
            {built
                .filter((b) => aim?.kind === 'aim' && b.key === aim.aim.key)
                .map((b) => (
                    <BuiltWords key={`${b.key} ${b.shots[0]?.markId}`} part={b} />
                ))}
            <BuildPanel project={project} aim={props.aim} onAim={setAim} />
            <div className="grid grid-cols-2 gap-3">
                <TextField
                    label="Name"
                    value={name}
                    onValue={setName}
                    placeholder={aim?.name ?? ''}
                    hint={aim ? 'empty: as the design point' : undefined}
                />
                <TextField
                    label="Code"
                    value={code}
                    onValue={setCode}
                    placeholder={aim?.kind === 'point' ? aim.point.code : (aim?.aim.code ?? '')}
                />
            </div>
            {shot.ways}
            <TextField label="Note" value={note} onValue={setNote} maxLength={500} hint="stands with the shot in book and report" />
            {live?.pole ? (
                <p className="text-sm">
                    The pole stands at <Coordinates {...live.pole} />
                </p>
            ) : (
                <PrismLost project={project.id} live={live} searching />
            )}
            <Failure of={shot.error} />
            {shot.question}
            <MatchShots project={project} marks={marks} />
            <section aria-label="As-built shots">
                {/* By its reading: a mark that is told anew goes on where it stood, with what is open in it. */}
                {shots.slice(0, 30).map((m) => (
                    <MarkResult key={m.observationId} mark={m} latest={m.observationId === stored?.observationId} project={project.id} />
                ))}
                {shots.length === 0 && <p className="text-quiet">Nothing has been measured as built yet.</p>}
            </section>
        </Sheet>
    );
}
