<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Alignments;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Units\Angle;

/**
 * A piece of an alignment: it leaves a place in a direction and bends by its curvature, which is nothing on a line, the same all along an
 * arc, and grows by its law along a spiral. Curvature is one over the radius, to the right positive.
 *
 * Places along a spiral are found by integrating its direction (Gauss-Legendre, five places to a step that turns by at most a tenth of a
 * radian): to a thousandth of a millimetre over kilometres, whatever the law.
 */
final class Element
{
    /** A step of the integration turns by no more, radians. */
    private const STEP = 0.1;

    /** Gauss-Legendre, five places (Abramowitz & Stegun, table 25.4). */
    private const PLACES = [-0.906179845938664, -0.5384693101056831, 0.0, 0.5384693101056831, 0.906179845938664];

    private const WEIGHTS = [0.23692688505618908, 0.47862867049936647, 0.5688888888888889, 0.47862867049936647, 0.23692688505618908];

    private const SLACK = 1e-9;

    /** @var list<array{float, float, float, float}>|null of a spiral: north and east from its start at each step, sine and cosine of its direction */
    private ?array $steps = null;

    private ?Position $end = null;

    /** Beginning of a cubic parabola's own run, metres along its tangent, and its X and R; null for others. */
    private readonly ?CubicParabola $cubic;

    /**
     * @param  Position  $start  in plan
     * @param  float  $azimuth  in which it leaves, radians
     * @param  float  $length  metres, above 0
     * @param  float  $from  curvature where it begins, per metre, right positive
     * @param  float  $to  and where it ends
     */
    private function __construct(
        public readonly ElementKind $kind,
        public readonly Position $start,
        public readonly float $azimuth,
        public readonly float $length,
        public readonly float $from,
        public readonly float $to,
        public readonly TransitionLaw $law,
    ) {
        $this->cubic = $kind === ElementKind::Spiral && $law === TransitionLaw::CubicParabola ? CubicParabola::of($length, $from, $to) : null;
    }

    public static function line(Position $start, float $azimuth, float $length): self
    {
        return new self(ElementKind::Line, $start->at(null), Angle::wrap($azimuth), self::long($length), 0.0, 0.0, TransitionLaw::Clothoid);
    }

    public static function between(Position $start, Position $end): self
    {
        return self::line($start, $start->azimuthTo($end), $start->distanceTo($end));
    }

    /** @param  float  $curvature  per metre, right positive, not 0 */
    public static function arc(Position $start, float $azimuth, float $length, float $curvature): self
    {
        if ($curvature === 0.0 || abs($curvature) * $length > 2 * M_PI + 1e-9) {
            throw NoAlignment::fullCircle();
        }

        return new self(ElementKind::Arc, $start->at(null), Angle::wrap($azimuth), self::long($length), $curvature, $curvature, TransitionLaw::Clothoid);
    }

    /**
     * @param  float  $from  curvature where it begins, per metre, right positive; 0 where it is straight
     * @param  float  $to  and where it ends
     */
    public static function spiral(Position $start, float $azimuth, float $length, float $from, float $to, TransitionLaw $law = TransitionLaw::Clothoid): self
    {
        if ($law === TransitionLaw::CubicParabola && $from !== 0.0 && $to !== 0.0) {
            throw NoAlignment::cubicWithoutStraightEnd();
        }
        // Every tenth of a radian is a step of its own: of a spiral of nonsense there would be millions.
        if (max(abs($from), abs($to)) * $length > 4 * M_PI) {
            throw NoAlignment::spiralTurnsRound();
        }

        return new self(ElementKind::Spiral, $start->at(null), Angle::wrap($azimuth), self::long($length), $from, $to, $law);
    }

    private static function long(float $length): float
    {
        return is_finite($length) && $length > 0.0 ? $length : throw NoAlignment::noLength();
    }

    /** Direction of travel so far along, [0, 2π). */
    public function azimuthAt(float $along): float
    {
        return Angle::wrap($this->azimuth + $this->turnAt($along));
    }

    /** How far it has turned since its start, radians, right positive. */
    public function turnAt(float $along): float
    {
        if ($this->cubic !== null) {
            return $this->cubic->turnAt($along);
        }

        return $this->from * $along + ($this->from === $this->to ? 0.0 : ($this->to - $this->from) * $this->length * $this->law->turned($along / $this->length));
    }

