import { useMemo } from 'react';
import type { Live, Project, Schemas } from '../api/client';
import { offsetWords } from '../civil/Offset';
import { Length } from '../parts/Figure';
import { Notice } from '../parts/Notice';
import { figures, useShow } from '../plan/shown';
import { formatDirection, formatLength, formatStation } from '../units/format';
import { useUnits } from '../units/UnitsContext';
import { HeightBar } from './ApproachDial';
import { Moves } from './Moves';
import { toGrade } from './sheetFigures';
import type { AimTarget } from './target';

/** Beside the same place of another surface differs by less: it is the same grade, metres. */
const SAME = 0.001;

type Said = Pick<Live, 'designed' | 'surfaces' | 'pole'> & { guidance: NonNullable<Live['guidance']> };

/** Cut or fill to the grade where the pole stands, with the bar in the dial's place; judged where its surface says within how much. */
export function GradeGuide({ live, tolerance }: { live: Said; tolerance: number | null }) {
    const { length } = useUnits();
    const raise = live.guidance.raise;
    return (
        <div className="flex flex-wrap items-center gap-x-5 gap-y-1">
            <HeightBar
                raise={raise}
                tolerance={{ heightTolerance: tolerance ?? 0 }}
                inside={live.guidance.heightIn}
                counts={tolerance !== null}
                large
            />
            <Moves moves={toGrade(raise, live.designed?.place.elevation ?? null, length)} from="where the pole stands" />
        </div>
    );
}

/** Where the pole stands along and beside an alignment, in words. */
export function StationWords({ designed }: { designed: Live['designed'] }) {
    const units = useUnits();
    const s = designed?.station;
    if (!s) {
        return null;
    }
    const region = s.regions > 1 ? ` (region ${s.region})` : '';
    const element =
        s.kind === 'line'
            ? 'straight'
            : `${s.kind}${s.radius === null ? '' : `, radius ${formatLength(Math.abs(s.radius), units.length)} to the ${s.radius > 0 ? 'right' : 'left'}`}`;
    return (
        <div role="status" className="grid gap-0.5">
            <p className="text-lg">
                <b className="figure">
                    {formatStation(s.station, units)}
                    {region}
                </b>{' '}
                · <span className="figure">{offsetWords(s.offset, units.length)}</span>
            </p>
            <p className="text-sm text-quiet">
                {element}, element {s.element}
                {s.part && ` · ${s.part}`}
                {s.slope !== null && ` ${(100 * s.slope).toFixed(1)} % ${s.slope < 0 ? 'falling' : 'rising'} to the right`}
                {s.axis !== null && (
                    <>
                        {' '}
                        · axis <Length of={s.axis} />
                    </>
                )}
            </p>
            {s.side && <SlopeStake side={s.side} right={s.offset} />}
            {s.others.length > 0 && (
                <p className="text-sm text-open">
                    Also square to{' '}
                    {s.others
                        .map(
                            (o) =>
                                `${formatStation(o.station, units)}${s.regions > 1 ? ` (region ${o.region})` : ''}, ${offsetWords(o.offset, units.length)}`,
                        )
                        .join('; ')}
                    : the nearest counts.
                </p>
            )}
        </div>
    );
}

/** Where the slope stake stands: at the place where the side slope meets the ground, found by walking towards it. */
function SlopeStake({ side, right }: { side: Schemas['SideSlope']; right: number }) {
    const { length } = useUnits();
    const further = Math.abs(side.catchRight) - Math.abs(right);
    const away = formatLength(Math.abs(further), length);
    const ratio = Math.abs(1 / side.rise).toFixed(2);
    return (
        <p className="text-lg">
            {side.rise > 0 ? 'Cutting' : 'Embankment'} 1 : {ratio} ·{' '}
            {further === 0
                ? 'it meets the ground here'
                : `it meets the ground ${away} ${further > 0 ? 'further out' : 'nearer to the axis'}`}
            <span className="block text-sm text-quiet">
                if the ground is level so far · hinge {offsetWords(side.hingeRight, length)}, <Length of={side.hingeElevation} />
            </span>
        </p>
    );
}

/** What the surface is underfoot, which other surface has the place, and where there is no design. */
export function SurfaceWords({
    project,
    target,
    live,
}: {
    project: Project;
    target: AimTarget;
    live: Pick<Live, 'designed' | 'surfaces'>;
}) {
    const units = useUnits();
    const own = target.aim.civil?.surfaceId ?? null;
    const verticalOffset = target.aim.civil?.verticalOffset ?? 0;
    const ground = live.designed?.ground ?? null;
    const triangle = useMemo(
        () =>
            ground && ground.triangle.length === 3
                ? { paths: [[...ground.triangle, ground.triangle[0]].flatMap((p) => (p ? [p.easting, p.northing] : []))], places: [] }
                : null,
        [ground],
    );
    useShow(figures, triangle);
    const others = live.surfaces.filter((s) => s.id !== own && s.kind === 'design');
    const differ = ground ? others.filter((s) => Math.abs(s.elevation - ground.elevation) > SAME) : others;
    return (
        <div className="grid gap-1">
            {!ground && (
                <Notice kind="caution">
                    No design here: {target.name} does not reach this place.
                    {others.length > 0 ? ` ${others.map((s) => s.name).join(' and ')} does.` : ' No other design does either.'}
                </Notice>
            )}
            {ground && (
                <p className="text-sm" role="status">
                    {ground.slope < 1e-6
                        ? 'level here'
                        : `falls ${(100 * ground.slope).toFixed(1)} % toward ${formatDirection(ground.falls, units)}`}
                    {verticalOffset !== 0 &&
                        ` · ${formatLength(Math.abs(verticalOffset), units.length)} ${verticalOffset < 0 ? 'below' : 'above'} the surface`}
                </p>
            )}
            {ground && differ.length > 0 && (
                <Notice kind="caution">
                    {differ
                        .map((s) => {
                            const off = s.elevation - ground.elevation;
                            return `${s.name} covers this place too, ${formatLength(Math.abs(off), units.length)} ${off < 0 ? 'lower' : 'higher'}`;
                        })
                        .join('; ')}
                    . Is {project.civil.surfaceId === own ? 'the surface that is worked with' : target.name} the one that is meant?
                </Notice>
            )}
        </div>
    );
}
