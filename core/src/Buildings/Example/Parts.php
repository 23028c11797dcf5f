<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings\Example;

use Parlay\Core\Buildings\Face;
use Parlay\Core\Buildings\FaceTriangles;
use Parlay\Core\Buildings\RoundFace;
use Parlay\Core\Buildings\Solid;
use Parlay\Core\Geometry\Frame;
use Parlay\Core\Geometry\Space;

/**
 * What a thing has that a spot can be held by: plane faces, edges between them, axes of what is round; all along the thing's own axes, metres.
 *
 * Another thing has the same face where it is made of as many corners and faces in the same order; else the face that looks the same way
 * and is the same in rank from outside inward, if it has as many of them.
 */
final class Parts
{
    /** Nobody touches one face of so many. */
    public const MOST_FACES = 20_000;

    /** Faces that look the same way, cosine of two degrees. */
    public const SAME_WAY = 0.99939;

    /** A face made of the same corners in the same order looks roughly the same way, cosine of 30 degrees. */
    public const ROUGHLY = 0.866;

    /** Metres. */
    private const SAME = 1e-5;

    /** The outward directions of a half cylinder add up to 2/π of what they are one by one, those of a quarter to 0.9: a slot has ends, a fillet has none. */
    private const HALF_ROUND = 0.7;

    /** @var list<array{float, float, float}> */
    public readonly array $corners;

    /** @var list<Face> plane ones */
    public readonly array $faces;

    /** @var list<array{float, float, float}> of each face, outward, of length 1 */
    public readonly array $normals;

    /** @var list<RoundFace> from the end that is nearer to where it comes from along its direction */
    public readonly array $axes;

    /** @var array<int, array{array{float, float, float}, float}> by axis: the sum of the normals of its facets, each as long as its area, and of their lengths */
    private array $around = [];

    /** @var list<array{int, int, int, int}>|null */
    private ?array $edges = null;

    /** @var array<string, list<int>> faces by the corners of a side, the smaller number first */
    private array $sides = [];

    /**
     * @param  list<array{Solid, Frame}>  $shape  each solid with its frame within the thing
     *
     * @throws DoesNotFit where it has too many faces
     */
    public static function of(array $shape): self
    {
        if ($shape === []) {
            throw new DoesNotFit(Misfit::NoShape);
        }
        $topology = self::topologyOf(array_map(static fn (array $s): string => $s[0]->topology(), $shape));

        return new self(Solid::together(array_map(static fn (array $s): Solid => $s[0]->moved($s[1]), $shape)), $topology);
    }

    /** @param  list<string>  $solids  topology of each */
    public static function topologyOf(array $solids): string
    {
        return hash('xxh64', implode(' ', $solids));
    }

    private function __construct(Solid $whole, public readonly string $topology)
    {
        if (count($whole->faces) > self::MOST_FACES) {
            throw new DoesNotFit(Misfit::TooManyFaces, count($whole->faces));
        }
        $this->corners = $whole->corners;
        $faces = $normals = [];
        foreach ($whole->faces as $face) {
            $area = FaceTriangles::normal($whole->corners, $face->outline);
            if ($face->round !== null && $face->round >= 0) {
                [$sum, $lengths] = $this->around[$face->round] ?? [[0.0, 0.0, 0.0], 0.0];
                $this->around[$face->round] = [Space::plus($sum, $area), $lengths + Space::length($area)];
            }
            $normal = $face->round === null ? Space::unit($area) : null;
            if ($normal !== null) {
                $faces[] = $face;
                $normals[] = $normal;
            }
        }
        [$this->faces, $this->normals] = [$faces, $normals];
        $this->axes = array_map(self::directed(...), $whole->round);
        foreach ($this->faces as $f => $face) {
            foreach ([$face->outline, ...$face->holes] as $loop) {
                foreach ($loop as $k => $i) {
                    $n = $loop[($k + 1) % count($loop)];
                    $this->sides[min($i, $n).' '.max($i, $n)][] = $f;
                }
            }
        }
    }

    /** From its lower end upward; where it lies, by its longest part. */
    private static function directed(RoundFace $r): RoundFace
    {
        $way = Space::way($r->from, $r->to);
        $most = max(abs($way[0]), abs($way[1]), abs($way[2]));
        $first = abs($way[2]) >= 0.5 * $most ? 2 : (abs($way[0]) >= 0.5 * $most ? 0 : 1);

        return $way[$first] < 0.0 ? new RoundFace($r->to, $r->from, $r->radius, $r->hollow) : $r;
    }