    /** Curvature so far along, per metre, right positive. */
    public function curvatureAt(float $along): float
    {
        return $this->cubic?->curvatureAt($along) ?? $this->from + ($this->to - $this->from) * $this->law->curvature($along / $this->length);
    }

    /** The place so far along it and so far to the right. */
    public function at(float $along, float $right = 0.0): Position
    {
        $on = match ($this->kind) {
            ElementKind::Line => $this->start->along($this->azimuth, $along),
            ElementKind::Arc => $this->start->along(
                $this->azimuth + $this->from * $along / 2, 2 * sin($this->from * $along / 2) / $this->from,
            ),
            ElementKind::Spiral => $this->cubic?->at($this->start, $this->azimuth, $along) ?? $this->onSpiral($along),
        };

        return $right === 0.0 ? $on : $on->along($this->azimuthAt($along) + M_PI_2, $right);
    }

    public function end(): Position
    {
        return $this->end ??= $this->at($this->length);
    }

    public function endAzimuth(): float
    {
        return $this->azimuthAt($this->length);
    }

    /** How many steps the way is cut into, for what is found by going along it. */
    public function parts(): int
    {
        $turn = max(abs($this->from), abs($this->to)) * $this->length;

        return $this->kind === ElementKind::Line ? 1 : max(4, (int) ceil($turn / self::STEP));
    }

    private function onSpiral(float $along): Position
    {
        $steps = $this->steps ??= $this->integrated();
        $width = $this->length / $this->parts();
        $step = max(0, min($this->parts() - 1, (int) floor($along / $width)));
        [$north, $east] = $steps[$step];
        [$n, $e] = $this->integral($step * $width, $along);

        return new Position($this->start->northing + $north + $n, $this->start->easting + $east + $e);
    }

    /** @return list<array{float, float, float, float}> */
    private function integrated(): array
    {
        $width = $this->length / $this->parts();
        $steps = [];
        $north = $east = 0.0;
        for ($i = 0; $i <= $this->parts(); $i++) {
            [$n, $e] = $i === 0 ? [0.0, 0.0] : ($this->cubic === null ? $this->integral(($i - 1) * $width, $i * $width) : [0.0, 0.0]);
            $north += $n;
            $east += $e;
            if ($this->cubic !== null) {
                $at = $this->at($i * $width);
                [$north, $east] = [$at->northing - $this->start->northing, $at->easting - $this->start->easting];
            }
            $azimuth = $this->azimuth + $this->turnAt($i * $width);
            $steps[] = [$north, $east, sin($azimuth), cos($azimuth)];
        }

        return $steps;
    }

    /** @return array{float, float} north and east of the way from one place along it to another */
    private function integral(float $from, float $to): array
    {
        $half = ($to - $from) / 2;
        $middle = ($to + $from) / 2;
        $n = $e = 0.0;
        foreach (self::PLACES as $i => $place) {
            $azimuth = $this->azimuth + $this->turnAt($middle + $half * $place);
            $n += self::WEIGHTS[$i] * cos($azimuth);
            $e += self::WEIGHTS[$i] * sin($azimuth);
        }

        return [$n * $half, $e * $half];
    }

    /**
     * The feet of the perpendiculars from a place: where it lies square to the element.
     *
     * @return list<array{float, float}> metres along, and to the right
     */
    public function feet(Position $p): array
    {
        return match ($this->kind) {
            ElementKind::Line => $this->footOnLine($p),
            ElementKind::Arc => $this->feetOnArc($p),
            ElementKind::Spiral => $this->feetOnSpiral($p),
        };
    }

    /** @return list<array{float, float}> */
    private function footOnLine(Position $p): array
    {
        [$n, $e] = [$p->northing - $this->start->northing, $p->easting - $this->start->easting];
        [$cos, $sin] = [cos($this->azimuth), sin($this->azimuth)];
        $along = $n * $cos + $e * $sin;

        return $along < -self::SLACK || $along > $this->length + self::SLACK
            ? [] : [[max(0.0, min($this->length, $along)), $e * $cos - $n * $sin]];
    }

