<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Alignments;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Units\Angle;

/** A line that a road, a track or a pipe follows: elements that join, counted from its start. */
final class Alignment
{
    /** Elements in one box that is looked at together. */
    private const BLOCK = 16;

    /** Ends that are apart by less join, metres; directions that differ by less go on, radians. */
    public const JOINED = 0.001;

    public const SMOOTH = 1.0e-4;

    /** Feet that are as far to a tenth of a millimetre are one foot. */
    private const SAME = 1e-4;

    public readonly float $length;

    /** @var list<float> metres from the start at which each element begins, and its whole length */
    public readonly array $begins;

    /** @var list<array{float, float, float}>|null middle (north, east) and reach of each element */
    private ?array $reaches = null;

    /** @var list<array{float, float, float}>|null the same of each block */
    private ?array $blocks = null;

    /**
     * @param  list<Element>  $elements
     *
     * @throws NoAlignment where there are none
     */
    public function __construct(public readonly array $elements, public readonly Stationing $stationing = new Stationing)
    {
        if ($elements === []) {
            throw NoAlignment::noElements();
        }
        $at = 0.0;
        $begins = [];
        foreach ($elements as $element) {
            $begins[] = $at;
            $at += $element->length;
        }
        $this->begins = [...$begins, $at];
        $this->length = $at;
    }

    /** Which element a place so far along lies on, from 0; the first and the last beyond the ends. */
    public function elementAt(float $along): int
    {
        [$low, $high] = [0, count($this->elements) - 1];
        while ($low < $high) {
            $middle = intdiv($low + $high + 1, 2);
            if ($this->begins[$middle] <= $along) {
                $low = $middle;
            } else {
                $high = $middle - 1;
            }
        }

        return $low;
    }

    /** The place so far along and so far to the right; beyond its ends straight on. */
    public function at(float $along, float $right = 0.0): Position
    {
        $inside = max(0.0, min($this->length, $along));
        $i = $this->elementAt($inside);
        $element = $this->elements[$i];
        $azimuth = $element->azimuthAt(min($element->length, $inside - $this->begins[$i]));
        $on = $element->at(min($element->length, $inside - $this->begins[$i]));
        $on = $inside === $along ? $on : $on->along($azimuth, $along - $inside);

        return $right === 0.0 ? $on : $on->along($azimuth + M_PI_2, $right);
    }

    /** Direction of travel there, [0, 2π). */
    public function azimuthAt(float $along): float
    {
        $inside = max(0.0, min($this->length, $along));
        $i = $this->elementAt($inside);

        return $this->elements[$i]->azimuthAt(min($this->elements[$i]->length, $inside - $this->begins[$i]));
    }

    /** Where a place stands beside it: the nearest foot. */
    public function foot(Position $p): AlignmentFoot
    {
        [$element, $along, $right] = $this->nearest($p);

        return $this->footOf($element, $along, $right);
    }

    /**
     * Every foot within a distance, the nearest first: on a curve there may be several.
     *
     * @return list<AlignmentFoot>
     */
    public function feet(Position $p, float $within): array
    {
        $found = [];
        foreach ($this->reaches() as $i => [$n, $e, $reach]) {
            if (hypot($p->northing - $n, $p->easting - $e) - $reach > $within) {
                continue;
            }
            foreach ([...$this->elements[$i]->feet($p), ...$this->footAtCorner($i, $p)] as [$along, $right]) {
                if (abs($right) <= $within) {
                    $found[] = $this->footOf($i, $this->begins[$i] + $along, $right);
                }
            }
        }
        usort($found, static fn (AlignmentFoot $a, AlignmentFoot $b) => [abs($a->offset), $a->along] <=> [abs($b->offset), $b->along]);
        $own = [];
        foreach ($found as $foot) {
            foreach ($own as $known) {
                if (abs($known->along - $foot->along) < 10 * self::SAME) {
                    continue 2;
                }
            }
            $own[] = $foot;
        }
        $nearest = $this->foot($p);

        return $own === [] || abs($own[0]->offset) > abs($nearest->offset) + self::SAME ? [$nearest, ...$own] : $own;
    }

    private function footOf(int $element, float $along, float $right): AlignmentFoot
    {
        $own = max(0.0, min($this->elements[$element]->length, $along - $this->begins[$element]));

        return new AlignmentFoot(
            $this->at($along), $along, $right, $element, $this->elements[$element]->azimuthAt($own),
            $along < 0.0 || $along > $this->length ? 0.0 : $this->elements[$element]->curvatureAt($own),
        );
    }

    /** @return array{int, float, float} element, metres along, metres to the right */
    private function nearest(Position $p): array
    {
        $best = $this->beyondEnds($p);
        $least = $best === null ? INF : abs($best[2]);
        $order = [];
        foreach ($this->blocks() as $block => [$n, $e, $reach]) {
            $order[$block] = hypot($p->northing - $n, $p->easting - $e) - $reach;
        }
        asort($order);
        foreach ($order as $block => $away) {
            if ($away >= $least) {
                break;
            }
            for ($i = $block * self::BLOCK, $end = min(count($this->elements), $i + self::BLOCK); $i < $end; $i++) {
                [$n, $e, $reach] = $this->reaches()[$i];
                if (hypot($p->northing - $n, $p->easting - $e) - $reach >= $least) {
                    continue;
                }
                foreach ([...$this->elements[$i]->feet($p), ...$this->footAtCorner($i, $p)] as [$along, $right]) {
                    if (abs($right) < $least - ($best !== null && $best[1] < $this->begins[$i] + $along ? self::SAME : 0.0)) {
                        $least = abs($right);
                        $best = [$i, $this->begins[$i] + $along, $right];
                    }
                }
            }
        }

        return $best ?? $this->nearestJoint($p);
    }

