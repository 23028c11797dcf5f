<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings;

use Parlay\Core\Geometry\Space;

/**
 * Prisms that go right through two plane faces of a solid and come near nothing else of it, as bolt holes through a plate and windows through
 * a wall do: both faces get a hole each, and the sides of the prism line it. Ten thousand take as many steps, where cutting takes the square.
 */
final class Piercing
{
    /** What comes nearer to an edge than this is cut as anything else is, metres. */
    private const CLEAR = Box::BESIDE;

    /** A solid of more faces is cut, not pierced. */
    private const MOST_FACES = 2_000;

    /** @var list<array{float, float, float}> */
    private array $corners;

    /** @var list<Face> that line the holes */
    private array $tubes = [];

    /** @var list<RoundFace> */
    private array $round;

    /** @var array<int, list<list<int>>> new holes by face */
    private array $holes = [];

    /** @var array<string, list<array{array{float, float, float}, array{float, float, float}}>> boxes of what was pierced, by cells they lie in */
    private array $cells = [];

    private float $cell = 1.0;

    /** @var list<array{array{float, float, float}, array{float, float, float}}> */
    private array $boxes = [];

    private function __construct(private readonly Solid $solid)
    {
        $this->corners = $solid->corners;
        $this->round = $solid->round;
    }

    /**
     * @param  list<Solid>  $holes
     * @return array{Solid, list<Solid>} the solid with the holes that pierce it, and the others
     *
     * @throws TooManyFaces
     */
    public static function of(Solid $solid, array $holes): array
    {
        if ($holes === [] || ! $solid->closed || count($solid->faces) > self::MOST_FACES) {
            return [$solid, $holes];
        }
        $self = new self($solid);
        $self->boxes = Box::ofFaces($solid);
        foreach ($holes as $hole) {
            [$low, $high] = $hole->box() ?? [[0.0, 0.0, 0.0], [0.0, 0.0, 0.0]];
            $self->cell = max($self->cell, $high[0] - $low[0], $high[1] - $low[1], $high[2] - $low[2]);
        }
        $others = [];
        foreach ($holes as $hole) {
            if (! $self->pierce($hole)) {
                $others[] = $hole;
            }
        }

        return [$self->tubes === [] ? $solid : $self->pierced(), $others];
    }

    /** @throws TooManyFaces where a face would have more corners than can be shown */
    private function pierced(): Solid
    {
        foreach ($this->holes as $of) {
            $corners = array_sum(array_map(count(...), $of));
            if ($corners > FaceTriangles::MOST_SWEPT) {
                throw new TooManyFaces($corners);
            }
        }
        $faces = [];
        foreach ($this->solid->faces as $k => $face) {
            $faces[] = isset($this->holes[$k]) ? new Face($face->outline, [...$face->holes, ...$this->holes[$k]], $face->round) : $face;
        }

        return new Solid($this->corners, [...$faces, ...$this->tubes], $this->round);
    }

    private function pierce(Solid $hole): bool
    {
        $box = $hole->box();
        $count = self::prism($hole);
        if ($box === null || $count === null || ! $hole->closed || ! $this->isFree($box)) {
            return false;
        }
        $near = array_keys(array_filter($this->boxes, static fn (array $b): bool => Box::meet($b, $box)));
        if (count($near) !== 2 || $this->solid->faces[$near[0]]->round !== null || $this->solid->faces[$near[1]]->round !== null) {
            return false;
        }
        $entry = $this->crossed($near[0], $hole, $count);
        $exit = $this->crossed($near[1], $hole, $count);
        if ($entry === null || $exit === null || $entry[1] === $exit[1]) {
            return false;
        }
        // Going into the solid through the first and out of it through the second.
        if (! $entry[1]) {
            [$entry, $exit, $near] = [$exit, $entry, array_reverse($near)];
        }
        if ($entry[2] >= $exit[3] || ! $this->isWithin($near[0], $entry[0]) || ! $this->isWithin($near[1], $exit[0])) {
            return false;
        }
        $this->line($hole, $count, $near, $entry[0], $exit[0]);
        $this->take($box);

        return true;
    }