    /** @return list<array{float, float}> the near one, and that beyond the centre where the arc goes so far */
    private function feetOnArc(Position $p): array
    {
        $radius = 1 / $this->from;
        $centre = $this->start->along($this->azimuth + M_PI_2, $radius);
        $distance = $centre->distanceTo($p);
        if ($distance === 0.0) {
            return [[0.0, $radius]];
        }
        $side = $this->from > 0 ? 1 : -1;
        $feet = [];
        foreach ([0.0, M_PI] as $beyond) {
            $turned = Angle::wrap($side * ($centre->azimuthTo($p) + $beyond - $centre->azimuthTo($this->start)));
            $along = ($turned > 2 * M_PI - self::SLACK * abs($this->from) ? 0.0 : $turned) * abs($radius);
            if ($along <= $this->length + self::SLACK) {
                $feet[] = [min($along, $this->length), $side * (abs($radius) - ($beyond === 0.0 ? $distance : -$distance))];
            }
        }

        return $feet;
    }

    /** @return list<array{float, float}> */
    private function feetOnSpiral(Position $p): array
    {
        $steps = $this->steps ??= $this->integrated();
        $width = $this->length / $this->parts();
        $pn = $p->northing - $this->start->northing;
        $pe = $p->easting - $this->start->easting;
        $feet = [];
        $before = 0.0;
        foreach ($steps as $i => [$n, $e, $sin, $cos]) {
            $now = ($pn - $n) * $cos + ($pe - $e) * $sin;
            if (abs($now) < self::SLACK) {
                $feet[] = [$i * $width, ($pe - $e) * $cos - ($pn - $n) * $sin];
            } elseif ($i > 0 && abs($before) >= self::SLACK && $before > 0.0 !== $now > 0.0) {
                $along = $this->foot($p, ($i - 1) * $width, $before, $i * $width, $now);
                $feet[] = [$along, $this->rightOf($p, $along)];
            }
            $before = $now;
        }

        return $feet;
    }

    /** Newton's way from where the chord crosses, kept between both ends, where the sign changes. */
    private function foot(Position $p, float $a, float $fa, float $b, float $fb): float
    {
        $c = $a + ($b - $a) * $fa / ($fa - $fb);
        for ($i = 0; $i < 60; $i++) {
            $fc = $this->ahead($p, $c);
            if (abs($fc) < 1e-10 || abs($b - $a) < 1e-11 * $this->length) {
                return $c;
            }
            if ($fc > 0.0 === $fa > 0.0) {
                $a = $c;
            } else {
                $b = $c;
            }
            $slope = $this->curvatureAt($c) * $this->rightOf($p, $c) - 1.0;
            $next = $slope === 0.0 ? INF : $c - $fc / $slope;
            $c = $next > min($a, $b) && $next < max($a, $b) ? $next : ($a + $b) / 2;
        }

        return $c;
    }

    /** How far ahead a place lies, seen from so far along. */
    private function ahead(Position $p, float $along): float
    {
        $at = $this->at($along);
        $azimuth = $this->azimuth + $this->turnAt($along);

        return ($p->northing - $at->northing) * cos($azimuth) + ($p->easting - $at->easting) * sin($azimuth);
    }

    private function rightOf(Position $p, float $along): float
    {
        $at = $this->at($along);
        $azimuth = $this->azimuth + $this->turnAt($along);

        return ($p->easting - $at->easting) * cos($azimuth) - ($p->northing - $at->northing) * sin($azimuth);
    }

    /** The same way back. */
    public function reversed(): self
    {
        return new self($this->kind, $this->end(), Angle::wrap($this->endAzimuth() + M_PI), $this->length, -$this->to, -$this->from, $this->law);
    }

    /** Metres, of an arc, and of a spiral the sharper end; null of a line. */
    public function radius(): ?float
    {
        $curvature = max(abs($this->from), abs($this->to));

        return $curvature === 0.0 ? null : 1 / $curvature;
    }

    /** The clothoid parameter A = √(RL) of a spiral from or to the straight; null of others. */
    public function parameter(): ?float
    {
        $change = abs($this->to - $this->from);

        return $this->kind === ElementKind::Spiral && $this->law === TransitionLaw::Clothoid && $change > 0.0 ? sqrt($this->length / $change) : null;
    }
}
