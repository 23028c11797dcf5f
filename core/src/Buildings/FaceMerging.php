<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings;

use Parlay\Core\Geometry\Space;

/**
 * Pieces of faces put together again: what lies in one plane side by side becomes one face, with the holes that are left in it. So a face
 * is what a person would touch, however a writer or a cut has parted it.
 */
final class FaceMerging
{
    /** Cosine of the angle within which two pieces are one plane. */
    private const ONE_PLANE = 1.0 - 1e-8;

    /** Corners that may lie on a side, by the sides that are without a neighbour: what was never meant to meet is left alone. */
    private const MOST_TRIED = 3_000_000;

    private readonly Corners $corners;

    /** @var list<list<int>> corners of each piece */
    private array $loops = [];

    /** @var array<int, int> */
    private array $parent = [];

    /** @var list<list<int>> lines of faces that are whole already */
    private array $whole = [];

    /** A side from one corner to another is one key: the first times this and the other. */
    private int $base = 1;

    /** @param  list<Facet>  $facets */
    private function __construct(private readonly array $facets)
    {
        $this->corners = new Corners;
    }

    /**
     * @param  list<Facet>  $facets
     * @param  list<RoundFace>  $round
     * @param  Solid|null  $of  faces of it are whole already, and meet the pieces at sides they have
     * @param  array<int, true>  $whole  which
     */
    public static function of(array $facets, array $round, bool $closed, ?Solid $of = null, array $whole = []): Solid
    {
        $m = new self($facets);
        foreach ($facets as $f) {
            $m->loops[] = $m->corners->loop($f->corners);
        }
        $kept = [];
        foreach ($of->faces ?? [] as $k => $face) {
            if (! isset($whole[$k])) {
                continue;
            }
            $kept[] = $face = $m->numbered($of->corners ?? [], $face);
            array_push($m->whole, $face->outline, ...$face->holes);
        }
        $m->base = count($m->corners->all) + 1;
        $m->mendSides();
        $faces = $m->faces();

        return $m->solid([...$faces, ...$kept], $round, $closed);
    }

    /** @param  list<array{float, float, float}>  $of */
    private function numbered(array $of, Face $face): Face
    {
        return new Face($this->loopOf($of, $face->outline), array_map(fn (array $h): array => $this->loopOf($of, $h), $face->holes), $face->round);
    }

    /**
     * @param  list<array{float, float, float}>  $of
     * @param  list<int>  $corners
     * @return list<int>
     */
    private function loopOf(array $of, array $corners): array
    {
        return array_map(fn (int $i): int => $this->corners->number($of[$i]), $corners);
    }

    /** A corner of one piece that lies on the side of another becomes a corner of that, too. */
    private function mendSides(): void
    {
        $sides = $this->sides();
        $there = $sides;
        foreach ($this->whole as $loop) {
            $before = $loop[count($loop) - 1];
            foreach ($loop as $corner) {
                $there[$before * $this->base + $corner] = -1;
                $before = $corner;
            }
        }
        $alone = $ends = [];
        foreach ($sides as $key => $piece) {
            $a = intdiv($key, $this->base);
            $b = $key % $this->base;
            if (! isset($there[$b * $this->base + $a])) {
                $alone[$piece][] = [$a, $b];
                $ends[$a] = $ends[$b] = true;
            }
        }
        $ends = array_keys($ends);
        if (count($ends) * array_sum(array_map(count(...), $alone)) > self::MOST_TRIED) {
            return;
        }
        foreach ($alone as $piece => $of) {
            $between = [];
            foreach ($of as [$a, $b]) {
                $between[$a * $this->base + $b] = $this->on($a, $b, $ends);
            }
            $loop = [];
            $count = count($this->loops[$piece]);
            foreach ($this->loops[$piece] as $k => $a) {
                array_push($loop, $a, ...$between[$a * $this->base + $this->loops[$piece][($k + 1) % $count]] ?? []);
            }
            $this->loops[$piece] = $loop;
        }
    }

    /** @return array<int, int> piece by its directed sides */
    private function sides(): array
    {
        $sides = [];
        foreach ($this->loops as $piece => $loop) {
            if ($loop === []) {
                continue;
            }
            $before = $loop[count($loop) - 1];
            foreach ($loop as $corner) {
                $sides[$before * $this->base + $corner] = $piece;
                $before = $corner;
            }
        }

        return $sides;
    }

