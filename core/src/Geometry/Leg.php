<?php

declare(strict_types=1);

namespace Parlay\Core\Geometry;

use Parlay\Core\Units\Angle;

/** A straight piece or an arc from one place to another. */
final readonly class Leg
{
    /** @param  float  $sweep  angle of the arc at its centre, radians, clockwise (to the right) positive; 0 for a straight piece */
    public function __construct(
        public Position $from,
        public Position $to,
        public float $sweep = 0.0,
    ) {}

    /** An arc that leaves a place in a direction. */
    public static function leaving(Position $from, float $azimuth, float $radius, float $sweep): self
    {
        $chord = 2 * $radius * sin(abs($sweep) / 2);

        return new self($from, $from->along($azimuth + $sweep / 2, $chord, $from->elevation), $sweep);
    }

    /** Whether it turns by nothing. */
    public function isStraight(): bool
    {
        return $this->sweep === 0.0;
    }

    /** Infinite for a straight piece. */
    public function radius(): float
    {
        return $this->isStraight() ? INF : $this->from->distanceTo($this->to) / (2 * abs(sin($this->sweep / 2)));
    }

    /** Along it, metres. */
    public function length(): float
    {
        return $this->isStraight() ? $this->from->distanceTo($this->to) : $this->radius() * abs($this->sweep);
    }

    /** Null where it is straight. */
    public function centre(): ?Position
    {
        return $this->isStraight() ? null : $this->from->along($this->azimuthAt(0.0) + $this->side() * M_PI_2, $this->radius());
    }

    /** Direction of travel so far along, [0, 2π); before the beginning and after the end as there. */
    public function azimuthAt(float $distance): float
    {
        $chord = $this->from->azimuthTo($this->to);
        $part = $this->length() === 0.0 ? 0.0 : max(0.0, min(1.0, $distance / $this->length()));

        return Angle::wrap($chord + $this->sweep * ($part - 0.5));
    }

    /** The place so far along, and so far to the right; beyond the ends straight on. */
    public function at(float $distance, float $right = 0.0): Position
    {
        $length = $this->length();
        $inside = max(0.0, min($length, $distance));
        $direction = $this->azimuthAt($inside);
        $on = $this->isStraight() || $inside === 0.0
            ? $this->from->along($direction, $inside)
            : $this->from->along(
                $this->azimuthAt(0.0) + $this->side() * $inside / $this->radius() / 2,
                2 * $this->radius() * sin($inside / $this->radius() / 2),
            );
        $there = $inside === $distance ? $on : $on->along($direction, $distance - $inside);

        return ($right === 0.0 ? $there : $there->along($direction + M_PI_2, $right))->at($this->elevationAt($distance));
    }

    /**
     * The same piece going on beyond its end: straight, or round the same circle.
     *
     * @param  float  $by  metres, along it
     *
     * @throws NoConstruction where an arc would come round to where it began
     */
    public function prolonged(float $by): self
    {
        if ($this->isStraight()) {
            return new self($this->from, $this->at($this->length() + $by));
        }
        $sweep = $this->sweep + $this->side() * $by / $this->radius();
        if (abs($sweep) >= 2 * M_PI) {
            throw NoConstruction::outOfRange('The way along the arc', 'shorter than its full circle');
        }
        $end = self::leaving($this->from, $this->azimuthAt(0.0), $this->radius(), $sweep)->to;

        return new self($this->from, $end->at($this->elevationAt($this->length() + $by)), $sweep);
    }

    /**
     * The foot of the perpendicular from a place, on the piece itself.
     *
     * @return array{float, float}|null distance along and offset to the right; null where the foot lies beyond an end
     */
    public function foot(Position $p): ?array
    {
        $slack = 1e-9;
        if ($this->isStraight()) {
            $line = new Line($this->from, $this->azimuthAt(0.0));
            $along = $line->along($p);

            return $along < -$slack || $along > $this->length() + $slack ? null : [$along, $line->right($p)];
        }
        $centre = $this->centre();
        if ($centre === null) {
            return null;
        }
        if ($centre->distanceTo($p) === 0.0) {
            // Every place of it is as near: its beginning stands for all.
            return [0.0, $this->side() * $this->radius()];
        }
        $turned = Angle::wrap($this->side() * ($centre->azimuthTo($p) - $centre->azimuthTo($this->from)));
        $turned = $turned > 2 * M_PI - $slack ? 0.0 : $turned;

        return $turned > abs($this->sweep) + $slack
            ? null
            : [$turned * $this->radius(), $this->side() * ($this->radius() - $centre->distanceTo($p))];
    }

    /** From its end to its beginning. */
    public function reversed(): self
    {
        return new self($this->to, $this->from, -$this->sweep);
    }

    /**
     * The parallel piece so far to the right.
     *
     * @throws NoConstruction where an arc would vanish
     */
    public function parallel(float $right): self
    {
        if (! $this->isStraight() && $this->radius() - $this->side() * $right <= 0.0) {
            throw NoConstruction::offsetTooLarge();
        }

        return new self($this->at(0.0, $right), $this->at($this->length(), $right), $this->sweep);
    }

    /** Area between arc and chord, with the sign of the turn: to the right positive. */
    public function segmentArea(): float
    {
        return $this->isStraight() ? 0.0 : $this->side() * $this->radius() ** 2 / 2 * (abs($this->sweep) - sin(abs($this->sweep)));
    }

    /** 1 where it bends to the right, -1 to the left. */
    public function side(): int
    {
        return $this->sweep < 0 ? -1 : 1;
    }

    private function elevationAt(float $distance): ?float
    {
        [$a, $b, $length] = [$this->from->elevation, $this->to->elevation, $this->length()];

        return $a === null || $b === null ? null : ($length === 0.0 ? $a : $a + ($b - $a) * $distance / $length);
    }
}
