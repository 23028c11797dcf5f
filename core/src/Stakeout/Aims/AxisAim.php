<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout\Aims;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Geometry\Space;
use Parlay\Core\Stakeout\Judged;

/** The axis of a column or the like: designed is the place on it at the height of the pole; of one that lies, the place square to the pole. */
final readonly class AxisAim implements Aim
{
    /** An axis that rises less for each metre of its length lies: sine of 45 degrees. */
    private const LIES = 0.7071;

    /**
     * @param  array{float, float, float}  $from  east, north and height of one end
     * @param  array{float, float, float}  $to
     */
    public function __construct(private array $from, private array $to) {}

    public function designedAt(Position $pole): Designed
    {
        $way = Space::way($this->from, $this->to);
        $length = max(Space::length($way), 1e-9);
        $height = $pole->elevation ?? ($this->from[2] + $this->to[2]) / 2;
        $at = [$pole->easting, $pole->northing, $height];
        $share = $this->stands() ? ($height - $this->from[2]) / $way[2] : Space::dot(Space::way($this->from, $at), $way) / $length ** 2;
        [$e, $n, $h] = Space::plus($this->from, $way, $share);
        $off = Space::length(Space::way([$e, $n, $h], $at));

        return new Designed(new Position($n, $e, $pole->elevation === null ? null : $h), face: new OnFace($off, $share >= 0.0 && $share <= 1.0));
    }

    public function judges(): Judged
    {
        return $this->stands() ? Judged::Plan : Judged::PlanAndHeight;
    }

    private function stands(): bool
    {
        $way = Space::way($this->from, $this->to);

        return abs($way[2]) > self::LIES * Space::length($way);
    }
}
