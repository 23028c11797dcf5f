<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings;

use Parlay\Core\Geometry\Frame;

/** What something of a building is made of, in coordinates of its own, metres: corners, and the faces between them. */
final class Solid
{
    /** @var list<int>|null */
    private ?array $triangles = null;

    /**
     * @param  list<array{float, float, float}>  $corners
     * @param  list<Face>  $faces
     * @param  list<RoundFace>  $round
     * @param  bool  $closed  it has an inside: its faces meet everywhere
     */
    public function __construct(
        public readonly array $corners,
        public readonly array $faces,
        public readonly array $round = [],
        public readonly bool $closed = true,
    ) {}

    /**
     * @param  array{float, float, float}  $along  how far and whereto, metres
     * @param  Profile|null  $end  where it is another at its end, of as many corners
     */
    public static function extruded(Profile $profile, array $along, ?Profile $end = null): self
    {
        $corners = $faces = $round = $bottom = $top = [];
        $upward = $along[2] >= 0.0;
        foreach ([$profile->outline, ...$profile->voids] as $l => $loop) {
            $first = count($corners);
            $count = count($loop->corners);
            $ends = $end === null ? $loop->corners : ($l === 0 ? $end->outline : $end->voids[$l - 1])->corners;
            foreach ($loop->corners as [$x, $y]) {
                $corners[] = [$x, $y, 0.0];
            }
            foreach ($ends as [$x, $y]) {
                $corners[] = [$x + $along[0], $y + $along[1], $along[2]];
            }
            $known = [];
            for ($k = 0; $k < $count; $k++) {
                $n = ($k + 1) % $count;
                $arc = $end === null ? $loop->arcs[$k] ?? null : null;
                $of = null;
                if ($arc !== null) {
                    $of = $known[implode(' ', $arc)] ??= count($round);
                    $round[$of] ??= new RoundFace(
                        [$arc[0], $arc[1], 0.0], [$arc[0] + $along[0], $arc[1] + $along[1], $along[2]], $arc[2], self::inward($loop, $k, $arc),
                    );
                }
                $side = [$first + $k, $first + $n, $first + $count + $n, $first + $count + $k];
                $faces[] = new Face($upward ? $side : array_reverse($side), [], $of);
            }
            $bottom[] = array_reverse(range($first, $first + $count - 1));
            $top[] = range($first + $count, $first + 2 * $count - 1);
        }
        foreach ([$bottom, $top] as $loops) {
            $face = new Face($loops[0], array_slice($loops, 1));
            $faces[] = $upward ? $face : $face->turned();
        }

        return new self($corners, $faces, array_values($round));
    }

    /**
     * The side of an arc its solid does not lie on is the inner one.
     *
     * @param  array{float, float, float}  $arc
     */
    private static function inward(Loop $loop, int $side, array $arc): bool
    {
        [$x, $y] = $loop->corners[$side];
        [$u, $v] = $loop->corners[($side + 1) % count($loop->corners)];

        // The solid lies to the left of all its lines.
        return ($u - $x) * ($arc[1] - $y) - ($v - $y) * ($arc[0] - $x) < 0.0;
    }

    public function moved(Frame $frame): self
    {
        $mirrored = $frame->determinant() < 0.0;
        $scale = $frame->stretch();
        // What is stretched more in one direction than in another is round no more.
        $faces = $mirrored ? array_map(static fn (Face $f) => $f->turned(), $this->faces) : $this->faces;
        $faces = $scale === null ? array_map(static fn (Face $f) => $f->round === null || $f->round < 0 ? $f : new Face($f->outline, $f->holes), $faces) : $faces;

        return new self(
            array_map(static fn (array $c): array => $frame->point(...$c), $this->corners),
            $faces,
            $scale === null ? [] : array_map(static fn (RoundFace $r) => new RoundFace(
                $frame->point(...$r->from), $frame->point(...$r->to), $r->radius * $scale, $r->hollow,
            ), $this->round),
            $this->closed,
        );
    }

