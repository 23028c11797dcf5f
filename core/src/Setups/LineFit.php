<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Instrument\Accuracy;

/** The straight line through the shots on one line, seen from the instrument: by its principal axis. */
final readonly class LineFit
{
    /**
     * @param  float  $north  middle of the shots along the circle's zero, metres
     * @param  float  $east  to the right of it
     * @param  float  $azimuth  from the circle's zero, radians; a line has no sense
     * @param  float  $base  from the first shot to the last along it, metres
     * @param  float  $spread  square sum of the shots' distances from the middle, along it
     */
    private function __construct(
        public SiteLine $line,
        public float $north,
        public float $east,
        public float $azimuth,
        public float $base,
        private float $spread,
    ) {}

    /** @param  non-empty-list<LineShot>  $shots  on one line */
    public static function through(array $shots): self
    {
        $at = array_map(static fn (LineShot $s) => $s->local(), $shots);
        $n = array_sum(array_column($at, 0)) / count($at);
        $e = array_sum(array_column($at, 1)) / count($at);
        $nn = $ee = $ne = 0.0;
        foreach ($at as [$x, $y]) {
            $nn += ($x - $n) ** 2;
            $ee += ($y - $e) ** 2;
            $ne += ($x - $n) * ($y - $e);
        }
        $azimuth = atan2(2 * $ne, $nn - $ee) / 2;
        $along = array_map(static fn (array $p) => ($p[0] - $n) * cos($azimuth) + ($p[1] - $e) * sin($azimuth), $at);

        return new self(
            $shots[0]->line, $n, $e, $azimuth, max($along) - min($along), array_sum(array_map(static fn (float $x) => $x ** 2, $along)),
        );
    }

    /** Of its direction, radians: about what the centring of each shot makes of it. */
    public function deviation(Accuracy $accuracy): float
    {
        return hypot($accuracy->centring, hypot($accuracy->distance, $this->line->deviation)) / sqrt(max($this->spread, 1e-6));
    }
}
