<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

use Parlay\Core\Geometry\Position;

/** What is there minus what was designed, metres. */
final readonly class Deviation
{
    private function __construct(
        public float $northing,
        public float $easting,
        public float $plan,
        public ?float $height,
    ) {}

    public static function between(Position $design, Position $found): self
    {
        return new self(
            $found->northing - $design->northing,
            $found->easting - $design->easting,
            $design->distanceTo($found),
            $design->elevation === null || $found->elevation === null ? null : $found->elevation - $design->elevation,
        );
    }

    /** Where either has no elevation the height is not judged. A figure equal to the tolerance is in. */
    public function verdict(Tolerance $tolerance): Verdict
    {
        // Under a hundredth of a millimetre is arithmetic, not a deviation.
        $slack = 1e-6;
        $out = $this->plan > $tolerance->plan + $slack
            || ($this->height !== null && abs($this->height) > $tolerance->height + $slack);

        return $out ? Verdict::Out : Verdict::In;
    }
}