    /**
     * Which of some corners lie between two, in their order.
     *
     * @param  list<int>  $among
     * @return list<int>
     */
    private function on(int $a, int $b, array $among): array
    {
        $all = $this->corners->all;
        [$ax, $ay, $az] = $all[$a];
        [$dx, $dy, $dz] = [$all[$b][0] - $ax, $all[$b][1] - $ay, $all[$b][2] - $az];
        $square = $dx * $dx + $dy * $dy + $dz * $dz;
        $found = [];
        // Most are told apart along the axis that the side runs along most.
        [$axis, $way] = abs($dx) >= abs($dy) && abs($dx) >= abs($dz) ? [0, $dx] : (abs($dy) >= abs($dz) ? [1, $dy] : [2, $dz]);
        $begin = $all[$a][$axis];
        $low = min($begin, $begin + $way);
        $high = max($begin, $begin + $way);
        foreach ($among as $c) {
            $at = $all[$c][$axis];
            if ($at <= $low - Corners::SAME || $at >= $high + Corners::SAME || $c === $a || $c === $b) {
                continue;
            }
            $x = $all[$c][0] - $ax;
            $y = $all[$c][1] - $ay;
            $z = $all[$c][2] - $az;
            $share = $square > 0.0 ? ($x * $dx + $y * $dy + $z * $dz) / $square : -1.0;
            if ($share > 0.0 && $share < 1.0 && ($x - $share * $dx) ** 2 + ($y - $share * $dy) ** 2 + ($z - $share * $dz) ** 2 < Corners::SAME ** 2) {
                $found[$c] = $share;
            }
        }
        asort($found);

        return array_keys($found);
    }

    /** @return list<Face> */
    private function faces(): array
    {
        $sides = $this->sides();
        $this->parent = array_keys($this->loops);
        foreach ($sides as $key => $piece) {
            $other = $sides[$key % $this->base * $this->base + intdiv($key, $this->base)] ?? null;
            if ($other !== null && $other > $piece && $this->onePlane($this->facets[$piece], $this->facets[$other])) {
                $this->parent[$this->root($other)] = $this->root($piece);
            }
        }
        $regions = [];
        foreach ($this->loops as $piece => $loop) {
            if ($loop !== []) {
                $regions[$this->root($piece)][] = $piece;
            }
        }
        $faces = [];
        foreach ($regions as $region => $pieces) {
            array_push($faces, ...$this->region($region, $pieces));
        }

        return $faces;
    }

    private function onePlane(Facet $f, Facet $g): bool
    {
        return $f->round === $g->round && $f->x * $g->x + $f->y * $g->y + $f->z * $g->z > self::ONE_PLANE;
    }

    private function root(int $piece): int
    {
        while ($this->parent[$piece] !== $piece) {
            $piece = $this->parent[$piece] = $this->parent[$this->parent[$piece]];
        }

        return $piece;
    }

    /**
     * @param  list<int>  $pieces
     * @return list<Face>
     */
    private function region(int $region, array $pieces): array
    {
        $round = $this->facets[$region]->round;
        if (count($pieces) === 1) {
            return [new Face($this->straight($this->loops[$pieces[0]]), [], $round)];
        }
        $sides = $onward = [];
        foreach ($pieces as $piece) {
            $loop = $this->loops[$piece];
            $count = count($loop);
            foreach ($loop as $k => $a) {
                $b = $loop[($k + 1) % $count];
                if (isset($sides[$b * $this->base + $a])) {
                    unset($sides[$b * $this->base + $a]);
                } else {
                    $sides[$a * $this->base + $b] = [$a, $b];
                }
            }
        }
        foreach ($sides as [$a, $b]) {
            $onward[$a][] = $b;
        }
        $outlines = $holes = [];
        $normal = $this->facets[$region];
        while ($onward !== []) {
            $loop = $this->straight($this->walk($onward, $normal));
            if (count($loop) < 3) {
                continue;
            }
            [$x, $y, $z] = FaceTriangles::normal($this->corners->all, $loop);
            $area = $x * $normal->x + $y * $normal->y + $z * $normal->z;
            if ($area > 0.0) {
                $outlines[] = $loop;
            } else {
                $holes[] = $loop;
            }
        }
        $of = array_fill(0, count($outlines), []);
        foreach ($holes as $hole) {
            foreach ($outlines as $k => $outline) {
                if (count($outlines) === 1 || $this->around($outline, $this->corners->all[$hole[0]], $normal)) {
                    $of[$k][] = $hole;
                    break;
                }
            }
        }

        return array_map(static fn (array $outline, array $h) => new Face($outline, $h, $round), $outlines, $of);
    }

    /**
     * Takes one closed way out of the sides; where several go on, the one most to the left.
     *
     * @param  non-empty-array<int, list<int>>  $onward
     * @param-out array<int, list<int>>  $onward
     * @return list<int>
     */
    private function walk(array &$onward, Facet $normal): array
    {
        $first = array_key_first($onward);
        $at = $first;
        $before = null;
        $loop = [];
        do {
            $loop[] = $at;
            $ways = $onward[$at] ?? [];
            if ($ways === []) {
                break;
            }
            $k = count($ways) === 1 || $before === null ? 0 : $this->mostLeft($before, $at, $ways, $normal);
            $next = $ways[$k];
            unset($ways[$k]);
            if ($ways === []) {
                unset($onward[$at]);
            } else {
                $onward[$at] = array_values($ways);
            }
            [$before, $at] = [$at, $next];
        } while ($at !== $first);

        return $loop;
    }

