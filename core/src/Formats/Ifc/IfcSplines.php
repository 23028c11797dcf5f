<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Ifc;

use Parlay\Core\Buildings\Loop;
use Parlay\Core\Formats\Step\BrokenInstance;
use Parlay\Core\Formats\Step\Instance;
use Parlay\Core\Geometry\Space;
use Parlay\Core\Geometry\Spline;

/** B-splines and Bézier curves of the file. */
final readonly class IfcSplines
{
    /** Pieces of a curve among which the place nearest to a given one is looked for first. */
    private const LOOKED_AT = 64;

    private const MOST_KNOTS = 100_000;

    private const MOST_PIECES = 400;

    public function __construct(private IfcPlaces $places) {}

    /** @throws BrokenInstance where its figures make no curve */
    public function curve(Instance $curve): Spline
    {
        $degree = (int) ($curve->number(0) ?? 0.0);
        $points = array_map($this->places->point(...), $curve->references(1));
        $knots = str_contains($curve->class, 'WITHKNOTS')
            ? $this->knots($curve, $curve->numbers(5), $curve->numbers(6)) : self::even($degree, count($points), str_contains($curve->class, 'BEZIER'));
        $weights = match ($curve->class) {
            'IFCRATIONALBSPLINECURVEWITHKNOTS' => $curve->numbers(8),
            'IFCRATIONALBEZIERCURVE' => $curve->numbers(5),
            default => [],
        };

        return Spline::of($degree, $knots, $points, $weights) ?? throw $this->places->broken($curve->number, 'its knots, points and weights make no curve');
    }

    /**
     * @param  list<float>  $times  how often each knot stands
     * @param  list<float>  $values
     * @return list<float>
     *
     * @throws BrokenInstance
     */
    public function knots(Instance $of, array $times, array $values): array
    {
        if (count($times) !== count($values) || array_sum($times) > self::MOST_KNOTS || ($times !== [] && min($times) < 1.0)) {
            throw $this->places->broken($of->number, 'its knots are not as many as are said, or more than '.self::MOST_KNOTS);
        }
        $knots = [];
        foreach ($values as $k => $value) {
            array_push($knots, ...array_fill(0, (int) $times[$k], $value));
        }

        return $knots;
    }

    /**
     * Knots where the file gives none: of Bézier arcs one after another, or all of the same width.
     *
     * @return list<float>
     */
    private static function even(int $degree, int $points, bool $bezier): array
    {
        $knots = [];
        for ($k = 0; $k < $points + $degree + 1; $k++) {
            $knots[] = ! $bezier || $degree < 1 ? (float) ($k - $degree) : (float) max(0, min(intdiv($points - 1, $degree), intdiv($k - 1, $degree)));
        }

        return $knots;
    }

    /**
     * @param  float|array{float, float, float}  $from  its parameter, or a place on it
     * @param  float|array{float, float, float}  $to
     * @return list<array{float, float, float}> from one to the other, the way its parameter grows
     */
    public function between(Spline $curve, float|array $from, float|array $to): array
    {
        [$a, $b] = [self::partAt($curve, $from), self::partAt($curve, $to)];
        $pieces = self::pieces($curve, $a, $b);
        $places = [];
        for ($k = 0; $k <= $pieces; $k++) {
            $places[] = $curve->at($a + ($b - $a) * $k / $pieces);
        }
        foreach ([0 => $from, $pieces => $to] as $k => $said) {
            $places[$k] = is_array($said) ? $said : $places[$k];
        }

        return $places;
    }

    /** So many that it turns by half a piece of a circle from one to the next, were it bent evenly. */
    private static function pieces(Spline $curve, float $a, float $b): int
    {
        $looked = min(self::MOST_PIECES, max(self::LOOKED_AT, 4 * count($curve->points)));
        $turn = 0.0;
        $way = null;
        $before = $curve->at($a);
        for ($k = 1; $k <= $looked; $k++) {
            $place = $curve->at($a + ($b - $a) * $k / $looked);
            $next = Space::unit(Space::way($before, $place));
            $turn += $way === null || $next === null ? 0.0 : atan2(Space::length(Space::cross($way, $next)), Space::dot($way, $next));
            [$way, $before] = [$next ?? $way, $place];
        }

        return max(2, min(self::MOST_PIECES, (int) ceil(2 * $turn / (2 * M_PI) * Loop::PIECES)));
    }

    /**
     * Which part of its parameter's range.
     *
     * @param  float|array{float, float, float}  $at
     */
    private static function partAt(Spline $curve, float|array $at): float
    {
        if (! is_array($at)) {
            [$begin, $end] = [$curve->knots[$curve->degree], $curve->knots[count($curve->points)]];

            return max(0.0, min(1.0, ($at - $begin) / ($end - $begin)));
        }
        $away = static fn (float $t): float => Space::length(Space::way($curve->at(max(0.0, min(1.0, $t))), $at));
        $pieces = max(self::LOOKED_AT, 4 * count($curve->points));
        [$best, $least] = [0.0, INF];
        for ($k = 0; $k <= $pieces; $k++) {
            $d = $away($k / $pieces);
            [$best, $least] = $d < $least ? [$k / $pieces, $d] : [$best, $least];
        }
        // Nearer and nearer, from both sides.
        for ($step = 0.5 / $pieces; $step > 1e-12; $step /= 2) {
            foreach ([$best - $step, $best + $step] as $t) {
                $d = $away($t);
                [$best, $least] = $d < $least ? [max(0.0, min(1.0, $t)), $d] : [$best, $least];
            }
        }

        return $best;
    }
}
