<?php

declare(strict_types=1);

namespace App\Mending;

use App\Setups\MendedMark;
use App\Setups\MendedSetupEntry;
use App\Setups\Models\Setup;
use App\Stakeout\Models\Mark;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Setups\SetupSolution;
use Parlay\Core\Stakeout\Deviation;
use Parlay\Core\Units\Angle;

/** A setup worked out anew with what was mended since, and the marks that hang on it. */
final readonly class MendedSetup
{
    /** Marks that are looked at. */
    private const SHOWN = 200;

    /**
     * @param  SetupSolution|null  $solution  null where the setup itself stays, and only marks change
     * @param  list<array{Mark, Position}>  $marks  with their new places
     */
    public function __construct(
        public Setup $setup,
        public Station $station,
        public ?SetupSolution $solution,
        public array $marks,
    ) {}

    /** How far the marks move at most, in plan and in height; metres. */
    public function largest(): float
    {
        return max([0.0, ...array_map(
            static fn (array $m) => hypot($m[0]->position()->distanceTo($m[1]), (float) $m[1]->elevation - (float) $m[0]->elevation),
            $this->marks,
        )]);
    }

    public function entry(): MendedSetupEntry
    {
        $s = $this->setup;
        $new = $this->station->mark;

        return new MendedSetupEntry(
            setupId: $s->id,
            number: $s->number,
            stationName: $s->station_name,
            at: $s->at,
            north: $new->northing - $s->northing,
            east: $new->easting - $s->easting,
            up: $new->elevation === null || $s->elevation === null ? null : $new->elevation - $s->elevation,
            turn: Angle::signed($this->station->orientation - $s->orientation),
            markCount: count($this->marks),
            largest: $this->largest(),
            marks: array_map(static fn (array $pair) => self::mark(...$pair), array_slice($this->marks, 0, self::SHOWN)),
        );
    }

    private static function mark(Mark $old, Position $place): MendedMark
    {
        $design = $old->designedAt($place);
        $was = $old->deviation();
        $would = $design === null ? null : Deviation::between($design, $place);

        return new MendedMark($old->id, $old->name, $old->kind, $was, $would);
    }
}
