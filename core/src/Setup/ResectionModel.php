<?php

declare(strict_types=1);

namespace Parlay\Core\Setup;

use Parlay\Core\Adjustment\Equation;
use Parlay\Core\Adjustment\Model;
use Parlay\Core\Geometry\Angle;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;

/** Direction and distance equations of a free station. Unknowns: northing and easting from the origin, orientation. */
final readonly class ResectionModel implements Model
{
    /** @param  list<ControlSight>  $sights */
    public function __construct(
        private array $sights,
        private Position $origin,
        private Accuracy $accuracy,
    ) {}

    public function equationsAt(array $unknowns): array
    {
        [$northing, $easting, $orientation] = $unknowns;
        $equations = [];
        foreach ($this->sights as $s) {
            $dn = $s->control->northing - $this->origin->northing - $northing;
            $de = $s->control->easting - $this->origin->easting - $easting;
            $distance = max(hypot($dn, $de), 1e-3);
            $measured = $s->sight->distance;
            $equations[] = new Equation(
                [$de / $distance ** 2, -$dn / $distance ** 2, -1.0],
                Angle::signed($s->sight->circle + $orientation - atan2($de, $dn)),
                $this->accuracy->ofDirection($measured),
            );
            $equations[] = new Equation(
                [-$dn / $distance, -$de / $distance, 0.0],
                $measured - $distance,
                $this->accuracy->ofDistance($measured),
            );
        }

        return $equations;
    }
}
