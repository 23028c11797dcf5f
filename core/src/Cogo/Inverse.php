<?php

declare(strict_types=1);

namespace Parlay\Core\Cogo;

use Parlay\Core\Geometry\Leg;
use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\Position;

/** What lies between two places. */
final readonly class Inverse
{
    private function __construct(
        public float $direction,
        public float $distance,
        public ?float $rise,
        public ?float $slope,
        public ?float $grade,
    ) {}

    /** Grid azimuth in radians from 0 to 2π, distances in metres; a rise only where both have an elevation. */
    public static function between(Position $from, Position $to): self
    {
        $distance = $from->distanceTo($to);
        $rise = $from->elevation === null || $to->elevation === null ? null : $to->elevation - $from->elevation;

        return new self(
            $from->azimuthTo($to), $distance, $rise, $rise === null ? null : hypot($distance, $rise),
            $rise === null || $distance === 0.0 ? null : $rise / $distance,
        );
    }

    /**
     * One after another, with the sum of the distances where there are several.
     *
     * @param  list<Position>  $places
     * @throws NoConstruction
     */
    public static function along(array $places): Made
    {
        if (count($places) < 2) {
            throw NoConstruction::tooFew('An inverse', 2, count($places));
        }
        $figures = $drawn = [];
        $sum = 0.0;
        foreach (array_slice($places, 1) as $i => $to) {
            $inverse = self::between($places[$i], $to);
            array_push($figures, ...$inverse->figures(count($places) === 2 ? '' : ' '.($i + 1).' to '.($i + 2)));
            $drawn[] = new Leg($places[$i], $to);
            $sum += $inverse->distance;
        }
        if (count($places) > 2) {
            $figures[] = Quantity::length('all together', $sum);
        }

        return Made::one([], $figures, $drawn);
    }

    /** @return list<Quantity> */
    private function figures(string $which): array
    {
        $figures = [Quantity::length("horizontal distance$which", $this->distance)];
        if ($this->distance > 0.0) {
            $figures[] = Quantity::direction("direction$which", $this->direction);
        }
        if ($this->rise !== null && $this->slope !== null) {
            $figures[] = Quantity::length($this->rise < 0 ? "falls by$which" : "rises by$which", abs($this->rise));
            $figures[] = Quantity::length("slope distance$which", $this->slope);
        }
        if ($this->grade !== null) {
            $figures[] = new Quantity(
                ($this->grade < 0 ? 'grade, falling' : 'grade, rising').$which, QuantityKind::Grade, abs($this->grade),
            );
        }

        return $figures;
    }
}
