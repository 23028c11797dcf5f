<?php

declare(strict_types=1);

namespace App\Setups;

use App\Mending\MendedSetup;
use App\Stakeout\Models\Mark;
use Parlay\Core\Geometry\Angle;
use Parlay\Core\Geometry\Position;
use Parlay\Core\ListOf;
use Parlay\Core\Stakeout\Deviation;

/** A setup as it stands, and as it would be; metres and radians, new less old. */
final readonly class MendedSetupEntry
{
    private const SHOWN = 200;

    /** @param  list<MendedMark>  $marks  the first two hundred */
    public function __construct(
        public int $setupId,
        public int $number,
        public string $stationName,
        public string $at,
        public float $north,
        public float $east,
        public ?float $up,
        public float $turn,
        public int $markCount,
        public float $largest,
        #[ListOf(MendedMark::class)]
        public array $marks,
    ) {}

    public static function of(MendedSetup $m): self
    {
        $s = $m->setup;
        $new = $m->station->mark;

        return new self(
            setupId: $s->id,
            number: $s->number,
            stationName: $s->station_name,
            at: $s->at,
            north: $new->northing - $s->northing,
            east: $new->easting - $s->easting,
            up: $new->elevation === null || $s->elevation === null ? null : $new->elevation - $s->elevation,
            turn: Angle::signed($m->station->orientation - $s->orientation),
            markCount: count($m->marks),
            largest: $m->largest(),
            marks: array_map(static fn (array $pair) => self::mark(...$pair), array_slice($m->marks, 0, self::SHOWN)),
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
