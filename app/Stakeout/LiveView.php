<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Civil\CivilAims;
use App\Civil\CivilHeights;
use App\Civil\CivilLay;
use App\Civil\SurfaceHere;
use App\Clock;
use App\Database\OneReading;
use App\Instrument\Device;
use App\Instrument\InstrumentState;
use App\Instrument\Lead;
use App\Instrument\LeadState;
use App\Instrument\LiveState;
use App\Instrument\LiveStatus;
use App\Projects\Models\Project;
use App\Setups\Actions\SetupDrafts;
use App\Setups\Draft;
use App\Setups\Models\Setup;
use App\Stakeout\Models\KeptAim;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Stakeout\Aims\Aim;
use Parlay\Core\Stakeout\Aims\LineAim;
use Parlay\Core\Stakeout\Aims\PlaceAim;
use Parlay\Core\Stakeout\Aims\SurfaceAim;
use Parlay\Core\Stakeout\Guidance;
use Parlay\Core\Stakeout\Judged;
use Parlay\Core\Stakeout\Tolerance;

/** What every tab asks for several times a second: one query and one file, nothing that is not shown. */
final class LiveView
{
    private const QUERY = 'SELECT p.revision, p.prepared_revision, p.plan_tolerance, p.height_tolerance, p.above_tolerance, c.plan_tolerance AS own_plan, c.height_tolerance AS own_height, c.above_tolerance AS own_above, d.content AS draft,
            s.northing AS sn, s.easting AS se, s.elevation AS sz, s.orientation, s.instrument_height,
            s.serial,
            (SELECT q.name FROM setups x JOIN projects q ON q.id = x.project_id WHERE x.id = (SELECT y.id FROM stands h JOIN setups y ON y.id = h.setup_id WHERE '.Setup::SAME_INSTRUMENT." ORDER BY h.id DESC LIMIT 1) AND q.id <> p.id) AS elsewhere,
            s.id IS NOT NULL AND NOT EXISTS (SELECT 1 FROM stands h WHERE h.setup_id = coalesce(s.stands_for, s.id)) AS unproven,
            t.id AS target, t.northing AS tn, t.easting AS te, t.elevation AS tz, c.judged AS code_judged,
            a.id AS aim, a.version AS aim_version, a.kind AS ak, a.northing AS an, a.easting AS ae, a.elevation AS az, a.lay, a.judged AS aim_judged,
            l.id AS line_id, l.head AS line_head, r.id AS by_id, r.head AS by_head, b.kind AS bk, b.lay AS by_lay
        FROM projects p
        LEFT JOIN setup_drafts d ON d.project_id = p.id
        LEFT JOIN setups s ON s.id = (SELECT id FROM setups WHERE project_id = p.id ORDER BY coalesce(stands_for, id) DESC, id DESC LIMIT 1)
        LEFT JOIN stakeout_points t ON t.project_id = p.id AND t.id = ?
        LEFT JOIN aims a ON a.project_id = p.id AND a.id = ?
        LEFT JOIN aim_lines l ON l.aim_id = a.id AND l.touched = 0
        LEFT JOIN aims b ON b.project_id = p.id AND b.id = ?
        LEFT JOIN aim_lines r ON r.aim_id = b.id AND r.touched = 0
        LEFT JOIN codes c ON c.project_id = p.id AND c.code = coalesce(t.code, a.code) AND c.code <> ''
        WHERE p.id = ?";

    public static function of(int $project, LiveQuery $asked, Device $device): Live
    {
        return OneReading::of(static fn (): Live => self::told($project, $asked, $device));
    }

    private static function told(int $project, LiveQuery $asked, Device $device): Live
    {
        $row = DB::selectOne(self::QUERY, [$asked->target, $asked->aim, $asked->by, $project]) ?? throw new ModelNotFoundException;
        $state = LiveState::read();
        $station = $row->sn === null ? null
            : new Station(self::position($row->sn, $row->se, $row->sz), (float) $row->orientation, (float) $row->instrument_height);
        // An instrument that was set up for another project since does not stand where this project thinks.
        $another = self::another($state, $row->serial);
        $stands = $row->elsewhere === null && $another === null && ! $row->unproven;
        $pole = $stands ? self::pole($state, $station, $row->draft) : null;

        $aim = self::aim($row);
        $designed = $pole === null ? null : $aim?->designedAt($pole);
        $beside = $pole === null ? null : self::by($row)?->designedAt($pole);
        $by = $beside?->on;
        $grade = $row->target === null && $row->ak !== null && AimKind::from($row->ak)->isCivil() ? CivilAims::gradeTolerance(CivilAims::lay($row->lay)) : null;
        $judged = $aim === null ? Judged::PlanAndHeight : self::judged($row, $aim, $asked->judged ?? self::ofDot($row->draft));

        return new Live(
            seq: $state->seq,
            revision: (int) $row->revision,
            prepared: (int) $row->prepared_revision,
            instrument: self::instrument($state, $stands ? $station : null),
            lead: self::lead($device),
            elsewhere: $row->elsewhere,
            unproven: (bool) $row->unproven,
            another: $another,
            pole: $pole,
            readingAge: $state->readingAt === null ? null : round(Clock::steady() - $state->readingAt, 3),
            target: $row->target === null ? null : (int) $row->target,
            aim: $row->aim === null ? null : (int) $row->aim,
            aimVersion: $row->aim === null ? null : (int) $row->aim_version,
            designed: $designed,
            guidance: $station === null || $pole === null || $designed === null ? null : Guidance::from(
                $station->mark, $pole, $designed->place, self::tolerance($row)->ofGrade($grade), $judged,
                // A line that is staked is the one that moves are said by, where no other was chosen.
                $by === null ? $designed->on?->azimuth : $by->azimuth,
            ),
            judged: $judged,
            gradeTolerance: $grade,
            by: $by,
            byStation: $beside?->station,
            surfaces: $pole === null || ! $aim instanceof SurfaceAim ? [] : SurfaceHere::of($project, $pole),
        );
    }

    private static function lead(Device $device): ?LeadState
    {
        $lead = Lead::heard($device);

        return $lead === null ? null : LeadState::of($lead, $device);
    }

    /** What is staked: a prepared point, or what was chosen in the field. */
    private static function aim(\stdClass $row): ?Aim
    {
        if ($row->target !== null) {
            return new PlaceAim(self::position($row->tn, $row->te, $row->tz));
        }

        return $row->aim === null ? null : KeptAim::aimOf(
            AimKind::from($row->ak), $row->an === null ? null : self::position($row->an, $row->ae, $row->az),
            $row->az === null ? null : (float) $row->az,
            $row->line_id === null ? null : KeptAim::lineOf((int) $row->line_id, $row->line_head), $row->lay,
        );
    }

    /** The second line, by which moves are said and beside which one stands. */
    private static function by(\stdClass $row): ?Aim
    {
        if ($row->by_id !== null) {
            return new LineAim(KeptAim::lineOf((int) $row->by_id, $row->by_head));
        }

        // Beside an alignment itself, whatever parallel or grade of it is staked.
        return $row->bk !== AimKind::Alignment->value ? null
            : CivilAims::of(new CivilLay(alignmentId: CivilAims::lay($row->by_lay)->alignmentId, heights: CivilHeights::None));
    }

    /** What is marked with the red dot on a floor counts in plan, whatever the height of the floor. */
    private static function ofDot(?string $draft): ?Judged
    {
        return $draft !== null && SetupDrafts::restore($draft)->dot ? Judged::Plan : null;
    }

    private static function judged(\stdClass $row, Aim $aim, ?Judged $said): Judged
    {
        return Against::judgedOf($aim, $said, (string) $row->aim_judged, (string) $row->code_judged);
    }

    /** Where the pole was seen last, by the setup that holds. */
    public static function poleOf(Project $project): ?Position
    {
        $setup = Setup::current($project)->first();
        $draft = DB::table('setup_drafts')->where('project_id', $project->id)->value('content');

        return $setup === null || ! $setup->holds() ? null : self::pole(LiveState::read(), $setup->station(), is_string($draft) ? $draft : null);
    }

    /** The serial number of the instrument that is linked, where this project was set up with another one. */
    private static function another(LiveState $state, ?string $serial): ?string
    {
        $linked = (string) ($state->status['serial'] ?? '');

        return $serial === null || $serial === '' || $linked === '' || $linked === $serial ? null : $linked;
    }

    private static function instrument(LiveState $state, ?Station $station): InstrumentState
    {
        $s = $state->status ?? [];

        return new InstrumentState(
            link: $state->link(),
            retryIn: $state->retryAt === null ? null : max(0.0, round($state->retryAt - Clock::steady(), 1)),
            model: $s['model'] ?? '',
            serial: $s['serial'] ?? '',
            level: (bool) ($s['level'] ?? false),
            locked: (bool) ($s['locked'] ?? false),
            tracking: (bool) ($s['tracking'] ?? false),
            battery: (float) ($s['battery'] ?? 0),
            trouble: $s['trouble'] ?? null,
            azimuth: $station === null || $s === [] ? null : $station->azimuthOf((float) $s['circle']),
            ppm: $s['ppm'] ?? null,
            prismConstant: $s['prism_constant'] ?? null,
            pressure: $s['pressure'] ?? null,
        );
    }

    private static function pole(LiveState $state, ?Station $station, ?string $draft): ?Position
    {
        $d = $draft === null ? new Draft : SetupDrafts::restore($draft);
        $sees = $d->dot || ($state->status['locked'] ?? false) === true;
        // What was measured at the prism is no place of a dot, and the other way round.
        if ($station === null || $state->reading === null || ! $sees || $state->link() !== 'up' || (bool) ($state->reading['dot'] ?? false) !== $d->dot) {
            return null;
        }

        return $station->locate(Sight::reduce(LiveStatus::restore($state->reading), $d->air(), $d->target(), $d->scale));
    }

    private static function tolerance(\stdClass $row): Tolerance
    {
        $metres = static fn (float|int|string|null $of): ?float => $of === null ? null : (float) $of;

        return (new Tolerance((float) $row->plan_tolerance, (float) $row->height_tolerance, $metres($row->above_tolerance)))
            ->but($metres($row->own_plan), $metres($row->own_height), $metres($row->own_above));
    }

    private static function position(float|int|string $n, float|int|string $e, float|int|string|null $z): Position
    {
        return new Position((float) $n, (float) $e, $z === null ? null : (float) $z);
    }
}
