<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

use Parlay\Core\Geometry\Position;

/** What is there minus what was designed, metres. */
final readonly class Deviation
{
    /** Under a hundredth of a millimetre is arithmetic, not a deviation; metres. */
    private const ARITHMETIC = 1e-5;

    private function __construct(
        public float $northing,
        public float $easting,
        public float $plan,
        public ?float $height,
    ) {}

    /** Found less designed, metres; a height where both have one. */
    public static function between(Position $design, Position $found): self
    {
        return new self(
            $found->northing - $design->northing,
            $found->easting - $design->easting,
            $design->distanceTo($found),
            $design->elevation === null || $found->elevation === null ? null : $found->elevation - $design->elevation,
        );
    }

    /**
     * A figure equal to the tolerance is in. Where either has no elevation the height is not judged, and nothing is where it alone was to
     * be.
     */
    public function verdict(Tolerance $tolerance, Judged $judged = Judged::PlanAndHeight): Verdict
    {
        if ($judged === Judged::Height && $this->height === null) {
            return Verdict::Undecided;
        }
        $out = ($judged->countsPlan() && self::isBeyond($this->plan, $tolerance->plan))
            || ($judged->countsHeight() && $this->height !== null && self::isBeyond($this->height, $tolerance->allowed($this->height)));

        return $out ? Verdict::Out : Verdict::In;
    }

    /** What of it was judged: no height where either has none. */
    public function judgedOf(Judged $wished): Judged
    {
        return $wished === Judged::PlanAndHeight && $this->height === null ? Judged::Plan : $wished;
    }

    /** Whether a difference lies outside what is allowed of it, metres. */
    public static function isBeyond(float $difference, float $tolerance): bool
    {
        return abs($difference) > $tolerance + self::ARITHMETIC;
    }
}