    /** @return list<int> axes of what goes at least half around, holes and pins and the ends of slots, each line once however many pieces a writer made of it; not of fillets */
    public function wholeAxes(): array
    {
        $lines = [];
        foreach ($this->axes as $a => $r) {
            foreach ($lines as $first => $members) {
                $of = $this->axes[$first];
                if ($of->hollow === $r->hollow && abs($of->radius - $r->radius) <= self::SAME && Space::length(Space::way($of->from, $r->from)) <= self::SAME && Space::length(Space::way($of->to, $r->to)) <= self::SAME) {
                    $lines[$first][] = $a;

                    continue 2;
                }
            }
            $lines[$a] = [$a];
        }

        return array_keys(array_filter($lines, function (array $members): bool {
            [$sum, $lengths] = [[0.0, 0.0, 0.0], 0.0];
            foreach ($members as $a) {
                [$part, $length] = $this->around[$a] ?? [[0.0, 0.0, 0.0], 0.0];
                [$sum, $lengths] = [Space::plus($sum, $part), $lengths + $length];
            }

            return $lengths > 0.0 && Space::length($sum) <= self::HALF_ROUND * $lengths;
        }));
    }

    /** @return list<array{int, int, int, int}> edges: their two corners, and the two faces they lie between */
    public function edges(): array
    {
        return $this->edges ??= $this->findEdges();
    }

    /** @return list<array{int, int, int, int}> */
    private function findEdges(): array
    {
        $edges = [];
        foreach ($this->sides as $side => $faces) {
            [$a, $b] = array_map(intval(...), explode(' ', (string) $side));
            if (count($faces) === 2 && Space::dot($this->normals[$faces[0]], $this->normals[$faces[1]]) < self::SAME_WAY) {
                $edges[] = [$a, $b, $faces[0], $faces[1]];
            }
        }

        return $edges;
    }

    /** @return list<array{float, float, float}> ends of the edges between plane faces, each once */
    public function sharpCorners(): array
    {
        $found = [];
        foreach ($this->edges() as [$a, $b]) {
            $found[$a] ??= $this->corners[$a];
            $found[$b] ??= $this->corners[$b];
        }

        return array_values($found);
    }

    /** @return list<int> faces with an edge in common with one, each once */
    public function neighbours(int $face): array
    {
        $found = [];
        foreach ($this->edges() as [, , $f, $g]) {
            if ($f === $face || $g === $face) {
                $found[$f === $face ? $g : $f] = true;
            }
        }

        return array_keys($found);
    }

    /** @return array{float, float, float} centre of gravity of what a face's outline encloses, holes and all */
    public function gravity(int $face): array
    {
        $loop = $this->faces[$face]->outline;
        $o = $this->corners[$loop[0]];
        [$sum, $all] = [[0.0, 0.0, 0.0], 0.0];
        for ($k = 2, $count = count($loop); $k < $count; $k++) {
            [$p, $q] = [Space::way($o, $this->corners[$loop[$k - 1]]), Space::way($o, $this->corners[$loop[$k]])];
            $area = Space::dot(Space::cross($p, $q), $this->normals[$face]);
            $sum = Space::plus($sum, Space::plus($p, $q), $area / 3);
            $all += $area;
        }

        return $all > 0.0 ? Space::plus($o, $sum, 1 / $all) : $o;
    }

    /** Whether three faces meet in a corner of the thing, not only as planes. */
    public function haveCorner(int $f, int $g, int $h, float $inPlane = self::SAME): bool
    {
        foreach ([$this->faces[$f]->outline, ...$this->faces[$f]->holes] as $loop) {
            foreach ($loop as $i) {
                if ($this->inPlane($i, $g, $inPlane) && $this->inPlane($i, $h, $inPlane)) {
                    return true;
                }
            }
        }

        return false;
    }

    private function inPlane(int $corner, int $face, float $reach): bool
    {
        return abs(Space::dot($this->normals[$face], Space::way($this->corners[$this->faces[$face]->outline[0]], $this->corners[$corner]))) <= $reach;
    }

    /** @return array<int, list<int>> by corner: three faces that meet in it and nowhere else */
    public function cornerFaces(): array
    {
        $at = [];
        foreach ($this->faces as $f => $face) {
            foreach ([$face->outline, ...$face->holes] as $loop) {
                foreach ($loop as $i) {
                    $at[$i][] = $f;
                }
            }
        }
        $corners = [];
        foreach ($at as $i => $faces) {
            $three = $this->independent($faces);
            if ($three !== null) {
                $corners[$i] = $three;
            }
        }

        return $corners;
    }

