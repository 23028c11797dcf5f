<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

use Parlay\Core\Adjustment\GaussLegendre;
use Parlay\Core\Adjustment\Normal;

/**
 * How probable it is that what was measured conforms to its tolerance, and what follows from it by a rule (JCGM 106:2012, "The role of measurement uncertainty in
 * conformity assessment", 7 and 8: the conformance probability). What is known beside the measurement is not weighed in. Plan and height are judged each for
 * itself; the weaker one decides.
 */
final readonly class Conformance
{
    /** So many standard deviations hold all that counts. */
    private const ALL = 6.5;

    private function __construct(
        public ?float $plan,
        public ?float $height,
        public Conformity $conformity,
    ) {}

    /**
     * @return self|null null where nothing could be compared
     */
    public static function judge(Deviation $deviation, DeviationSpread $spread, Tolerance $tolerance, Judged $judged, DecisionRule $rule): ?self
    {
        $plan = $judged->countsPlan() ? self::inPlan($deviation->northing, $deviation->easting, $spread, $tolerance->plan) : null;
        $height = $judged->countsHeight() && $deviation->height !== null && $spread->hh !== null
            ? Normal::between(-$tolerance->height, $tolerance->up(), $deviation->height, sqrt($spread->hh)) : null;
        $told = array_filter([$plan, $height], is_float(...));
        if ($told === []) {
            return null;
        }
        $least = min($told);

        return new self($plan, $height, match (true) {
            $rule->acceptance === Acceptance::Simple => $deviation->verdict($tolerance, $judged) === Verdict::In ? Conformity::Inside : Conformity::Outside,
            $least >= $rule->level => Conformity::Inside,
            $least <= 1.0 - $rule->level => Conformity::Outside,
            default => Conformity::Close,
        });
    }

    /** The weaker one of plan and height. */
    public function probability(): float
    {
        return min($this->plan ?? 1.0, $this->height ?? 1.0);
    }

    /**
     * Probability that the true place lies within a circle about the design: along the shorter axis of the spread it is summed up, along the longer one
     * it is known.
     *
     * @param  float  $north  measured from the design, metres
     * @param  float  $radius  metres
     */
    public static function inPlan(float $north, float $east, DeviationSpread $spread, float $radius): float
    {
        $turn = atan2(2 * $spread->ne, $spread->nn - $spread->ee) / 2;
        $middle = ($spread->nn + $spread->ee) / 2;
        $half = hypot(($spread->nn - $spread->ee) / 2, $spread->ne);
        [$long, $short] = [sqrt(max(0.0, $middle + $half)), sqrt(max(0.0, $middle - $half))];
        $along = $north * cos($turn) + $east * sin($turn);
        $across = $east * cos($turn) - $north * sin($turn);
        if ($short < 1e-6 * $radius) {
            return abs($across) > $radius ? 0.0 : Normal::between(-sqrt($radius ** 2 - $across ** 2), sqrt($radius ** 2 - $across ** 2), $along, $long);
        }
        // By the angle about the middle, so that the circle ends smoothly; only where anything counts.
        $from = asin(max(-1.0, min(1.0, ($across - self::ALL * $short) / $radius)));
        $to = asin(max(-1.0, min(1.0, ($across + self::ALL * $short) / $radius)));
        $share = GaussLegendre::sum(static function (float $t) use ($radius, $across, $short, $along, $long): float {
            $chord = $radius * cos($t);

            return $chord * Normal::density(($radius * sin($t) - $across) / $short) * Normal::between(-$chord, $chord, $along, $long);
        }, $from, $to);

        return max(0.0, min(1.0, $share / $short));
    }
}