    /** @param  list<int>  $ways */
    private function mostLeft(int $before, int $at, array $ways, Facet $n): int
    {
        $from = $this->step($before, $at);
        $best = 0;
        $most = -INF;
        foreach ($ways as $k => $next) {
            $to = $this->step($at, $next);
            $turn = atan2(Space::dot([$n->x, $n->y, $n->z], Space::cross($from, $to)), Space::dot($from, $to));
            if ($turn > $most) {
                [$most, $best] = [$turn, $k];
            }
        }

        return $best;
    }

    /** @return array{float, float, float} */
    private function step(int $a, int $b): array
    {
        return Space::way($this->corners->all[$a], $this->corners->all[$b]);
    }

    /**
     * @param  list<int>  $loop
     * @param  array{float, float, float}  $p
     */
    private function around(array $loop, array $p, Facet $n): bool
    {
        [$a, $b] = match (max(abs($n->x), abs($n->y), abs($n->z))) {
            abs($n->z) => [0, 1],
            abs($n->x) => [1, 2],
            default => [2, 0],
        };
        $inside = false;
        $count = count($loop);
        for ($i = 0; $i < $count; $i++) {
            [$c, $d] = [$this->corners->all[$loop[$i]], $this->corners->all[$loop[($i + 1) % $count]]];
            $over = $c[$b] > $p[$b];
            $then = $d[$b] > $p[$b];
            if ($over !== $then && $p[$a] < $c[$a] + ($p[$b] - $c[$b]) / ($d[$b] - $c[$b]) * ($d[$a] - $c[$a])) {
                $inside = ! $inside;
            }
        }

        return $inside;
    }

    /**
     * Without the corners that lie on a straight line between their neighbours.
     *
     * @param  list<int>  $loop
     * @return list<int>
     */
    private function straight(array $loop): array
    {
        $count = count($loop);
        $kept = [];
        foreach ($loop as $k => $at) {
            $in = $this->step($loop[($k - 1 + $count) % $count], $at);
            $out = $this->step($at, $loop[($k + 1) % $count]);
            $bend = Space::length(Space::cross($in, $out));
            if ($bend > 1e-7 * Space::length($in) * Space::length($out) || Space::dot($in, $out) < 0.0) {
                $kept[] = $at;
            }
        }

        return count($kept) >= 3 ? $kept : $loop;
    }

    /**
     * @param  list<Face>  $faces
     * @param  list<RoundFace>  $round
     */
    private function solid(array $faces, array $round, bool $closed): Solid
    {
        $number = $corners = [];
        /**
         * @param  list<int>  $loop
         * @return list<int>
         */
        $renumber = function (array $loop) use (&$number, &$corners): array {
            $new = [];
            foreach ($loop as $i) {
                if (! isset($number[$i])) {
                    $number[$i] = count($corners);
                    $corners[] = $this->corners->all[$i];
                }
                $new[] = $number[$i];
            }

            return $new;
        };
        [$round, $now] = $this->trimmed($faces, $round);
        $faces = array_map(static fn (Face $f) => new Face(
            $renumber($f->outline), array_map($renumber, $f->holes), $f->round === null || $f->round < 0 ? $f->round : $now[$f->round],
        ), $faces);

        return new Solid($corners, $faces, $round, $closed);
    }

    /**
     * Round faces as far as they reach now; those of which nothing is left are gone.
     *
     * @param  list<Face>  $faces
     * @param  list<RoundFace>  $round
     * @return array{list<RoundFace>, array<int, int>} and the new number of each
     */
    private function trimmed(array $faces, array $round): array
    {
        $reach = [];
        foreach ($faces as $face) {
            $r = $face->round === null ? null : $round[$face->round] ?? null;
            if ($r === null) {
                continue;
            }
            [$x, $y, $z] = [$r->to[0] - $r->from[0], $r->to[1] - $r->from[1], $r->to[2] - $r->from[2]];
            $square = $x * $x + $y * $y + $z * $z;
            foreach ($face->outline as $i) {
                $c = $this->corners->all[$i];
                $share = (($c[0] - $r->from[0]) * $x + ($c[1] - $r->from[1]) * $y + ($c[2] - $r->from[2]) * $z) / $square;
                [$low, $high] = $reach[$face->round] ?? [INF, -INF];
                $reach[$face->round] = [min($low, $share), max($high, $share)];
            }
        }
        $left = $now = [];
        foreach ($reach as $k => [$low, $high]) {
            $now[$k] = count($left);
            $left[] = $round[$k]->between($low, $high);
        }

        return [$left, $now];
    }
}
