<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Surfaces;

use Parlay\Core\Geometry\Position;

/** What heights the ground has, to tell whether those of an outline are meant: many are drawn at height 0, whatever lies under them. */
final readonly class GroundHeights
{
    /** Of so many of the ground's places the nearest is looked for. */
    private const MOST = 4_000;

    /** @param  list<Position>  $places */
    private function __construct(private array $places) {}

    /** @param  list<Position>  $places  with elevations */
    public static function of(array $places): self
    {
        $step = max(1, intdiv(count($places), self::MOST));

        return new self($step === 1 ? $places : array_values(array_filter($places, static fn (int $i) => $i % $step === 0, ARRAY_FILTER_USE_KEY)));
    }

    /**
     * How far corners lie above the ground beside them at the median, metres: less what the ground itself rises, which it may on the way there. Of corners that
     * all lie at 0 nothing is taken off: what is drawn without heights has that one. Null where there is no ground. (Common sense, no source.)
     *
     * @param  list<Position>  $corners  with elevations
     */
    public function apart(array $corners): ?float
    {
        if ($this->places === []) {
            return null;
        }
        $heights = array_map(static fn (Position $p) => (float) $p->elevation, $this->places);
        $drawn = array_filter($corners, static fn (Position $p) => $p->elevation !== 0.0) === [];
        $rise = $drawn ? 0.0 : max($heights) - min($heights);
        $off = array_map(function (Position $corner) use ($rise): float {
            $above = $corner->elevation - $this->nearest($corner)->elevation;

            return $above - max(-$rise, min($rise, $above));
        }, $corners);
        sort($off);

        return $off[intdiv(count($off), 2)];
    }

    private function nearest(Position $to): Position
    {
        $nearest = $this->places[0];
        foreach ($this->places as $p) {
            if ($p->distanceTo($to) < $nearest->distanceTo($to)) {
                $nearest = $p;
            }
        }

        return $nearest;
    }
}
