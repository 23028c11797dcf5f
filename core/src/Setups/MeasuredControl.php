<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Station;

/** A new control point from one setup or several: each shot with its setup's uncertainty and its own, averaged by weight. */
final readonly class MeasuredControl
{
    /**
     * @param  float  $planDeviation  of its northing and of its easting, the mean of both
     * @param  float  $largest  how far the shots lie from the mean at most, metres
     */
    private function __construct(
        public Position $place,
        public float $planDeviation,
        public ?float $heightDeviation,
        public int $shots,
        public float $largest,
    ) {}

    /** @param  non-empty-list<array{Station, Precision, Sight, Accuracy}>  $shots  each with what its own reading deviates by */
    public static function of(array $shots): self
    {
        $north = $east = $up = [];
        foreach ($shots as [$station, $precision, $sight, $accuracy]) {
            $mark = $station->mark;
            $place = $station->locate($sight);
            $azimuth = $mark->azimuthTo($place);
            [$along, $across, $rise] = ShotVariance::of($sight, $accuracy, max($sight->distance, 0.1));
            [$vn, $ve] = $precision->variances($mark, $place);
            $stood = sprintf('%.4f %.4f', $mark->northing, $mark->easting);
            $turned = sprintf('%s %.9f', $stood, $station->orientation);
            [$c, $s] = [cos($azimuth) ** 2, sin($azimuth) ** 2];
            $centring = $accuracy->centring ** 2;
            $north[] = new SharedMean($place->northing, $centring + $c * $along + $s * $across, $vn, $turned, $stood, $precision->plan[0][0]);
            $east[] = new SharedMean($place->easting, $centring + $s * $along + $c * $across, $ve, $turned, $stood, $precision->plan[1][1]);
            if ($place->elevation !== null) {
                $high = sprintf('%s %.4f', $stood, $mark->elevation);
                $up[] = new SharedMean($place->elevation, $accuracy->height ** 2 + $rise, $precision->height ?? 0.0, $high, $high, $precision->height ?? 0.0);
            }
        }
        [$n, $vn] = SharedMean::of($north);
        [$e, $ve] = SharedMean::of($east);
        [$z, $vz] = $up === [] ? [null, null] : SharedMean::of($up);
        $mean = new Position($n, $e, $z);
        $largest = max(array_map(static fn (array $s) => $s[0]->locate($s[2])->distanceTo($mean), $shots));

        return new self($mean, sqrt(($vn + $ve) / 2), $vz === null ? null : sqrt($vz), count($shots), $largest);
    }
}
