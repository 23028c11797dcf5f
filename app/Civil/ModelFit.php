<?php

declare(strict_types=1);

namespace App\Civil;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Units\LengthUnit;

/** How a model fits the control when it is read in one way: by points of one name, or by where it lies. */
final readonly class ModelFit
{
    /** metres; what a point of one name may be off and still be the same */
    private const SAME = 0.5;

    /** Of its own size: control lies so near to a model of the same site. */
    private const NEAR = 0.5;

    /**
     * @param  int  $same  points of one name at one place
     * @param  float|null  $worst  metres, by the farthest of those; null where there are none
     * @param  int  $near  control that lies within it or beside it
     */
    public function __construct(
        public LengthUnit $unit,
        public bool $exchanged,
        public int $same,
        public ?float $worst,
        public int $near,
    ) {}

    /**
     * @param  array<string, Position>  $control
     * @param  array<string, Position>  $named  of the file, in metres as they were read
     * @param  list<float>|null  $extent  west, south, east, north, metres as they were read
     * @return list<self>
     */
    public static function all(array $control, array $named, ?array $extent, LengthUnit $read): array
    {
        $fits = [];
        foreach ([LengthUnit::Metre, LengthUnit::Foot, LengthUnit::UsFoot, LengthUnit::Millimetre] as $unit) {
            foreach ([false, true] as $exchanged) {
                $fits[] = self::one($control, $named, $extent, $unit, $exchanged, $unit->metres() / $read->metres());
            }
        }
        $fits = array_values(array_filter($fits, static fn (self $f) => $f->same > 0 || $f->near > 0));
        usort($fits, static fn (self $a, self $b) => [$b->same, $a->worst ?? 0.0, $b->near, $a->unit !== $read, $a->exchanged]
            <=> [$a->same, $b->worst ?? 0.0, $a->near, $b->unit !== $read, $b->exchanged]);

        return $fits;
    }

    /**
     * @param  array<string, Position>  $control
     * @param  array<string, Position>  $named
     * @param  list<float>|null  $extent
     */
    private static function one(array $control, array $named, ?array $extent, LengthUnit $unit, bool $exchanged, float $by): self
    {
        $worst = null;
        $same = $near = 0;
        foreach ($control as $name => $at) {
            if (isset($named[$name])) {
                $p = $named[$name];
                $off = $at->distanceTo($exchanged ? new Position($p->easting * $by, $p->northing * $by) : new Position($p->northing * $by, $p->easting * $by));
                if ($off <= self::SAME) {
                    $same++;
                    $worst = max($worst ?? 0.0, $off);
                }
            }
            if ($extent !== null) {
                [$west, $south, $east, $north] = array_map(static fn (float $v) => $v * $by, $exchanged ? [$extent[1], $extent[0], $extent[3], $extent[2]] : $extent);
                $beside = self::NEAR * max(10.0, $east - $west, $north - $south);
                $near += $at->easting > $west - $beside && $at->easting < $east + $beside && $at->northing > $south - $beside && $at->northing < $north + $beside ? 1 : 0;
            }
        }

        return new self($unit, $exchanged, $same, $worst, $near);
    }
}
