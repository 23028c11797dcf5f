<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout\Aims;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Geometry\Space;
use Parlay\Core\Stakeout\Judged;

/**
 * A plane face of a thing: designed is the place on it that is square to the pole. Of one that stands upright that is a matter of the plan
 * alone, of one that lies level of the height alone.
 */
final readonly class FaceAim implements Aim
{
    /** A face that leans less counts as upright, or as level: sine of five degrees. */
    private const LEANS = 0.0872;

    /**
     * @param  Position  $on  a place on it, with an elevation
     * @param  array{float, float, float}  $normal  east, north and up, outward, of length 1
     * @param  list<array{float, float, float}>  $outline  its edges on the site, east, north and height; empty where they do not matter
     */
    public function __construct(private Position $on, private array $normal, private array $outline = []) {}

    public function designedAt(Position $pole): Designed
    {
        $height = $pole->elevation ?? $this->heightBeside($pole);
        $origin = [$this->on->easting, $this->on->northing, (float) $this->on->elevation];
        $at = [$pole->easting, $pole->northing, $height];
        $before = Space::dot(Space::way($origin, $at), $this->normal);
        [$e, $n, $h] = Space::plus($at, $this->normal, -$before);
        $within = $this->outline === [] || Space::encloses([$this->outline], $this->normal, [$e, $n, $h]);
        if ($this->isLevel()) {
            // Straight above it: the plan stays where the pole is.
            $h = $height - $before / $this->normal[2];
            [$e, $n] = [$pole->easting, $pole->northing];
        } elseif ($this->isUpright()) {
            $share = $before / (1 - $this->normal[2] ** 2);
            [$e, $n, $h] = [$pole->easting - $share * $this->normal[0], $pole->northing - $share * $this->normal[1], $height];
        }

        return new Designed(new Position($n, $e, $pole->elevation === null && ! $this->isLevel() ? null : $h), face: new OnFace($before, $within));
    }

    public function judges(): Judged
    {
        return $this->isLevel() ? Judged::Height : ($this->isUpright() ? Judged::Plan : Judged::PlanAndHeight);
    }

    private function isLevel(): bool
    {
        return hypot($this->normal[0], $this->normal[1]) < self::LEANS;
    }

    private function isUpright(): bool
    {
        return abs($this->normal[2]) < self::LEANS;
    }

    /** Without a height of its own a pole is taken to be on a level face, and as high as where an upright one is held. */
    private function heightBeside(Position $pole): float
    {
        return (float) $this->on->elevation - ($this->isLevel()
            ? (($pole->easting - $this->on->easting) * $this->normal[0] + ($pole->northing - $this->on->northing) * $this->normal[1]) / $this->normal[2] : 0.0);
    }
}
