<?php

declare(strict_types=1);

namespace App\Setups;

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
            $s->id, $s->station_name, $s->at, $new->northing - $s->northing, $new->easting - $s->easting,
            $new->elevation === null || $s->elevation === null ? null : $new->elevation - $s->elevation,
            Angle::signed($m->station->orientation - $s->orientation), count($m->marks), $m->largest(),
            array_map(static fn (array $pair) => self::mark(...$pair), array_slice($m->marks, 0, self::SHOWN)),
        );
    }

    private static function mark(Mark $old, Position $place): MendedMark
    {
        $design = $old->design();
        $was = $old->deviation();
        $would = $design === null ? null : Deviation::between($design, $place);

        return new MendedMark($old->id, $old->name, $old->kind, $was, $would);
    }
}
