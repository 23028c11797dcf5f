<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings;

/**
 * Space parted by the planes of a solid's faces into what is inside and what is outside (H. Fuchs, Z. Kedem, B. Naylor, "On visible surface
 * generation by a priori tree structures", 1980; used for solids by W. Thibault and B. Naylor, 1987).
 */
final class Partition
{
    /** What is nearer to a plane than this lies in it, metres. */
    private const NEAR = 1e-6;

    /** Pieces that facets may be cut into. */
    private const MOST_PIECES = 100_000;

    private ?self $outer = null;

    private ?self $inner = null;

    private function __construct(private readonly Facet $plane) {}

    /**
     * @param  non-empty-list<Facet>  $facets
     *
     * @throws TooManyFaces
     */
    public static function of(array $facets): self
    {
        $pieces = 0;
        $root = new self($facets[0]);
        $waiting = [[$root, array_slice($facets, 1)]];
        while ($waiting !== []) {
            [$node, $rest] = array_pop($waiting);
            $outside = $inside = [];
            $pieces += count($rest);
            if ($pieces > 40 * self::MOST_PIECES) {
                throw new TooManyFaces($pieces);
            }
            foreach ($rest as $facet) {
                [$out, $in] = $node->split($facet);
                if ($out !== null) {
                    $outside[] = $out;
                }
                if ($in !== null) {
                    $inside[] = $in;
                }
            }
            if ($outside !== []) {
                $node->outer = new self($outside[0]);
                $waiting[] = [$node->outer, array_slice($outside, 1)];
            }
            if ($inside !== []) {
                $node->inner = new self($inside[0]);
                $waiting[] = [$node->inner, array_slice($inside, 1)];
            }
        }

        return $root;
    }

    /**
     * The parts of facets that lie inside, or outside.
     *
     * @param  list<Facet>  $facets
     * @param  bool  $sameInside  what lies in a face and looks the same way counts as inside
     * @param  bool  $againstInside  what lies in a face and looks the other way counts as inside
     * @return list<Facet>
     *
     * @throws TooManyFaces
     */
    public function parts(array $facets, bool $inside, bool $sameInside, bool $againstInside): array
    {
        $kept = [];
        $waiting = array_map(fn (Facet $f): array => [$this, $f], $facets);
        while ($waiting !== []) {
            [$node, $facet] = array_pop($waiting);
            if (count($kept) + count($waiting) > self::MOST_PIECES) {
                throw new TooManyFaces(count($kept));
            }
            $lies = $node->lies($facet);
            [$out, $in] = $lies === null ? $node->cut($facet) : (
                ($lies > 0 ? $sameInside : $againstInside) ? [null, $facet] : [$facet, null]
            );
            if ($out !== null) {
                if ($node->outer !== null) {
                    $waiting[] = [$node->outer, $out];
                } elseif (! $inside) {
                    $kept[] = $out;
                }
            }
            if ($in !== null) {
                if ($node->inner !== null) {
                    $waiting[] = [$node->inner, $in];
                } elseif ($inside) {
                    $kept[] = $in;
                }
            }
        }

        return $kept;
    }

    /** 1 where it lies in the plane and looks the same way, -1 where it looks the other way, null where it does not lie in it. */
    private function lies(Facet $f): ?int
    {
        $p = $this->plane;
        foreach ($f->corners as [$x, $y, $z]) {
            if (abs($p->x * $x + $p->y * $y + $p->z * $z - $p->d) > self::NEAR) {
                return null;
            }
        }

        return $p->x * $f->x + $p->y * $f->y + $p->z * $f->z > 0.0 ? 1 : -1;
    }

    /** @return array{Facet|null, Facet|null} without those that lie in the plane itself, which part nothing more */
    private function split(Facet $f): array
    {
        return $this->lies($f) === null ? $this->cut($f) : [null, null];
    }

    /** @return array{Facet|null, Facet|null} the part before the plane and the part behind it */
    private function cut(Facet $f): array
    {
        $p = $this->plane;
        $out = $in = [];
        $count = count($f->corners);
        $distances = [];
        $farthest = $nearest = 0.0;
        foreach ($f->corners as [$x, $y, $z]) {
            $distances[] = $d = $p->x * $x + $p->y * $y + $p->z * $z - $p->d;
            $farthest = max($farthest, $d);
            $nearest = min($nearest, $d);
        }
        if ($nearest >= -self::NEAR) {
            return [$f, null];
        }
        if ($farthest <= self::NEAR) {
            return [null, $f];
        }
        for ($i = 0; $i < $count; $i++) {
            $a = $f->corners[$i];
            $b = $f->corners[($i + 1) % $count];
            $da = $distances[$i];
            $db = $distances[($i + 1) % $count];
            if ($da >= -self::NEAR) {
                $out[] = $a;
            }
            if ($da <= self::NEAR) {
                $in[] = $a;
            }
            if (($da > self::NEAR && $db < -self::NEAR) || ($da < -self::NEAR && $db > self::NEAR)) {
                $t = $da / ($da - $db);
                $out[] = $in[] = [$a[0] + $t * ($b[0] - $a[0]), $a[1] + $t * ($b[1] - $a[1]), $a[2] + $t * ($b[2] - $a[2])];
            }
        }

        return [count($out) >= 3 ? $f->piece($out) : null, count($in) >= 3 ? $f->piece($in) : null];
    }
}
