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
        $setups = [];
        foreach ($shots as $shot) {
            [$station] = $shot;
            $setups[sprintf('%.4f %.4f %.9f', $station->mark->northing, $station->mark->easting, $station->orientation)][] = $shot;
        }
        $means = array_map(self::fromOneSetup(...), array_values($setups));
        [$wn, $we, $wz, $n, $e, $z] = [0.0, 0.0, 0.0, 0.0, 0.0, 0.0];
        foreach ($means as [$place, $vn, $ve, $vz]) {
            [$wn, $we] = [$wn + 1 / $vn, $we + 1 / $ve];
            [$n, $e] = [$n + $place->northing / $vn, $e + $place->easting / $ve];
            if ($place->elevation !== null) {
                [$wz, $z] = [$wz + 1 / $vz, $z + $place->elevation / $vz];
            }
        }
        $mean = new Position($n / $wn, $e / $we, $wz > 0.0 ? $z / $wz : null);
        $largest = max(array_map(static fn (array $s) => $s[0]->locate($s[2])->distanceTo($mean), $shots));

        return new self($mean, sqrt((1 / $wn + 1 / $we) / 2), $wz > 0.0 ? 1 / sqrt($wz) : null, count($shots), $largest);
    }

    /**
     * Shots from one setup share its error, which no number of them averages away; what each adds of its own does.
     *
     * @param  non-empty-list<array{Station, Precision, Sight, Accuracy}>  $shots
     * @return array{Position, float, float, float} mean, and variances of northing, easting and elevation; square metres
     */
    private static function fromOneSetup(array $shots): array
    {
        [$w, $wz, $n, $e, $z] = [0.0, 0.0, 0.0, 0.0, 0.0];
        [$station, $precision] = $shots[0];
        foreach ($shots as [, , $sight, $accuracy]) {
            $place = $station->locate($sight);
            $shot = $accuracy->centring ** 2 + max($accuracy->distance, $accuracy->angle * $sight->distance) ** 2;
            $rise = $accuracy->ofHeight($sight->distance) ** 2;
            [$w, $n, $e] = [$w + 1 / $shot, $n + $place->northing / $shot, $e + $place->easting / $shot];
            [$wz, $z] = [$wz + 1 / $rise, $z + ($place->elevation ?? 0.0) / $rise];
        }
        $mean = new Position($n / $w, $e / $w, $station->mark->elevation === null ? null : $z / $wz);
        $ellipse = $precision->variances($station->mark, $mean);

        return [$mean, $ellipse[0] + 1 / $w, $ellipse[1] + 1 / $w, ($precision->height ?? 0.0) + 1 / $wz];
    }
}