    /**
     * @param  list<int>  $faces
     * @return list<int>|null
     */
    private function independent(array $faces): ?array
    {
        $best = null;
        $most = 0.05;
        for ($i = 0, $n = count($faces); $i < $n; $i++) {
            for ($k = $i + 1; $k < $n; $k++) {
                $across = Space::cross($this->normals[$faces[$i]], $this->normals[$faces[$k]]);
                for ($m = $k + 1; $m < $n; $m++) {
                    $volume = abs(Space::dot($across, $this->normals[$faces[$m]]));
                    if ($volume > $most + 1e-9) {
                        [$best, $most] = [[$faces[$i], $faces[$k], $faces[$m]], $volume];
                    }
                }
            }
        }

        return $best;
    }

    /**
     * The face a place lies on, or nearly.
     *
     * @param  array{float, float, float}  $at  along the thing's own axes
     * @param  float  $reach  how far before or behind it, metres
     */
    public function faceAt(array $at, float $reach): ?int
    {
        $best = null;
        foreach ($this->faces as $f => $face) {
            $apart = abs(Space::dot($this->normals[$f], Space::way($this->corners[$face->outline[0]], $at)));
            if ($apart <= $reach && Space::encloses($this->outlines($f), $this->normals[$f], $at)) {
                [$best, $reach] = [$f, $apart];
            }
        }

        return $best;
    }

    /**
     * The line through its middle along that of its own axes which is nearest to upright, as a column has it, or along the longest of one that lies.
     *
     * @param  Frame  $place  from its own axes to the site
     * @return array{array{float, float, float}, array{float, float, float}} its ends on the site
     */
    public function middleLine(Frame $place): array
    {
        [$low, $high] = [[INF, INF, INF], [-INF, -INF, -INF]];
        foreach ($this->corners as $c) {
            $low = [min($low[0], $c[0]), min($low[1], $c[1]), min($low[2], $c[2])];
            $high = [max($high[0], $c[0]), max($high[1], $c[1]), max($high[2], $c[2])];
        }
        $middle = [($low[0] + $high[0]) / 2, ($low[1] + $high[1]) / 2, ($low[2] + $high[2]) / 2];
        $ends = [];
        foreach ([0, 1, 2] as $k) {
            [$from, $to] = [$middle, $middle];
            [$from[$k], $to[$k]] = [$low[$k], $high[$k]];
            $ends[$k] = [$place->point(...$from), $place->point(...$to)];
        }
        $upright = static fn (array $e): float => abs($e[1][2] - $e[0][2]) / max(Space::length(Space::way(...$e)), 1e-9);
        $longest = static fn (array $e): float => Space::length(Space::way(...$e));
        $stands = max(array_map($longest, $ends)) === max(array_map(static fn (array $e): float => $upright($e) > 0.7 ? $longest($e) : 0.0, $ends));
        usort($ends, static fn (array $p, array $q): int => $stands ? $upright($q) <=> $upright($p) : $longest($q) <=> $longest($p));

        return $ends[0];
    }

    /**
     * The axis of the round face a place lies on, or nearly.
     *
     * @param  array{float, float, float}  $at  along the thing's own axes
     */
    public function axisAt(array $at, float $reach): ?int
    {
        $best = null;
        foreach ($this->axes as $a => $r) {
            $way = Space::way($r->from, $r->to);
            $length = Space::length($way);
            $along = $length > 0.0 ? Space::dot(Space::way($r->from, $at), $way) / $length : -1.0;
            if ($along < -$reach || $along > $length + $reach) {
                continue;
            }
            $off = abs(Space::length(Space::way(Space::plus($r->from, $way, $along / $length), $at)) - $r->radius);
            if ($off <= $reach) {
                [$best, $reach] = [$a, $off];
            }
        }

        return $best;
    }

    /** @return list<list<array{float, float, float}>> of a face: its outline, and its holes */
    public function outlines(int $face): array
    {
        return array_map(
            fn (array $loop): array => array_map(fn (int $i): array => $this->corners[$i], $loop), [$this->faces[$face]->outline, ...$this->faces[$face]->holes],
        );
    }

    public function holdFace(int $face, float $inward = 0.0): FaceHold
    {
        [$x, $y, $z] = $this->normals[$face];
        $alike = $this->looking($this->normals[$face]);

        return new FaceHold($face, $x, $y, $z, (int) array_search($face, $alike, true), count($alike), $inward);
    }