    /** How many corners the profile of a straight prism has, whose first faces are its sides and whose last two are its ends; null where it is none. */
    private static function prism(Solid $s): ?int
    {
        $n = intdiv(count($s->corners), 2);
        if ($n < 3 || count($s->corners) !== 2 * $n || count($s->faces) !== $n + 2) {
            return null;
        }
        $way = Space::way($s->corners[0], $s->corners[$n]);
        for ($k = 0; $k < $n; $k++) {
            $side = $s->faces[$k]->outline;
            sort($side);
            $next = ($k + 1) % $n;
            if ($s->faces[$k]->holes !== [] || $side !== [min($k, $next), max($k, $next), $n + min($k, $next), $n + max($k, $next)]
                || Space::length(Space::way(Space::way($s->corners[$k], $s->corners[$n + $k]), $way)) > Corners::SAME) {
                return null;
            }
        }

        return count($s->faces[$n]->outline) === $n && count($s->faces[$n + 1]->outline) === $n ? $n : null;
    }

    /**
     * Where the prism's lines cross a face's plane.
     *
     * @return array{list<array{float, float, float}>, bool, float, float}|null the places, whether it goes in there, and the greatest and the least share of the way; null where not all of them do
     */
    private function crossed(int $face, Solid $hole, int $count): ?array
    {
        $of = $this->solid->faces[$face];
        $normal = Space::unit(FaceTriangles::normal($this->solid->corners, $of->outline));
        if ($normal === null) {
            return null;
        }
        $on = $this->solid->corners[$of->outline[0]];
        $way = Space::way($hole->corners[0], $hole->corners[$count]);
        $along = Space::dot($way, $normal);
        if (abs($along) < 1e-3 * Space::length($way)) {
            return null;
        }
        $places = [];
        [$most, $least] = [-INF, INF];
        for ($k = 0; $k < $count; $k++) {
            $share = Space::dot(Space::way($hole->corners[$k], $on), $normal) / $along;
            if ($share * Space::length($way) < self::CLEAR || (1.0 - $share) * Space::length($way) < self::CLEAR) {
                return null;
            }
            [$most, $least] = [max($most, $share), min($least, $share)];
            $places[] = Space::plus($hole->corners[$k], $way, $share);
        }

        return [$places, $along < 0.0, $most, $least];
    }

    /**
     * Whether a loop lies within a face, clear of its outline and of the holes it had.
     *
     * @param  list<array{float, float, float}>  $loop
     */
    private function isWithin(int $face, array $loop): bool
    {
        $of = $this->solid->faces[$face];
        $normal = Space::unit(FaceTriangles::normal($this->solid->corners, $of->outline)) ?? [0.0, 0.0, 1.0];
        $lines = array_map(fn (array $l): array => array_map(fn (int $i): array => $this->solid->corners[$i], $l), [$of->outline, ...$of->holes]);
        $box = Box::around($loop);
        foreach ($lines as $line) {
            $before = $line[count($line) - 1];
            foreach ($line as $corner) {
                // A side that comes near its box might touch it: then it is cut.
                if (Box::meet(Box::around([$before, $corner]), $box) && self::comesNear($before, $corner, $loop)) {
                    return false;
                }
                $before = $corner;
            }
        }

        return Space::encloses($lines, $normal, $loop[0]);
    }

    /**
     * @param  array{float, float, float}  $a
     * @param  array{float, float, float}  $b
     * @param  list<array{float, float, float}>  $loop
     */
    private static function comesNear(array $a, array $b, array $loop): bool
    {
        $before = $loop[count($loop) - 1];
        foreach ($loop as $corner) {
            if (Space::length(Space::way(...self::closest($a, $b, $before, $corner))) < self::CLEAR) {
                return true;
            }
            $before = $corner;
        }

        return false;
    }

