<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

use Parlay\Core\Geometry\Circle;
use Parlay\Core\Geometry\Intersection;
use Parlay\Core\Geometry\Line;
use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Bounds;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Setups\Precision;
use Parlay\Core\Setups\ShotSpread;

/**
 * A place that is found from several shots: a corner behind a scaffold, the centre of a round column, the invert of a pipe. Plane trigonometry from the shots' own places; the uncertainty of each shot
 * goes through by what a small step of it moves the place (JCGM 100:2008, 5), that of the setup once for all of them.
 */
final readonly class HiddenShot
{
    /** Longer ones are measured from another place, metres. */
    private const LONGEST = 50.0;

    /** How well a tape is read and held, standard deviation, metres. Common practice, no source. */
    private const TAPE = 0.003;

    /** How well the distance from a rod's prism to its tip is known, standard deviation, metres. Common practice, no source. */
    private const ROD = 0.0005;

    /** How far two prisms of a rod may be measured from what it has, metres. Common practice, no source. */
    private const ROD_HOLDS = 0.006;

    /** Shots nearer to each other than this tell no direction, metres. */
    private const APART = 0.02;

    /** So far a shot is moved to see what that moves, metres. */
    private const STEP = 1e-4;

    /**
     * @param  float  $first  the tape from the first shot, or from the second prism to the tip of the rod; metres, 0 where the method has none
     * @param  float  $second  the tape from the second shot, or from prism to prism of the rod; metres, 0 where nobody told
     * @param  bool  $right  of two tapes, on which side of the way from the first shot to the second it lies
     *
     * @throws NoHiddenPlace where what is to be taped is not
     */
    public function __construct(public HiddenMethod $method, public float $first = 0.0, public float $second = 0.0, public bool $right = true)
    {
        $taped = match ($method) {
            HiddenMethod::TwoTapes => [$first, $second],
            HiddenMethod::Rod => $second === 0.0 ? [$first] : [$first, $second],
            default => [],
        };
        foreach ($taped as $metres) {
            if (! Bounds::hold($metres, 0.001, self::LONGEST)) {
                throw NoHiddenPlace::tape();
            }
        }
    }

    /**
     * @param  list<Sight>  $sights  in the order that the method takes
     *
     * @throws NoHiddenPlace|NoConstruction where they are of no such thing
     */
    public function from(Station $station, array $sights): Position
    {
        return $this->place($station->mark, array_map($station->locate(...), $sights));
    }

    /**
     * How far it may be wrong: every shot by its own distance, angles and pole, the tapes, and the setup.
     *
     * @param  list<Sight>  $sights
     * @param  list<Accuracy>  $accuracies  of each
     *
     * @throws NoHiddenPlace|NoConstruction
     */
    public function spread(Station $station, Precision $precision, array $sights, array $accuracies): ShotSpread
    {
        $shots = array_map($station->locate(...), $sights);
        $found = $this->place($station->mark, $shots);
        // The setup turns and shifts all shots alike, and the place with them.
        [$nn, $ee, $ne] = $precision->variances($station->mark, $found);
        $sum = new ShotSpread($nn, $ne, 0.0, $ee, 0.0, $precision->height ?? 0.0);
        foreach ($sights as $k => $sight) {
            // For its own sake: as from a setup that is known without any doubt.
            $sum = $sum->plus(ShotSpread::of($station, Precision::certain(), $sight, $accuracies[$k])->through($this->moves($station->mark, $shots, $k)));
        }

        return $sum->plus($this->taped($station->mark, $shots, $found));
    }

    /**
     * @param  list<Position>  $p  the shots
     *
     * @throws NoHiddenPlace|NoConstruction
     */
    private function place(Position $mark, array $p): Position
    {
        if (count($p) !== $this->method->shots()) {
            throw NoHiddenPlace::count($this->method->shots(), count($p));
        }

        return match ($this->method) {
            HiddenMethod::TwoTapes => $this->ofTapes($p[0], $p[1]),
            HiddenMethod::WallCorner => Intersection::ofRays(self::wall($p[0], $p[1]), self::wall($p[2], $p[3]))->at(null),
            HiddenMethod::RoundColumn => Circle::through($p[0], $p[1], $p[2])->centre,
            HiddenMethod::ColumnEdges => self::ofEdges($mark, $p[0], $p[1], $p[2]),
            HiddenMethod::Rod => $this->ofRod($p[0], $p[1]),
        };
    }

    private function ofTapes(Position $a, Position $b): Position
    {
        // The left one, then the right one; where they touch there is one.
        $both = Intersection::ofCircles(new Circle($a, $this->first), new Circle($b, $this->second));

        return ($this->right ? end($both) : $both[0])->at(null);
    }

    private static function wall(Position $a, Position $b): Line
    {
        self::requireApart($a->distanceTo($b));

        return new Line($a, $a->azimuthTo($b));
    }

    /** A column of radius r whose centre is D away is seen under twice asin(r/D), and its front is D − r away. */
    private static function ofEdges(Position $mark, Position $left, Position $right, Position $front): Position
    {
        $turn = static fn (float $from, float $to): float => atan2(sin($to - $from), cos($to - $from));
        $half = $turn($mark->azimuthTo($left), $mark->azimuthTo($right)) / 2;
        if (abs($half) < 1e-5 || abs($half) > 1.4) {
            throw NoHiddenPlace::edges();
        }
        $middle = $mark->azimuthTo($left) + $half;
        $near = $mark->distanceTo($front);
        $centre = $near / (1.0 - sin(abs($half)));
        $off = abs($turn($middle, $mark->azimuthTo($front))) * $near;
        // At a tenth of the radius beside its front the face lies half a hundredth of it deeper.
        if ($off > max(0.01, ($centre - $near) / 5)) {
            throw NoHiddenPlace::front($off);
        }

        return $mark->along($middle, $centre);
    }

    private function ofRod(Position $far, Position $near): Position
    {
        if ($far->elevation === null || $near->elevation === null) {
            throw NoHiddenPlace::noHeight();
        }
        $long = hypot($far->distanceTo($near), $near->elevation - $far->elevation);
        self::requireApart($long);
        if ($this->second > 0.0 && abs($long - $this->second) > self::ROD_HOLDS) {
            throw NoHiddenPlace::rod($long, $this->second);
        }
        $on = $this->first / $long;

        return new Position(
            $near->northing + $on * ($near->northing - $far->northing), $near->easting + $on * ($near->easting - $far->easting), $near->elevation + $on * ($near->elevation - $far->elevation),
        );
    }

    private static function requireApart(float $metres): void
    {
        if ($metres < self::APART) {
            throw NoHiddenPlace::tooNear($metres);
        }
    }

    /**
     * @param  list<Position>  $shots
     * @return array{list<float>, list<float>, list<float>} what a metre of northing, easting and elevation of one shot moves of the place's
     */
    private function moves(Position $mark, array $shots, int $k): array
    {
        $columns = [];
        foreach ([[1, 0, 0], [0, 1, 0], [0, 0, 1]] as [$n, $e, $h]) {
            $at = function (float $step) use ($mark, $shots, $k, $n, $e, $h): Position {
                $p = $shots[$k];
                $shots[$k] = new Position($p->northing + $n * $step, $p->easting + $e * $step, $p->elevation === null ? null : $p->elevation + $h * $step);

                return $this->unchecked()->place($mark, array_values($shots));
            };
            $columns[] = self::rate($at(self::STEP), $at(-self::STEP));
        }

        return [array_column($columns, 0), array_column($columns, 1), array_column($columns, 2)];
    }

    /** With its tapes a step longer; of a rod without the length that its prisms are checked by, which is no part of the place. */
    private function unchecked(float $first = 0.0, float $second = 0.0): self
    {
        return new self($this->method, $this->first + $first, $this->method === HiddenMethod::Rod ? 0.0 : $this->second + $second, $this->right);
    }

    /**
     * What the tapes or the rod add.
     *
     * @param  list<Position>  $shots
     */
    private function taped(Position $mark, array $shots, Position $found): ShotSpread
    {
        $sum = new ShotSpread(0.0, 0.0, 0.0, 0.0, 0.0, 0.0);
        $parts = match ($this->method) {
            HiddenMethod::TwoTapes => [[self::TAPE, self::STEP, 0.0], [self::TAPE, 0.0, self::STEP]],
            HiddenMethod::Rod => [[self::ROD, self::STEP, 0.0]],
            default => [],
        };
        foreach ($parts as [$deviation, $first, $second]) {
            $other = fn (int $sign): Position => $this->unchecked($sign * $first, $sign * $second)->place($mark, $shots);
            [$n, $e, $h] = array_map(static fn (float $r): float => $r * $deviation, self::rate($other(1), $other(-1)));
            $sum = $sum->plus(new ShotSpread($n * $n, $n * $e, $n * $h, $e * $e, $e * $h, $h * $h));
        }

        return $sum;
    }

    /** @return array{float, float, float} */
    private static function rate(Position $after, Position $before): array
    {
        return array_map(static fn (float $d): float => $d / (2 * self::STEP), [
            $after->northing - $before->northing, $after->easting - $before->easting, ($after->elevation ?? 0.0) - ($before->elevation ?? 0.0),
        ]);
    }
}
