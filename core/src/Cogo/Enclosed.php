<?php

declare(strict_types=1);

namespace Parlay\Core\Cogo;

use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\Polyline;
use Parlay\Core\Geometry\Position;

/**
 * What a closed chain encloses: the polygon of its corners by cross products from the first corner (so that large coordinates lose
 * nothing), and the segments between arcs and their chords. Source of the segment's centroid: 4 r sin³(θ/2) / 3 (θ − sin θ) from the
 * centre, standard mensuration (recalled; confirmed with shapely).
 */
final readonly class Enclosed
{
    /** Of an arc, while it is looked for where it crosses others. */
    private const CHORDS = 24;

    /** Square metres: corners that lie within a tenth of a millimetre of a side touch it. */
    private const TOUCHING = 1e-8;

    private function __construct(
        public float $area,
        public Position $centroid,
    ) {}

    /** @throws NoConstruction where the chain is open or encloses nothing */
    public static function by(Polyline $outline): self
    {
        if (! $outline->isClosed()) {
            throw NoConstruction::contradiction('The outline is not closed: its end is not its beginning.');
        }
        self::refuseCrossing($outline);
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
                $out = $centre->along(
                    $leg->azimuthAt($leg->length() / 2) - $leg->side() * M_PI_2,
                    4 * $leg->radius() * sin($angle / 2) ** 3 / (3 * ($angle - sin($angle))),
                );
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

    /**
     * An outline that crosses itself encloses one part one way round and another the other way: the sum would be the area of neither.
     *
     * @throws NoConstruction
     */
    private static function refuseCrossing(Polyline $outline): void
    {
        $chords = self::chords($outline);
        $count = count($chords);
        for ($i = 0; $i < $count; $i++) {
            for ($k = $i + 2; $k < $count; $k++) {
                if (($i > 0 || $k < $count - 1) && self::cross($chords[$i], $chords[$k])) {
                    throw NoConstruction::contradiction(sprintf(
                        'The outline crosses itself, between its corners %d and %d and again between %d and %d. Choose the corners in '
                            .'the order in which one walks round.',
                        $chords[$i][4] + 1, $chords[$i][4] + 2, $chords[$k][4] + 1, $chords[$k][4] + 2,
                    ));
                }
            }
        }
    }

    /** @return list<array{float, float, float, float, int}> both ends from the first corner, and the leg that each is part of */
    private static function chords(Polyline $outline): array
    {
        $origin = $outline->legs[0]->from;
        $chords = [];
        foreach ($outline->legs as $number => $leg) {
            $parts = $leg->isStraight() ? 1 : self::CHORDS;
            for ($i = 0; $i < $parts; $i++) {
                [$p, $q] = [$leg->at($leg->length() * $i / $parts), $leg->at($leg->length() * ($i + 1) / $parts)];
                $chords[] = [
                    $p->easting - $origin->easting, $p->northing - $origin->northing, $q->easting - $origin->easting,
                    $q->northing - $origin->northing, $number,
                ];
            }
        }

        return $chords;
    }

    /**
     * Whether each has its ends on both sides of the other; one that only touches does not cross.
     *
     * @param  array{float, float, float, float, int}  $a
     * @param  array{float, float, float, float, int}  $b
     */
    private static function cross(array $a, array $b): bool
    {
        if (max($a[0], $a[2]) < min($b[0], $b[2])
            || max($b[0], $b[2]) < min($a[0], $a[2])
            || max($a[1], $a[3]) < min($b[1], $b[3])
            || max($b[1], $b[3]) < min($a[1], $a[3])) {
            return false;
        }
        $side = static fn (array $l, float $x, float $y): float => ($l[2] - $l[0]) * ($y - $l[1]) - ($l[3] - $l[1]) * ($x - $l[0]);
        $apart = static fn (array $l, array $m): bool => $side($l, $m[0], $m[1]) * $side($l, $m[2], $m[3]) < -self::TOUCHING * (hypot($l[2] - $l[0], $l[3] - $l[1]) ** 2);

        return $apart($a, $b) && $apart($b, $a);
    }
}
