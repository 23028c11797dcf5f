import type { Live, Project } from '../api/client';
import { useCodes } from '../api/hooks';
import { heightToleranceOf } from '../parts/tolerance';
import type { Moves as SaidBy } from '../stage/stages';
import { useUnits } from '../units/UnitsContext';
import { ApproachDial, HeightBar } from './ApproachDial';
import { Beside } from './Beside';
import { GradeGuide, StationWords, SurfaceWords } from './CivilGuide';
import { FaceWords } from './FaceWords';
import { Moves } from './Moves';
import { alongWords, besideLine, chosenFigures, movesTo, saidFrom, toElevation } from './sheetFigures';
import type { Target } from './target';

interface Props {
    project: Project;
    target: Target;
    live: Pick<Live, 'designed' | 'judged' | 'by' | 'byStation' | 'surfaces' | 'pole' | 'gradeTolerance'> & {
        guidance: NonNullable<Live['guidance']>;
    };
    moves: SaidBy;
}

/** The way to the target, whatever kind of thing it is: a picture of it, and three figures. */
export function Guide({ project, target, live, moves }: Props) {
    const units = useUnits();
    const { length } = units;
    const { guidance: g, designed, judged, by, pole } = live;
    // A code may have tolerances of its own.
    const code = target.kind === 'point' ? target.point.code : target.aim.code;
    const own = useCodes(project.id).data?.find((c) => c.code !== '' && c.code === code);
    const planTolerance = own?.planTolerance ?? project.planTolerance;
    const allowed = heightToleranceOf(project, own);
    if (target.kind === 'aim' && target.aim.kind === 'elevation') {
        return (
            <div className="flex flex-wrap items-center gap-x-5 gap-y-1">
                <HeightBar raise={g.raise} tolerance={allowed} inside={g.heightIn} counts large />
                <Moves moves={toElevation(g.raise, length)} from="wherever the pole stands" />
            </div>
        );
    }
    if (target.kind === 'aim' && (target.aim.kind === 'surface' || target.aim.civil?.grade)) {
        return (
            <>
                {target.aim.kind === 'surface' && <SurfaceWords project={project} target={target} live={live} />}
                <StationWords designed={designed} />
                <GradeGuide live={live} tolerance={live.gradeTolerance} />
                <Beside live={live} />
            </>
        );
    }
    const on = designed?.on ?? null;
    const saidBy = typeof moves === 'number' && by === null ? 'instrument' : moves;
    const up =
        saidBy === 'instrument'
            ? { azimuth: g.facing, words: 'instrument' }
            : saidBy === 'north'
              ? { azimuth: 0, words: 'north' }
              : { azimuth: by?.azimuth ?? 0, words: 'line' };
    const chosen = project.staking.figures;
    const at = { pole: pole?.elevation ?? null, design: designed?.place.elevation ?? null };
    const figures =
        chosen.length > 0
            ? chosenFigures(chosen, g, saidBy, at, units)
            : on
              ? besideLine(on, g.raise, units, designed?.station ?? null)
              : movesTo(g, saidBy, length);
    return (
        <>
            <div className="flex flex-wrap items-center gap-x-5 gap-y-1">
                <ApproachDial guidance={g} planTolerance={planTolerance} heightTolerance={allowed} up={up} on={on} judged={judged} />
                <Moves
                    moves={figures}
                    from={
                        chosen.length > 0 ? 'as chosen for this project' : on ? 'looking along the line, from its start' : saidFrom(saidBy)
                    }
                />
            </div>
            {designed?.face && target.kind === 'aim' && (
                <p className="text-sm" role="status">
                    <FaceWords face={designed.face} kind={target.aim.kind} />
                </p>
            )}
            {designed?.station ? (
                <StationWords designed={designed} />
            ) : (
                on && (
                    <p className="text-sm" role="status">
                        {alongWords(on, length)}
                    </p>
                )
            )}
            <Beside live={live} />
        </>
    );
}