    public function holdAxis(int $axis): AxisHold
    {
        $r = $this->axes[$axis];
        [$x, $y, $z] = Space::unit(Space::way($r->from, $r->to)) ?? [0.0, 0.0, 1.0];
        $alike = $this->along([$x, $y, $z], $r->hollow);

        return new AxisHold($axis, $x, $y, $z, $r->hollow, (int) array_search($axis, $alike, true), count($alike));
    }

    /**
     * The same face here.
     *
     * @throws DoesNotFit
     */
    public function face(FaceHold $hold, string $topology): int
    {
        $wanted = [$hold->x, $hold->y, $hold->z];
        if ($topology === $this->topology && isset($this->normals[$hold->index]) && Space::dot($this->normals[$hold->index], $wanted) > self::ROUGHLY) {
            return $hold->index;
        }
        $alike = $this->looking($wanted);

        return count($alike) === $hold->of && isset($alike[$hold->rank]) ? $alike[$hold->rank]
            : throw new DoesNotFit(Misfit::OtherFaces, count($alike), $hold->of);
    }

    /**
     * The same axis here.
     *
     * @throws DoesNotFit
     */
    public function axis(AxisHold $hold, string $topology): int
    {
        $wanted = [$hold->x, $hold->y, $hold->z];
        $same = $topology === $this->topology ? $this->axes[$hold->index] ?? null : null;
        if ($same !== null && $same->hollow === $hold->hollow && $this->runs($same, $wanted, self::ROUGHLY)) {
            return $hold->index;
        }
        $alike = $this->along($wanted, $hold->hollow);

        return count($alike) === $hold->of && isset($alike[$hold->rank]) ? $alike[$hold->rank]
            : throw new DoesNotFit($hold->hollow ? Misfit::OtherHoles : Misfit::OtherRounds, count($alike), $hold->of);
    }

    /**
     * The ends of an edge between two faces.
     *
     * @param  int  $rank  of those that lie between the same two, along them
     * @return array{int, int}
     *
     * @throws DoesNotFit
     */
    public function edge(int $f, int $g, int $rank): array
    {
        $between = $this->between($f, $g);

        return $between[$rank] ?? throw new DoesNotFit(Misfit::OtherEdges, count($between), $rank + 1);
    }

    /** @return list<array{int, int}> */
    public function between(int $f, int $g): array
    {
        $found = [];
        foreach ($this->edges() as [$a, $b, $p, $q]) {
            if (($p === $f && $q === $g) || ($p === $g && $q === $f)) {
                $found[] = [$a, $b];
            }
        }
        $along = Space::cross($this->normals[min($f, $g)], $this->normals[max($f, $g)]);
        usort($found, fn (array $a, array $b): int => Space::dot($this->corners[$a[0]], $along) <=> Space::dot($this->corners[$b[0]], $along));

        return $found;
    }

    /**
     * Faces that look one way, the outermost first; those in one plane by where their middle lies.
     *
     * @param  array{float, float, float}  $way
     * @return list<int>
     */
    private function looking(array $way): array
    {
        $found = [];
        foreach ($this->normals as $f => $normal) {
            if (Space::dot($normal, $way) > self::SAME_WAY) {
                $middle = Space::middle($this->outlines($f)[0]);
                $found[$f] = [-self::step(Space::dot($middle, $way)), ...array_map(self::step(...), $middle)];
            }
        }
        asort($found);

        return array_keys($found);
    }

    /**
     * Axes that run one way, by where they lie.
     *
     * @param  array{float, float, float}  $way
     * @return list<int>
     */
    private function along(array $way, bool $hollow): array
    {
        $found = [];
        foreach ($this->axes as $a => $r) {
            if ($r->hollow === $hollow && $this->runs($r, $way, self::SAME_WAY)) {
                // Where it crosses a plane through the origin: of a leaning one, too, that says beside which it stands.
                $at = Space::plus($r->from, $way, -Space::dot($r->from, $way));
                $found[$a] = [...array_map(self::step(...), $at), self::step(Space::dot($r->from, $way)), self::step($r->radius)];
            }
        }
        asort($found);

        return array_keys($found);
    }

    /** @param  array{float, float, float}  $way */
    private function runs(RoundFace $r, array $way, float $cosine): bool
    {
        $own = Space::unit(Space::way($r->from, $r->to));

        return $own !== null && Space::dot($own, $way) > $cosine;
    }

    /** Figures that differ by less are one. */
    private static function step(float $v): float
    {
        return round($v / self::SAME);
    }
}
