<?php

declare(strict_types=1);

namespace Parlay\Core\Cogo;

use Parlay\Core\Adjustment\LeastSquares;
use Parlay\Core\Adjustment\NoSolution;
use Parlay\Core\Geometry\Circle;
use Parlay\Core\Geometry\Leg;
use Parlay\Core\Geometry\Line;
use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\Position;

/**
 * Lines, circles and planes that run nearest to many places: the sum of squares of the distances at right angles is least. Line and
 * plane by the principal axes of the places about their centre of gravity; the circle by least squares from one through three of them.
 */
final readonly class BestFit
{
    /**
     * @param  list<float>  $residuals  metres, in the order of the places: to the right of the line, outside the circle, above the plane
     * @param  list<Leg>  $drawn
     * @param  list<MadePlace>  $places
     * @param  list<Quantity>  $figures
     * @param  array{string, string}  $sides  what a positive and a negative residual are called
     */
    private function __construct(
        public array $residuals,
        public float $deviation,
        public array $places,
        public array $figures,
        public array $drawn,
        private array $sides,
    ) {}

    /** @param  list<Position>  $places @throws NoConstruction */
    public static function line(array $places): self
    {
        $places = self::atLeast(2, 'A line', $places);
        $mean = self::mean($places);
        $xx = $xy = $yy = 0.0;
        foreach ($places as $p) {
            [$x, $y] = [$p->easting - $mean->easting, $p->northing - $mean->northing];
            [$xx, $xy, $yy] = [$xx + $x * $x, $xy + $x * $y, $yy + $y * $y];
        }
        if ($xx + $yy === 0.0) {
            throw NoConstruction::allOnePlace();
        }
        // Twice the angle from north to the longer axis; then along from the first place to the last.
        $ray = new Line($mean, atan2(2 * $xy, $yy - $xx) / 2);
        $along = array_map($ray->along(...), $places);
        if ($along[count($along) - 1] < $along[0]) {
            $ray = new Line($mean, $ray->azimuth + M_PI);
            $along = array_map($ray->along(...), $places);
        }
        [$from, $to] = [$ray->at(min($along)), $ray->at(max($along))];
        $figures = [Quantity::direction('direction', $from->azimuthTo($to)), Quantity::length('length', $from->distanceTo($to))];

        return self::with(
            array_map($ray->right(...), $places), 2, [new MadePlace($from, 'beginning'), new MadePlace($to, 'end')], $figures,
            [new Leg($from, $to)], ['to the right', 'to the left'],
        );
    }

    /** @param  list<Position>  $places @throws NoConstruction */
    public static function circle(array $places): self
    {
        $places = self::atLeast(3, 'A circle', $places);
        $start = self::roughCircle($places);
        try {
            $middle = self::mean($places);
            $model = new CircleModel($places, $middle, max(array_map($middle->distanceTo(...), $places)));
            $circle = $model->circle(LeastSquares::solve($model, $model->unknownsOf($start))->unknowns);
        } catch (NoSolution) {
            throw NoConstruction::contradiction('No circle runs near these places: they lie too irregularly, or almost on a line.');
        }
        $residuals = array_map(static fn (Position $p) => $circle->centre->distanceTo($p) - $circle->radius, $places);
        $rim = static fn (float $azimuth): Position => $circle->centre->along($azimuth, $circle->radius);

        return self::with(
            $residuals, 3, [new MadePlace($circle->centre, 'centre')], [Quantity::length('radius', $circle->radius)],
            [new Leg($rim(0.0), $rim(M_PI), M_PI), new Leg($rim(M_PI), $rim(0.0), M_PI)], ['outside', 'inside'],
        );
    }

    /** @param  list<Position>  $places with elevations @throws NoConstruction */
    public static function plane(array $places): self
    {
        $places = array_values(array_filter($places, static fn (Position $p) => $p->elevation !== null));
        $places = self::atLeast(3, 'A plane (of places with an elevation)', $places);
        $mean = self::mean($places);
        $level = array_sum(array_map(static fn (Position $p) => (float) $p->elevation, $places)) / count($places);
        $axes = PrincipalAxes::of(array_map(
            static fn (Position $p) => [$p->easting - $mean->easting, $p->northing - $mean->northing, $p->elevation - $level], $places,
        ));
        if ($axes->spread[1] <= 1e-14 * $axes->spread[0]) {
            throw NoConstruction::collinear();
        }
        $normal = $axes->axes[2][2] < 0 ? array_map(static fn (float $v) => -$v, $axes->axes[2]) : $axes->axes[2];
        $residuals = array_map(static fn (Position $p) => $normal[0] * ($p->easting - $mean->easting)
            + $normal[1] * ($p->northing - $mean->northing)
            + $normal[2] * ($p->elevation - $level), $places);
        $flat = hypot($normal[0], $normal[1]);
        $figures = [
            new Quantity('steepest grade', QuantityKind::Grade, abs($normal[2]) < 1e-12 ? INF : $flat / $normal[2]),
            Quantity::direction(
                'falling toward', $flat < 1e-12 ? 0.0 : (new Position(0, 0))->azimuthTo(new Position($normal[1], $normal[0])),
            ),
        ];

        return self::with($residuals, 3, [new MadePlace($mean->at($level), 'centre of gravity')], $figures, [], ['above', 'below']);
    }

    /** What is kept of it: its places, and its quantities with the residuals. */
    public function made(): Made
    {
        $residuals = array_map(
            fn (float $r, int $i) => Quantity::deviation('place '.($i + 1).' '.$this->sides[$r < 0 ? 1 : 0], abs($r)), $this->residuals,
            array_keys($this->residuals),
        );

        return Made::one(
            $this->places, [...$this->figures, Quantity::deviation('standard deviation', $this->deviation), ...$residuals],
            $this->drawn,
        );
    }

    /**
     * @param  list<float>  $residuals
     * @param  list<MadePlace>  $places
     * @param  list<Quantity>  $figures
     * @param  list<Leg>  $drawn
     * @param  array{string, string}  $sides
     */
    private static function with(array $residuals, int $unknowns, array $places, array $figures, array $drawn, array $sides): self
    {
        $free = count($residuals) - $unknowns;
        $squares = array_sum(array_map(static fn (float $r) => $r * $r, $residuals));

        return new self($residuals, $free > 0 ? sqrt($squares / $free) : 0.0, $places, $figures, $drawn, $sides);
    }

    /**
     * Through three of the places that lie far from each other.
     *
     * @param  non-empty-list<Position>  $places
     */
    private static function roughCircle(array $places): Circle
    {
        $farthest = static function (callable $measure) use ($places): Position {
            usort($places, static fn (Position $p, Position $q) => $measure($q) <=> $measure($p));

            return $places[0];
        };
        $a = $places[0];
        $b = $farthest($a->distanceTo(...));
        if ($a->distanceTo($b) === 0.0) {
            throw NoConstruction::allOnePlace();
        }
        $line = Line::through($a, $b);

        return Circle::through($a, $farthest(static fn (Position $p) => abs($line->right($p))), $b);
    }

    /** @param  non-empty-list<Position>  $places */
    private static function mean(array $places): Position
    {
        $first = $places[0];
        $n = count($places);

        return new Position(
            $first->northing + array_sum(array_map(static fn (Position $p) => $p->northing - $first->northing, $places)) / $n,
            $first->easting + array_sum(array_map(static fn (Position $p) => $p->easting - $first->easting, $places)) / $n,
        );
    }

    /**
     * @param  list<Position>  $places
     * @return non-empty-list<Position>
     *
     * @throws NoConstruction
     */
    private static function atLeast(int $needed, string $what, array $places): array
    {
        return $places === [] || count($places) < $needed ? throw NoConstruction::tooFew($what, $needed, count($places)) : $places;
    }
}