    /** @param  non-empty-list<self>  $solids */
    public static function together(array $solids): self
    {
        if (count($solids) === 1) {
            return $solids[0];
        }
        $corners = $faces = $round = [];
        $closed = true;
        foreach ($solids as $s) {
            [$c, $r] = [count($corners), count($round)];
            foreach ($s->faces as $f) {
                $faces[] = $f->shifted($c, $r);
            }
            array_push($corners, ...$s->corners);
            array_push($round, ...$s->round);
            $closed = $closed && $s->closed;
        }

        return new self($corners, $faces, $round, $closed);
    }

    /** @return list<int> three corners to each triangle; none of a face of too many corners */
    public function triangles(): array
    {
        if ($this->triangles === null) {
            $this->triangles = [];
            foreach ($this->faces as $face) {
                try {
                    array_push($this->triangles, ...FaceTriangles::of($this->corners, $face));
                } catch (TooManyFaces) {
                    // Its outline is drawn all the same.
                }
            }
        }

        return $this->triangles;
    }

    /** Metres³; of what is closed. */
    public function volume(): float
    {
        [$ox, $oy, $oz] = $this->corners[0] ?? [0.0, 0.0, 0.0];
        $six = 0.0;
        $t = $this->triangles();
        for ($i = 0, $n = count($t); $i < $n; $i += 3) {
            [$ax, $ay, $az] = $this->corners[$t[$i]];
            [$bx, $by, $bz] = $this->corners[$t[$i + 1]];
            [$cx, $cy, $cz] = $this->corners[$t[$i + 2]];
            [$ax, $ay, $az, $bx, $by, $bz, $cx, $cy, $cz] = [$ax - $ox, $ay - $oy, $az - $oz, $bx - $ox, $by - $oy, $bz - $oz, $cx - $ox, $cy - $oy, $cz - $oz];
            $six += $ax * ($by * $cz - $bz * $cy) - $ay * ($bx * $cz - $bz * $cx) + $az * ($bx * $cy - $by * $cx);
        }

        return $six / 6;
    }

    /** With its faces looking outward, however they were written. */
    public function insideIn(): self
    {
        return $this->volume() < 0.0
            ? new self($this->corners, array_map(static fn (Face $f) => $f->turned(), $this->faces), $this->round, $this->closed) : $this;
    }

    /** The same of solids made of as many corners and faces in the same order, however large: what is one's third face is the other's, too. */
    public function topology(): string
    {
        $said = count($this->corners).' '.count($this->round);
        foreach ($this->faces as $face) {
            $said .= '|'.implode(',', $face->outline).'/'.$face->round;
            foreach ($face->holes as $hole) {
                $said .= ';'.implode(',', $hole);
            }
        }

        return hash('xxh64', $said);
    }

    /** As text that gives the same solid back, to the last digit. */
    public function packed(): string
    {
        return json_encode([
            $this->corners, array_map(static fn (Face $f): array => [$f->outline, $f->holes, $f->round], $this->faces),
            array_map(static fn (RoundFace $r): array => [$r->from, $r->to, $r->radius, $r->hollow], $this->round), $this->closed,
        ], JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);
    }

    public static function unpacked(string $packed): self
    {
        [$corners, $faces, $round, $closed] = json_decode($packed, true, flags: JSON_THROW_ON_ERROR);

        return new self(
            $corners, array_values(array_map(static fn (array $f): Face => new Face(...$f), $faces)),
            array_values(array_map(static fn (array $r): RoundFace => new RoundFace(...$r), $round)), $closed,
        );
    }

    /** @return array{array{float, float, float}, array{float, float, float}}|null the smallest and the largest of each coordinate */
    public function box(): ?array
    {
        if ($this->corners === []) {
            return null;
        }
        [$x, $y, $z] = [array_column($this->corners, 0), array_column($this->corners, 1), array_column($this->corners, 2)];

        return [[min($x), min($y), min($z)], [max($x), max($y), max($z)]];
    }
}
