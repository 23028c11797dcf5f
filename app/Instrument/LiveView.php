<?php

declare(strict_types=1);

namespace App\Instrument;

use App\Clock;
use App\Setups\Actions\SetupDrafts;
use App\Setups\Draft;
use App\Setups\Models\Setup;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Instrument\Target;
use Parlay\Core\Stakeout\Guidance;
use Parlay\Core\Stakeout\Tolerance;

/** What every tab asks for several times a second: one query and one file, nothing that is not shown. */
final class LiveView
{
    private const QUERY = 'SELECT p.revision, p.prepared_revision, coalesce(c.plan_tolerance, p.plan_tolerance) AS plan_tolerance, coalesce(c.height_tolerance, p.height_tolerance) AS height_tolerance, d.content AS draft,
            s.northing AS sn, s.easting AS se, s.elevation AS sz, s.orientation, s.instrument_height,
            s.serial,
            (SELECT q.name FROM setups x JOIN projects q ON q.id = x.project_id WHERE x.id = (SELECT max(coalesce(y.stands_for, y.id)) FROM setups y WHERE '.Setup::SAME_INSTRUMENT.") AND q.id <> p.id) AS elsewhere,
            t.id AS target, t.northing AS tn, t.easting AS te, t.elevation AS tz
        FROM projects p
        LEFT JOIN setup_drafts d ON d.project_id = p.id
        LEFT JOIN setups s ON s.id = (SELECT id FROM setups WHERE project_id = p.id ORDER BY coalesce(stands_for, id) DESC, id DESC LIMIT 1)
        LEFT JOIN stakeout_points t ON t.project_id = p.id AND t.id = ?
        LEFT JOIN codes c ON c.project_id = p.id AND c.code = t.code AND c.code <> ''
        WHERE p.id = ?";

    public static function of(int $project, ?int $target): Live
    {
        $row = DB::selectOne(self::QUERY, [$target, $project]) ?? throw new ModelNotFoundException;
        $state = LiveState::read();
        $station = $row->sn === null ? null
            : new Station(self::position($row->sn, $row->se, $row->sz), (float) $row->orientation, (float) $row->instrument_height);
        // An instrument that was set up for another project since does not stand where this project thinks.
        $another = self::another($state, $row->serial);
        $stands = $row->elsewhere === null && $another === null;
        $pole = $stands ? self::pole($state, $station, $row->draft) : null;

        return new Live(
            seq: $state->seq,
            revision: (int) $row->revision,
            prepared: (int) $row->prepared_revision,
            instrument: self::instrument($state, $stands ? $station : null),
            elsewhere: $row->elsewhere,
            another: $another,
            pole: $pole,
            readingAge: $state->readingAt === null ? null : round(Clock::steady() - $state->readingAt, 3),
            target: $row->target === null ? null : (int) $row->target,
            guidance: self::guidance($row, $station, $pole),
        );
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
        if ($station === null || $state->reading === null || ($state->status['locked'] ?? false) !== true || $state->link() !== 'up') {
            return null;
        }
        $d = $draft === null ? new Draft : SetupDrafts::restore($draft);

        return $station->locate(
            Sight::reduce(LiveStatus::restore($state->reading), $d->air(), new Target($d->targetHeight, $d->prismConstant), $d->scale),
        );
    }

    private static function guidance(\stdClass $row, ?Station $station, ?Position $pole): ?Guidance
    {
        return $station === null || $pole === null || $row->target === null ? null : Guidance::from(
            $station->mark, $pole, self::position($row->tn, $row->te, $row->tz),
            new Tolerance((float) $row->plan_tolerance, (float) $row->height_tolerance),
        );
    }

    private static function position(float|int|string $n, float|int|string $e, float|int|string|null $z): Position
    {
        return new Position((float) $n, (float) $e, $z === null ? null : (float) $z);
    }
}
