<?php

declare(strict_types=1);

namespace Parlay\Core\Designs;

/** Clears a layer of what is drawn twice, has no length, or lies along another line; counts what went. Within one layer only. */
final class CleanUp
{
    /** Ends nearer than this are one, metres. */
    public const SAME = 1e-5;

    public int $duplicates = 0;

    public int $zeroLengths = 0;

    public int $overlaps = 0;

    /** @param  float  $same  drawing units within which two places are one */
    public function __construct(
        private readonly bool $duplicatesToo = true,
        private readonly bool $zeroLengthsToo = true,
        private readonly bool $overlapsToo = true,
        private readonly float $same = self::SAME,
    ) {}

    /** The layer without what was found; how much of each kind is told by the counters. */
    public function of(DrawingLayer $layer): DrawingLayer
    {
        $clean = DrawingLayer::like($layer);
        $seen = [];
        $lines = [];
        for ($i = 0; $i < $layer->count; $i++) {
            $s = $layer->shape($i);
            if ($this->zeroLengthsToo && $s->kind === ShapeKind::Line && $s->length() < $this->same && $this->sameHeight($s)) {
                $this->zeroLengths++;

                continue;
            }
            if ($this->duplicatesToo) {
                $key = $this->key($layer, $s);
                if (isset($seen[$key])) {
                    $this->duplicates++;

                    continue;
                }
                $seen[$key] = true;
            }
            if ($this->overlapsToo && $s->kind === ShapeKind::Line && $this->level($s)) {
                $lines[$this->course($s)][] = $s;
            } else {
                $clean->add($s->kind, $s->place, $s->rgb, $s->v);
            }
        }
        foreach ($lines as $course) {
            foreach (count($course) === 1 ? $course : $this->united($course) as $s) {
                $clean->add($s->kind, $s->place, $s->rgb, $s->v);
            }
        }

        return $clean;
    }

    private function key(DrawingLayer $layer, Shape $s): string
    {
        $v = $s->v;
        if ($s->kind === ShapeKind::Line && ($v[3] < $v[0] || ($v[3] === $v[0] && $v[4] < $v[1]))) {
            $v = [$v[3], $v[4], $v[5], $v[0], $v[1], $v[2], ...array_slice($v, 6)];
        }
        $words = match ($s->kind) {
            ShapeKind::Text => $layer->strings[(int) $v[5]] ?? '',
            ShapeKind::Insert => ($layer->strings[(int) $v[4]] ?? '').Attributes::textOf($layer, $s),
            ShapeKind::Line => Attributes::textOf($layer, $s),
            ShapeKind::Spline => json_encode($layer->curves[(int) $v[6]]->points),
            default => '',
        };
        if ($words !== '') {
            $v[$s->kind === ShapeKind::Text ? 5 : ($s->kind === ShapeKind::Insert ? 4 : 6)] = 0.0;
            $v[5] = $s->kind === ShapeKind::Insert ? 0.0 : $v[5];
        }

        return $s->kind->value.implode(' ', array_map(fn (float $x) => is_nan($x) ? 'n' : (string) round($x / $this->same), $v)).$words;
    }

    private function level(Shape $s): bool
    {
        return $s->length() >= $this->same && $this->sameHeight($s);
    }

    /** Not a number compares as it likes, with one compiler so and with another otherwise: it is asked for first. */
    private function sameHeight(Shape $s): bool
    {
        return is_nan($s->v[2]) || is_nan($s->v[5]) || abs($s->v[2] - $s->v[5]) < $this->same;
    }

    /** Lines with the same key lie on one straight course, at one height and in one colour. */
    private function course(Shape $s): string
    {
        [$x, $y, $z, $x2, $y2] = $s->v;
        $turn = fmod(atan2($y2 - $y, $x2 - $x) + 2 * M_PI, M_PI);
        $turn = $turn > M_PI - 5e-7 ? 0.0 : $turn;

        return implode(' ', [
            round($turn / 1e-6), round(($y * cos($turn) - $x * sin($turn)) / (10 * $this->same)),
            is_nan($z) ? 'n' : round($z / $this->same), $s->rgb,
        ]);
    }

    /**
     * @param  non-empty-list<Shape>  $course
     * @return list<Shape>
     */
    private function united(array $course): array
    {
        [$x0, $y0, , $x2, $y2] = $course[0]->v;
        $length = (float) $course[0]->length();
        [$ux, $uy] = [($x2 - $x0) / $length, ($y2 - $y0) / $length];
        $parts = [];
        foreach ($course as $s) {
            [$from, $to] = [($s->v[0] - $x0) * $ux + ($s->v[1] - $y0) * $uy, ($s->v[3] - $x0) * $ux + ($s->v[4] - $y0) * $uy];
            $parts[] = [
                min($from, $to), max($from, $to),
                $from <= $to ? $s : new Shape($s->kind, $s->place, [$s->v[3], $s->v[4], $s->v[5], $s->v[0], $s->v[1], $s->v[2]], $s->rgb),
            ];
        }
        usort($parts, static fn (array $a, array $b) => [$a[0], $b[1]] <=> [$b[0], $a[1]]);
        $kept = [];
        foreach ($parts as $part) {
            $last = count($kept) - 1;
            // Lines that only touch end to end are two lines.
            if ($last >= 0 && $part[0] < $kept[$last][1] - $this->same) {
                $this->overlaps++;
                if ($part[1] > $kept[$last][1]) {
                    $v = $kept[$last][2]->v;
                    $v = [$v[0], $v[1], $v[2], $part[2]->v[3], $part[2]->v[4], $v[5]];
                    $kept[$last] = [$kept[$last][0], $part[1], new Shape(ShapeKind::Line, $kept[$last][2]->place, $v, $part[2]->rgb)];
                }
            } else {
                $kept[] = $part;
            }
        }

        return array_column($kept, 2);
    }
}