    /**
     * The places of two straight pieces that are nearest to one another.
     *
     * @param  array{float, float, float}  $a
     * @param  array{float, float, float}  $b
     * @param  array{float, float, float}  $c
     * @param  array{float, float, float}  $d
     * @return array{array{float, float, float}, array{float, float, float}}
     */
    private static function closest(array $a, array $b, array $c, array $d): array
    {
        [$u, $v, $w] = [Space::way($a, $b), Space::way($c, $d), Space::way($c, $a)];
        [$uu, $uv, $vv, $uw, $vw] = [Space::dot($u, $u), Space::dot($u, $v), Space::dot($v, $v), Space::dot($u, $w), Space::dot($v, $w)];
        $free = $uu * $vv - $uv * $uv;
        $s = $free > 1e-12 * $uu * $vv ? max(0.0, min(1.0, ($uv * $vw - $vv * $uw) / $free)) : 0.0;
        $t = $vv > 0.0 ? max(0.0, min(1.0, ($uv * $s + $vw) / $vv)) : 0.0;
        $s = $uu > 0.0 ? max(0.0, min(1.0, ($uv * $t - $uw) / $uu)) : 0.0;

        return [Space::plus($a, $u, $s), Space::plus($c, $v, $t)];
    }

    /**
     * @param  array{int, int}|list<int>  $faces  where it goes in, and where it comes out
     * @param  list<array{float, float, float}>  $in
     * @param  list<array{float, float, float}>  $out
     */
    private function line(Solid $hole, int $count, array $faces, array $in, array $out): void
    {
        $first = count($this->corners);
        array_push($this->corners, ...$in, ...$out);
        // Seen from outside, a hole turns the other way than the outline.
        $loop = range($first, $first + $count - 1);
        $normal = FaceTriangles::normal($this->solid->corners, $this->solid->faces[$faces[0]]->outline);
        $turns = Space::dot(FaceTriangles::normal($this->corners, $loop), $normal) > 0.0;
        $this->holes[$faces[0]][] = $turns ? array_reverse($loop) : $loop;
        $end = range($first + $count, $first + 2 * $count - 1);
        $this->holes[$faces[1]][] = $turns ? $end : array_reverse($end);
        $rounds = [];
        for ($k = 0; $k < $count; $k++) {
            $side = $hole->faces[$k];
            $of = $side->round;
            if ($of !== null && $of >= 0) {
                $of = $rounds[$of] ??= $this->lined($hole->round[$of], $in, $out);
            }
            $this->tubes[] = new Face(array_map(static fn (int $i): int => $first + $i, array_reverse($side->outline)), [], $of);
        }
    }

    /**
     * @param  list<array{float, float, float}>  $in
     * @param  list<array{float, float, float}>  $out
     * @return int its number among the round faces
     */
    private function lined(RoundFace $r, array $in, array $out): int
    {
        $way = Space::way($r->from, $r->to);
        $square = Space::dot($way, $way);
        $shares = array_map(static fn (array $p): float => Space::dot(Space::way($r->from, $p), $way) / $square, [...$in, ...$out]);
        $part = $r->between(min([1.0, ...$shares]), max([0.0, ...$shares]));
        $this->round[] = new RoundFace($part->from, $part->to, $r->radius, ! $r->hollow);

        return count($this->round) - 1;
    }

    /**
     * Whether nothing that was pierced meets a box.
     *
     * @param  array{array{float, float, float}, array{float, float, float}}  $box
     */
    private function isFree(array $box): bool
    {
        foreach ($this->cellsOf($box) as $key) {
            foreach ($this->cells[$key] ?? [] as $other) {
                if (Box::meet($box, $other)) {
                    return false;
                }
            }
        }

        return true;
    }

    /** @param  array{array{float, float, float}, array{float, float, float}}  $box */
    private function take(array $box): void
    {
        foreach ($this->cellsOf($box) as $key) {
            $this->cells[$key][] = $box;
        }
    }

    /**
     * @param  array{array{float, float, float}, array{float, float, float}}  $box  no wider than a cell
     * @return list<string>
     */
    private function cellsOf(array $box): array
    {
        $keys = [''];
        foreach ([0, 1, 2] as $axis) {
            $longer = [];
            for ($k = floor(($box[0][$axis] - self::CLEAR) / $this->cell); $k <= floor(($box[1][$axis] + self::CLEAR) / $this->cell); $k++) {
                foreach ($keys as $key) {
                    $longer[] = "$key $k";
                }
            }
            $keys = $longer;
        }

        return $keys;
    }
}
