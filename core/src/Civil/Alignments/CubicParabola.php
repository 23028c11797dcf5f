<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Alignments;

use Parlay\Core\Geometry\Position;

/**
 * The transition y = x³/(6RX) along its tangent, X being its length measured along the tangent and R the radius where it ends; here its
 * length along the curve is given. Written for its straight end first; a curve that comes to the straight is the same the other way round.
 */
final class CubicParabola
{
    private const STEPS = 64;

    /** Metres along the tangent. */
    private readonly float $x;

    private function __construct(
        private readonly float $length,
        private readonly float $curvature,
        private readonly bool $toStraight,
    ) {
        // The curve is longer than its tangent: solved for the run whose curve has this length.
        $x = $length;
        for ($i = 0; $i < 50; $i++) {
            $x += $length - self::curve($x, $x, $curvature);
        }
        $this->x = $x;
    }

    /** @param  float  $from  curvature where it begins, per metre; one of both is 0 */
    public static function of(float $length, float $from, float $to): self
    {
        $sharp = $from === 0.0 ? $to : $from;
        if (abs($sharp) * $length > 0.6) {
            throw NoAlignment::cubicTooSharp();
        }

        return new self($length, $sharp, $from !== 0.0);
    }

    /** Length of the curve from its straight end to a run along the tangent (Simpson). */
    private static function curve(float $run, float $x, float $curvature): float
    {
        $h = $run / self::STEPS;
        $sum = 0.0;
        for ($i = 0; $i <= self::STEPS; $i++) {
            $slope = ($i * $h) ** 2 * $curvature / (2 * $x);
            $sum += sqrt(1 + $slope * $slope) * ($i === 0 || $i === self::STEPS ? 1 : ($i % 2 === 1 ? 4 : 2));
        }

        return $sum * $h / 3;
    }

    private function runAt(float $along): float
    {
        $run = $along;
        for ($i = 0; $i < 20; $i++) {
            $off = $along - self::curve($run, $this->x, $this->curvature);
            $run += $off;
            if (abs($off) < 1e-12) {
                break;
            }
        }

        return $run;
    }

    private function own(float $along): float
    {
        return $this->toStraight ? $this->length - $along : $along;
    }

    /** @return array{float, float} run along the tangent and turn there */
    private function runAndTurn(float $along): array
    {
        $run = $this->runAt($this->own($along));

        return [$run, atan($run * $run * $this->curvature / (2 * $this->x))];
    }

    public function turnAt(float $along): float
    {
        $turn = $this->runAndTurn($along)[1];

        return $this->toStraight ? atan($this->x * $this->curvature / 2) - $turn : $turn;
    }

    public function curvatureAt(float $along): float
    {
        [$run, $turn] = $this->runAndTurn($along);

        return $run * $this->curvature / $this->x * cos($turn) ** 3;
    }

    public function at(Position $start, float $azimuth, float $along): Position
    {
        [$run] = $this->runAndTurn($along);
        $y = $run ** 3 * $this->curvature / (6 * $this->x);
        if (! $this->toStraight) {
            return $start->along($azimuth, $run)->along($azimuth + M_PI_2, $y);
        }
        // From the sharp end: the tangent of the straight end lies the other way, mirrored.
        $tangent = $azimuth + atan($this->x * $this->curvature / 2);
        $yEnd = $this->x ** 2 * $this->curvature / 6;

        return $start->along($tangent, $this->x - $run)->along($tangent + M_PI_2, $y - $yEnd);
    }
}
