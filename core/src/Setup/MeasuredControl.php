<?php

declare(strict_types=1);

namespace Parlay\Core\Setup;

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

    /** @param  non-empty-list<array{Station, Precision, Sight}>  $shots */
    public static function of(array $shots, Accuracy $accuracy): self
    {
        [$wn, $we, $wz, $n, $e, $z] = [0.0, 0.0, 0.0, 0.0, 0.0, 0.0];
        $found = [];
        foreach ($shots as [$station, $precision, $sight]) {
            $place = $station->locate($sight);
            $found[] = $place;
            $shot = $accuracy->centring ** 2 + max($accuracy->distance, $accuracy->angle * $sight->distance) ** 2;
            $ellipse = $precision->variances($station->mark, $place);
            [$vn, $ve] = [$ellipse[0] + $shot, $ellipse[1] + $shot];
            [$wn, $we] = [$wn + 1 / $vn, $we + 1 / $ve];
            [$n, $e] = [$n + $place->northing / $vn, $e + $place->easting / $ve];
            if ($place->elevation !== null) {
                $vz = ($precision->height ?? 0.0) + $accuracy->ofHeight($sight->distance) ** 2;
                [$wz, $z] = [$wz + 1 / $vz, $z + $place->elevation / $vz];
            }
        }
        $mean = new Position($n / $wn, $e / $we, $wz > 0.0 ? $z / $wz : null);

        return new self($mean, sqrt((1 / $wn + 1 / $we) / 2), $wz > 0.0 ? 1 / sqrt($wz) : null, count($shots), max(array_map(static fn (Position $p) => $p->distanceTo($mean), $found)));
    }
}
