<?php

declare(strict_types=1);

namespace Parlay\Simulator;

use Parlay\Core\Geometry\Position;

/** What the red dot can hit: a floor, walls and a ceiling, none of them quite where it was designed, with places that give no return. */
final class Surfaces
{
    /** metres by which floors, walls and ceilings stand out or back at most */
    private const UNEVEN = 0.025;

    /** of the waves in them, metres */
    private const WAVES = [7.3, 9.1];

    private const FARTHEST = 250.0;

    private const STEPS = 12;

    /**
     * @param  float|null  $floor  elevation, metres; null where there is none
     * @param  list<array{float, float, float, float, float, float}>  $walls  northing and easting of both ends, elevation of foot and top
     * @param  list<array{float, float, float}>  $dull  northing, easting, radius of places that give no return
     */
    public function __construct(
        public ?float $floor = null,
        public ?float $ceiling = null,
        public array $walls = [],
        public array $dull = [],
        public float $uneven = self::UNEVEN,
    ) {}

    /**
     * What a beam from the axis toward a place hits first.
     *
     * @return Position|null null where nothing sends it back
     */
    public function hit(Position $axis, Position $toward): ?Position
    {
        [$n, $e, $z] = [
            $toward->northing - $axis->northing, $toward->easting - $axis->easting, (float) $toward->elevation - (float) $axis->elevation,
        ];
        $length = sqrt($n ** 2 + $e ** 2 + $z ** 2);
        if ($length === 0.0) {
            return null;
        }
        $beam = [$n / $length, $e / $length, $z / $length];
        $reach = min([self::FARTHEST, ...array_filter([
            $this->toLevel($axis, $beam, $this->floor), $this->toLevel($axis, $beam, $this->ceiling), ...array_map(
                fn (array $wall) => $this->toWall($axis, $beam, $wall), $this->walls,
            ),
        ], static fn (?float $t) => $t !== null)]);
        $there = self::at($axis, $beam, $reach);

        return $reach >= self::FARTHEST || $this->isDull($there) ? null : $there;
    }

    /**
     * @param  array{float, float, float}  $beam
     */
    private function toLevel(Position $axis, array $beam, ?float $level): ?float
    {
        if ($level === null || $beam[2] * ($level - (float) $axis->elevation) <= 0.0) {
            return null;
        }
        $t = ($level - (float) $axis->elevation) / $beam[2];
        // Where it is hit says how high it stands there, and that again where it is hit.
        for ($i = 0; $i < self::STEPS && $t < 2 * self::FARTHEST; $i++) {
            $p = self::at($axis, $beam, $t);
            $t = ($level + $this->bump($p->northing, $p->easting) - (float) $axis->elevation) / $beam[2];
        }

        return $t > 0.1 ? $t : null;
    }

    /**
     * @param  array{float, float, float}  $beam
     * @param  array{float, float, float, float, float, float}  $wall
     */
    private function toWall(Position $axis, array $beam, array $wall): ?float
    {
        [$n1, $e1, $n2, $e2, $foot, $top] = $wall;
        $long = hypot($n2 - $n1, $e2 - $e1);
        if ($long === 0.0) {
            return null;
        }
        // Square to the wall, to its right.
        [$un, $ue] = [-($e2 - $e1) / $long, ($n2 - $n1) / $long];
        $speed = $beam[0] * $un + $beam[1] * $ue;
        if (abs($speed) < 1e-9) {
            return null;
        }
        $off = $t = $along = 0.0;
        $p = $axis;
        for ($i = 0; $i < self::STEPS; $i++) {
            $t = (($n1 - $axis->northing) * $un + ($e1 - $axis->easting) * $ue + $off) / $speed;
            $p = self::at($axis, $beam, $t);
            $along = (($p->northing - $n1) * ($n2 - $n1) + ($p->easting - $e1) * ($e2 - $e1)) / $long;
            $off = $this->bump($along, (float) $p->elevation);
        }

        return $t > 0.1 && $along >= 0.0 && $along <= $long && $p->elevation >= $foot && $p->elevation <= $top ? $t : null;
    }

    private function bump(float $a, float $b): float
    {
        return $this->uneven * sin($a * 2 * M_PI / self::WAVES[0] + 0.7) * cos($b * 2 * M_PI / self::WAVES[1] - 0.4);
    }

    private function isDull(Position $p): bool
    {
        foreach ($this->dull as [$n, $e, $radius]) {
            if (hypot($p->northing - $n, $p->easting - $e) <= $radius) {
                return true;
            }
        }

        return false;
    }

    /** @param  array{float, float, float}  $beam */
    private static function at(Position $axis, array $beam, float $t): Position
    {
        return new Position($axis->northing + $t * $beam[0], $axis->easting + $t * $beam[1], (float) $axis->elevation + $t * $beam[2]);
    }
}
