<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Profiles;

use Parlay\Core\Civil\Alignments\NoAlignment;

/**
 * Heights along an alignment: straight grades from vertex to vertex, rounded by vertical curves. Nothing is known before the first vertex
 * and beyond the last, but for what a pole is held beside them.
 *
 * Parabola: y = y(PVC) + g1 x + (g2 - g1) x² / 2L. With unequal parts its two halves meet under the vertex with one grade, at
 * L1 L2 (g2 - g1) / 2L from it. Source: Ghilani & Wolf, Elementary Surveying, vertical curves (recalled).
 */
final readonly class Profile
{
    private const SLACK = 1e-6;

    /** So far before the first vertex and beyond the last its grades still hold: nobody holds a pole to the millimetre, metres. */
    private const END = 0.01;

    /** @var list<Vertex> */
    public array $vertices;

    /** @var list<array{float, float}> of each vertex, length of its curve before and after it, metres in plan */
    private array $reaches;

    /**
     * @param  list<Vertex>  $vertices
     *
     * @throws NoAlignment where stations run backwards or curves overlap
     */
    public function __construct(array $vertices, public string $name = '')
    {
        if (count($vertices) < 2) {
            throw NoAlignment::tooFewVertices();
        }
        $before = -INF;
        foreach ($vertices as $i => $vertex) {
            if ($vertex->along <= $before) {
                throw NoAlignment::stationsBackwards($i + 1);
            }
            $before = $vertex->along;
        }
        $this->vertices = $vertices;
        $reaches = [];
        foreach ($vertices as $i => $vertex) {
            $reaches[] = self::reach($vertices, $i, $vertex);
        }
        for ($i = 1; $i < count($vertices); $i++) {
            if ($reaches[$i - 1][1] + $reaches[$i][0] > $vertices[$i]->along - $vertices[$i - 1]->along + self::SLACK) {
                throw NoAlignment::curvesOverlap($i + ($i + 1 < count($vertices) ? 1 : 0));
            }
        }
        $this->reaches = $reaches;
    }

    /**
     * @param  list<Vertex>  $vertices
     * @return array{float, float}
     */
    private static function reach(array $vertices, int $i, Vertex $vertex): array
    {
        if ($vertex->curve === VerticalCurve::None) {
            return [0.0, 0.0];
        }
        [$before, $after] = [$vertices[$i - 1] ?? null, $vertices[$i + 1] ?? null];
        if ($before === null || $after === null) {
            throw NoAlignment::noCurveThere($i + 1);
        }
        if ($vertex->curve === VerticalCurve::Parabola) {
            return [$vertex->in, $vertex->out];
        }
        $g1 = self::gradeBetween($before, $vertex);
        $g2 = self::gradeBetween($vertex, $after);
        // Tangent lengths along the grades are equal: R tan(Δ/2); in plan they are shortened by the grade's cosine.
        $tangent = (float) $vertex->radius * tan(abs(atan($g2) - atan($g1)) / 2);

        return [$tangent / sqrt(1 + $g1 ** 2), $tangent / sqrt(1 + $g2 ** 2)];
    }

    private static function gradeBetween(Vertex $a, Vertex $b): float
    {
        return ($b->elevation - $a->elevation) / ($b->along - $a->along);
    }

    public function from(): float
    {
        return $this->vertices[0]->along;
    }

    public function to(): float
    {
        return $this->vertices[count($this->vertices) - 1]->along;
    }

    /** Metres; null outside. */
    public function elevationAt(float $along): ?float
    {
        return $this->heightAndGrade($along)[0] ?? null;
    }

    /** Rise for each metre; null outside. */
    public function gradeAt(float $along): ?float
    {
        return $this->heightAndGrade($along)[1] ?? null;
    }

    /** @return array{float, float}|null */
    private function heightAndGrade(float $along): ?array
    {
        if ($along < $this->from() - self::END || $along > $this->to() + self::END) {
            return null;
        }
        [$low, $high] = [0, count($this->vertices) - 2];
        while ($low < $high) {
            $middle = intdiv($low + $high + 1, 2);
            if ($this->vertices[$middle]->along <= $along) {
                $low = $middle;
            } else {
                $high = $middle - 1;
            }
        }
        foreach ([$low, $low + 1] as $i) {
            $off = $along - $this->vertices[$i]->along;
            if ($this->reaches[$i] !== [0.0, 0.0] && $off >= -$this->reaches[$i][0] && $off <= $this->reaches[$i][1]) {
                return $this->onCurve($i, $off);
            }
        }
        $grade = self::gradeBetween($this->vertices[$low], $this->vertices[$low + 1]);

        return [$this->vertices[$low]->elevation + ($along - $this->vertices[$low]->along) * $grade, $grade];
    }

    /** @return array{float, float} */
    private function onCurve(int $i, float $off): array
    {
        $vertex = $this->vertices[$i];
        $g1 = self::gradeBetween($this->vertices[$i - 1], $vertex);
        $g2 = self::gradeBetween($vertex, $this->vertices[$i + 1]);
        [$in, $out] = $this->reaches[$i];
        if ($vertex->curve === VerticalCurve::Circle) {
            return self::onCircle($vertex, $g1, $g2, $in, $off);
        }
        $middle = ($in * $g1 + $out * $g2) / ($in + $out);
        if ($off <= 0.0) {
            $x = $off + $in;

            return [$vertex->elevation - $in * $g1 + $g1 * $x + ($middle - $g1) * $x * $x / (2 * $in), $g1 + ($middle - $g1) * $x / $in];
        }
        $x = $out - $off;

        // Seen backward from its end, where the grade is that of the second tangent.
        return [$vertex->elevation + $out * $g2 - $g2 * $x - ($middle - $g2) * $x * $x / (2 * $out), $g2 + ($middle - $g2) * $x / $out];
    }

    /** @return array{float, float} */
    private static function onCircle(Vertex $vertex, float $g1, float $g2, float $in, float $off): array
    {
        $sag = $g2 > $g1 ? 1.0 : -1.0;
        $radius = (float) $vertex->radius;
        // The centre stands square to the first grade where the curve begins.
        $cosine = 1 / sqrt(1 + $g1 ** 2);
        $cx = -$in - $sag * $radius * $g1 * $cosine;
        $cy = $vertex->elevation - $in * $g1 + $sag * $radius * $cosine;
        $dx = $off - $cx;
        $dy = sqrt(max(0.0, $radius ** 2 - $dx ** 2));

        return [$cy - $sag * $dy, $dy === 0.0 ? 0.0 : $sag * $dx / $dy];
    }

    /**
     * Where it has its grades and curves: begin and end of each curve, and its highest or lowest place.
     *
     * @return list<ProfilePoint>
     */
    public function points(): array
    {
        $points = [];
        foreach ($this->vertices as $i => $vertex) {
            if ($this->reaches[$i] === [0.0, 0.0]) {
                $points[] = new ProfilePoint($i === 0 ? ProfilePointKind::Start : ($i === count($this->vertices) - 1 ? ProfilePointKind::End : ProfilePointKind::Vertex), $vertex->along);

                continue;
            }
            $begin = $vertex->along - $this->reaches[$i][0];
            $end = $vertex->along + $this->reaches[$i][1];
            $points[] = new ProfilePoint(ProfilePointKind::CurveBegins, $begin);
            $turn = $this->turning($begin, $end);
            if ($turn !== null) {
                $points[] = new ProfilePoint($this->gradeAt($begin) > 0.0 ? ProfilePointKind::High : ProfilePointKind::Low, $turn);
            }
            $points[] = new ProfilePoint(ProfilePointKind::CurveEnds, $end);
        }

        return $points;
    }

    /** Where between two places of one curve the grade is 0; null where it is nowhere. */
    private function turning(float $from, float $to): ?float
    {
        $sign = $this->gradeAt($from) > 0.0;
        if ($sign === $this->gradeAt($to) > 0.0) {
            return null;
        }
        for ($k = 0; $k < 100 && $to - $from > 1e-9; $k++) {
            $middle = ($from + $to) / 2;
            if ($this->gradeAt($middle) > 0.0 === $sign) {
                $from = $middle;
            } else {
                $to = $middle;
            }
        }

        return ($from + $to) / 2;
    }
}
