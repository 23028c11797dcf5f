<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Adjustment\Significance;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Units\Angle;

/** A site system of one's own: from an assumed place, turned so that the line from one mark to another has the direction it should have. */
final readonly class MeasuredBaseline
{
    private function __construct(
        public SetupSolution $solution,
        public float $length,
        public Position $from,
        public Position $to,
    ) {}

    /**
     * @param  Position  $assumed  of the station; errorless, since the system starts from it
     * @param  float  $azimuth  that the line from the first mark to the second should have
     * @param  float|null  $design  length it should have, metres
     * @param  array{float, float}  $angleFactors  how much less certain the angles to each mark are than a mean of two faces
     *
     * @throws CannotSetUp
     */
    public static function solve(
        Position $assumed,
        float $instrumentHeight,
        Sight $first,
        Sight $second,
        float $azimuth,
        Accuracy $accuracy,
        ?float $design = null,
        array $angleFactors = [1.0, 1.0],
    ): self {
        if (! $first->hasDistance() || ! $second->hasDistance()) {
            throw CannotSetUp::baselineNeedsDistances();
        }
        $unturned = new Station($assumed, 0.0, $instrumentHeight);
        [$a, $b] = [$unturned->locate($first), $unturned->locate($second)];
        $length = $a->distanceTo($b);
        if ($length < Resection::ONE_PLACE) {
            throw CannotSetUp::noLine('the baseline');
        }
        $measured = $a->azimuthTo($b);
        $station = new Station($assumed, Angle::wrap($azimuth - $measured), $instrumentHeight);
        $across = 0.0;
        $along = 0.0;
        foreach ([$first, $second] as $i => $s) {
            $own = $accuracy->ofAngles($angleFactors[$i]);
            $off = $s->circle - $measured;
            [$radial, $lateral] = [$own->ofDistance($s->distance) ** 2, ($s->distance * $own->ofDirection($s->distance)) ** 2];
            $across += sin($off) ** 2 * $radial + cos($off) ** 2 * $lateral;
            $along += cos($off) ** 2 * $radial + sin($off) ** 2 * $lateral;
        }
        $cautions = [Caution::that(CautionKind::PlaceAssumed)];
        if ($design === null) {
            $cautions[] = Caution::that(CautionKind::NoLengthGiven);
        } elseif (abs($length - $design) > Significance::TOLD * sqrt($along)) {
            $cautions[] = Caution::by(CautionKind::BaselineDiffers, $length - $design);
        }
        $zero = [0.0, 0.0, 0.0];

        return new self(
            new SetupSolution(
                $station, new Precision([$zero, $zero, [0.0, 0.0, $across / $length ** 2]], $assumed->elevation === null ? null : 0.0),
                [], $design === null ? 0 : 1, $design === null ? null : abs($length - $design) / sqrt($along), $cautions,
                $design === null ? null : abs($length - $design) <= Significance::CLEAN_DEVIATIONS * sqrt($along), false,
            ),
            $length, $station->locate($first), $station->locate($second),
        );
    }
}
