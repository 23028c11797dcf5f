<?php

declare(strict_types=1);

namespace Parlay\Core\Cogo;

use Parlay\Core\Geometry\Position;

/**
 * What a closed chain encloses: the polygon of its corners by cross products from the first corner (so that large coordinates lose
 * nothing), and the segments between arcs and their chords. Source of the segment's centroid: 4 r sin³(θ/2) / 3 (θ − sin θ) from the
 * centre, standard mensuration (recalled; confirmed with shapely).
 */
final readonly class Enclosed
{
    private function __construct(
        public float $area,
        public Position $centroid,
    ) {}

    /** @throws NoConstruction where the chain is open or encloses nothing */
    public static function by(Chain $outline): self
    {
        if (! $outline->isClosed()) {
            throw NoConstruction::contradiction('The outline is not closed: its end is not its beginning.');
        }
        $origin = $outline->legs[0]->from;
        $twice = $sumX = $sumY = 0.0;
        foreach ($outline->legs as $leg) {
            [$x1, $y1] = [$leg->from->easting - $origin->easting, $leg->from->northing - $origin->northing];
            [$x2, $y2] = [$leg->to->easting - $origin->easting, $leg->to->northing - $origin->northing];
            // Clockwise is positive, as directions are.
            $cross = $y1 * $x2 - $x1 * $y2;
            $twice += $cross;
            $sumX += $cross / 2 * ($x1 + $x2) / 3;
            $sumY += $cross / 2 * ($y1 + $y2) / 3;
        }
        $area = $twice / 2;
        foreach ($outline->legs as $leg) {
            $centre = $leg->centre();
            if ($centre !== null) {
                $segment = $leg->segmentArea();
                $angle = abs($leg->sweep);
                $out = $centre->along($leg->azimuthAt($leg->length() / 2) - $leg->side() * M_PI_2, 4 * $leg->radius() * sin($angle / 2) ** 3 / (3 * ($angle - sin($angle))));
                $area += $segment;
                $sumX += $segment * ($out->easting - $origin->easting);
                $sumY += $segment * ($out->northing - $origin->northing);
            }
        }
        if (abs($area) < 1e-9) {
            throw NoConstruction::contradiction('The outline encloses nothing: out and back are one line.');
        }

        return new self(abs($area), new Position($origin->northing + $sumY / $area, $origin->easting + $sumX / $area));
    }
}
