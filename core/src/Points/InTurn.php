<?php

declare(strict_types=1);

namespace Parlay\Core\Points;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Units\Angle;

/** Places about a middle, as seen from above: in a fixed turn, beginning at the one that lies nearest to a direction. */
final readonly class InTurn
{
    /** Nearer to the middle than this lies in no direction, metres. */
    private const MIDDLE = 1e-3;

    /** Directions that differ by less are one, radians. */
    private const SAME = 1e-4;

    /** @param  float  $first  azimuth from the middle, radians */
    public function __construct(private float $first, private bool $clockwise = true) {}

    /**
     * What lies in the middle comes first; of two above one another the upper.
     *
     * @param  list<Position>  $places
     * @return list<int> their numbers, in turn
     */
    public function of(array $places): array
    {
        if (count($places) < 2) {
            return array_keys($places);
        }
        [$n, $e] = [array_map(static fn (Position $p) => $p->northing, $places), array_map(static fn (Position $p) => $p->easting, $places)];
        $middle = new Position((min($n) + max($n)) / 2, (min($e) + max($e)) / 2);
        $about = [];
        foreach ($places as $i => $p) {
            if ($p->distanceTo($middle) >= self::MIDDLE) {
                $about[$i] = $middle->azimuthTo($p);
            }
        }
        $start = $this->start($about);
        $keys = [];
        foreach ($places as $i => $p) {
            $turned = isset($about[$i]) ? $this->turned($about[$i], $start) : -1.0;
            $keys[$i] = [$turned, isset($about[$i]) ? round($p->distanceTo($middle), 3) : 0.0, -($p->elevation ?? 0.0)];
        }
        asort($keys);

        return array_keys($keys);
    }

    /**
     * Of two as near, the one that comes first in turn.
     *
     * @param  array<int, float>  $about
     */
    private function start(array $about): float
    {
        $best = $this->first;
        $least = INF;
        foreach ($about as $azimuth) {
            $apart = abs(Angle::wrap($azimuth - $this->first + M_PI) - M_PI);
            $before = abs($apart - $least) <= self::SAME && $this->turned($best, $azimuth) < M_PI;
            if ($apart < $least - self::SAME || $before) {
                [$best, $least] = [$azimuth, min($apart, $least)];
            }
        }

        return $best;
    }

    /** How far in turn from where it begins, in steps that hide the last digits. */
    private function turned(float $azimuth, float $start): float
    {
        $turned = Angle::wrap(($this->clockwise ? 1.0 : -1.0) * ($azimuth - $start) + self::SAME / 2);

        return floor($turned / self::SAME) * self::SAME;
    }
}