    /**
     * Before the start or beyond the end, straight on.
     *
     * @return array{int, float, float}|null
     */
    private function beyondEnds(Position $p): ?array
    {
        $best = null;
        $last = count($this->elements) - 1;
        foreach ([[0, $this->elements[0]->start, $this->elements[0]->azimuth, -1.0, 0.0],
            [$last, $this->elements[$last]->end(), $this->elements[$last]->endAzimuth(), 1.0, $this->length]] as [$i, $at, $azimuth, $way, $begins]) {
            [$n, $e] = [$p->northing - $at->northing, $p->easting - $at->easting];
            $ahead = $n * cos($azimuth) + $e * sin($azimuth);
            $right = $e * cos($azimuth) - $n * sin($azimuth);
            if ($ahead * $way > 0.0 && ($best === null || hypot($ahead, $right) < hypot($best[1] < 0.0 ? $best[1] : $best[1] - $this->length, $best[2]))) {
                $best = [$i, $begins + $ahead, $right];
            }
        }
        if ($best === null) {
            return null;
        }
        // Only where nothing of the alignment itself is nearer than its end.
        $over = $best[1] < 0.0 ? -$best[1] : $best[1] - $this->length;
        foreach ($this->reaches() as $i => [$n, $e, $reach]) {
            if (hypot($p->northing - $n, $p->easting - $e) - $reach >= hypot($over, $best[2])) {
                continue;
            }
            foreach ($this->elements[$i]->feet($p) as [, $right]) {
                if (abs($right) < hypot($over, $best[2]) - self::SAME) {
                    return null;
                }
            }
        }

        return $best;
    }

    /**
     * Where it kinks or gapes at the start of an element, the corner itself stands for a place in its outer wedge.
     *
     * @return list<array{float, float}>
     */
    private function footAtCorner(int $i, Position $p): array
    {
        $before = $this->elements[$i - 1] ?? null;
        $element = $this->elements[$i] ?? null;
        if ($before === null || $element === null) {
            return [];
        }
        [$at, $in, $out] = [$element->start, $before->endAzimuth(), $element->azimuth];
        if (abs(Angle::signed($out - $in)) < 1e-12) {
            return [];
        }
        [$n, $e] = [$p->northing - $at->northing, $p->easting - $at->easting];
        if ($n * cos($in) + $e * sin($in) < 0.0 || $n * cos($out) + $e * sin($out) > 0.0) {
            return [];
        }
        // Whoever sees the corner itself stands outside the turn.
        $right = Angle::signed($out - $in) < 0.0 ? hypot($n, $e) : -hypot($n, $e);

        return [[0.0, $right]];
    }

    /** @return array{int, float, float} where no foot was found at all: the nearest place where elements join */
    private function nearestJoint(Position $p): array
    {
        $best = [0, 0.0, 0.0];
        $least = INF;
        foreach ($this->elements as $i => $element) {
            foreach ([[0.0, $element->start], [$element->length, $element->end()]] as [$along, $at]) {
                $away = $at->distanceTo($p);
                if ($away < $least) {
                    $azimuth = $element->azimuthAt($along);
                    $right = ($p->easting - $at->easting) * cos($azimuth) - ($p->northing - $at->northing) * sin($azimuth);
                    [$least, $best] = [$away, [$i, $this->begins[$i] + $along, $right < 0.0 ? -$away : $away]];
                }
            }
        }

        return $best;
    }

    /** @return list<array{float, float, float}> a circle round each element */
    private function reaches(): array
    {
        return $this->reaches ??= array_map(static function (Element $e): array {
            $middle = $e->at($e->length / 2);

            return [$middle->northing, $middle->easting, $e->length / 2];
        }, $this->elements);
    }

    /** @return list<array{float, float, float}> a circle round each block of elements */
    private function blocks(): array
    {
        if ($this->blocks !== null) {
            return $this->blocks;
        }
        $this->blocks = [];
        foreach (array_chunk($this->reaches(), self::BLOCK) as $circles) {
            $n = array_sum(array_column($circles, 0)) / count($circles);
            $e = array_sum(array_column($circles, 1)) / count($circles);
            $this->blocks[] = [$n, $e, max(array_map(static fn (array $c) => hypot($c[0] - $n, $c[1] - $e) + $c[2], $circles))];
        }

        return $this->blocks;
    }

    /**
     * Where elements do not meet, or meet at an angle.
     *
     * @return list<Joint>
     */
    public function faults(): array
    {
        $faults = [];
        for ($i = 1; $i < count($this->elements); $i++) {
            $joint = Joint::between($this->elements[$i - 1], $this->elements[$i], $i, $this->begins[$i]);
            if ($joint->gap > self::JOINED || abs($joint->kink) > self::SMOOTH) {
                $faults[] = $joint;
            }
        }

        return $faults;
    }

    /** The same way back, its stations counted from its new start. */
    public function reversed(): self
    {
        return new self(array_map(static fn (Element $e) => $e->reversed(), array_reverse($this->elements)));
    }
}
