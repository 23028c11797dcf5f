<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings;

use Parlay\Core\Geometry\Frame;

/**
 * A solid as a plan shows it: the sides of the faces that look up, those of the faces that look down, and the circles of round faces that
 * stand upright. Sides that stand upright are corners on a plan, and no lines.
 *
 * @phpstan-type Side array{int, int}
 */
final readonly class SeenFromAbove
{
    /** Faces steeper than this count as walls: sine of half a degree. */
    private const LEVEL = 0.009;

    /** Sides shorter on the plan than this stand upright, metres. */
    private const UPRIGHT = 1e-6;

    /**
     * @param  list<Side>  $top  corners of the solid at both ends
     * @param  list<Side>  $underside
     * @param  list<int>  $circles  round faces of the solid that are whole circles on the plan
     */
    private function __construct(public array $top, public array $underside, public array $circles) {}

    /** @param  Frame  $frame  where it stands */
    public static function of(Solid $solid, Frame $frame): self
    {
        $circles = self::circles($solid, $frame);
        $mirrored = $frame->determinant() < 0.0;
        // Turned about the upright alone, it is seen as it was drawn.
        $upright = $frame->g === 0.0 && $frame->h === 0.0 && $frame->c === 0.0 && $frame->f === 0.0 && $frame->i > 0.0 && $frame->stretch() !== null;
        $at = $upright ? $solid->corners : array_map(static fn (array $c): array => $frame->point(...$c), $solid->corners);
        // A side is one key, whichever way it is gone along.
        $base = count($at);
        $round = self::sidesOf($solid, $circles);
        $top = $underside = $within = [];
        foreach ($solid->faces as $face) {
            [$x, $y, $z] = FaceTriangles::normal($at, $face->outline);
            $length = sqrt($x * $x + $y * $y + $z * $z);
            $z = $mirrored ? -$z : $z;
            if (abs($z) <= self::LEVEL * $length) {
                continue;
            }
            foreach ([$face->outline, ...$face->holes] as $loop) {
                $before = $loop[count($loop) - 1];
                foreach ($loop as $corner) {
                    $side = $before < $corner ? [$before, $corner] : [$corner, $before];
                    $key = $base * $side[0] + $side[1];
                    $before = $corner;
                    [$p, $q] = [$at[$side[0]], $at[$side[1]]];
                    if (isset($round[$key]) || (abs($p[0] - $q[0]) < self::UPRIGHT && abs($p[1] - $q[1]) < self::UPRIGHT)) {
                        continue;
                    }
                    // Between two pieces of one curved face that look the same way there is no edge.
                    $piece = $face->round === null ? null : ($z > 0.0 ? 'top ' : 'under ').$face->round;
                    if ($piece !== null && ($within[$key] ?? null) === $piece) {
                        unset($top[$key], $underside[$key]);

                        continue;
                    }
                    $within[$key] = $piece;
                    if ($z > 0.0) {
                        $top[$key] = $side;
                    } else {
                        $underside[$key] = $side;
                    }
                }
            }
        }

        return new self(array_values($top), array_values($underside), $circles);
    }

    /** @return list<int> */
    private static function circles(Solid $solid, Frame $frame): array
    {
        if ($solid->round === [] || $frame->stretch() === null) {
            return [];
        }
        $pieces = array_count_values(array_filter(array_map(static fn (Face $f) => $f->round, $solid->faces), is_int(...)));
        $circles = [];
        foreach ($solid->round as $k => $r) {
            [$x, $y, $z] = $frame->vector($r->to[0] - $r->from[0], $r->to[1] - $r->from[1], $r->to[2] - $r->from[2]);
            if (($pieces[$k] ?? 0) >= Loop::PIECES && hypot($x, $y) < 1e-6 * abs($z)) {
                $circles[] = $k;
            }
        }

        return $circles;
    }

    /**
     * @param  list<int>  $circles
     * @return array<int, true> keys of the sides that are pieces of these circles
     */
    private static function sidesOf(Solid $solid, array $circles): array
    {
        $sides = [];
        $base = count($solid->corners);
        foreach ($solid->faces as $face) {
            if ($face->round === null || ! in_array($face->round, $circles, true)) {
                continue;
            }
            $before = $face->outline[count($face->outline) - 1];
            foreach ($face->outline as $corner) {
                $sides[$base * min($before, $corner) + max($before, $corner)] = true;
                $before = $corner;
            }
        }

        return $sides;
    }
}
