<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings\Example;

use Parlay\Core\Geometry\Frame;
use Parlay\Core\Geometry\Space;

/**
 * The ways in which one thing can be laid on another so that every corner comes to lie on a corner and every axis on an axis: turned, shifted and
 * mirrored, not stretched. A thing that is like itself when turned has several.
 *
 * About the middle of all corners one corner and a second that is not in line with it say the way; the mirrored one beside it. All others prove it.
 */
final readonly class SameShape
{
    /** Corners that lie so near are one, metres: files are written to tenths of a millimetre. */
    public const FIT = 5e-4;

    /** Nobody compares things of more corners, one by one. */
    private const MOST_CORNERS = 600;

    /** More ways than these belong to what is as good as round. */
    private const MOST_WAYS = 64;

    /** @return list<Frame> from the axes of the one to those of the other, metres */
    public static function ways(Parts $one, Parts $other): array
    {
        [$from, $to] = [$one->sharpCorners(), $other->sharpCorners()];
        $count = count($from);
        if ($count < 4 || $count > self::MOST_CORNERS || $count !== count($to) || count($one->axes) !== count($other->axes)) {
            return [];
        }
        [$middle, $there] = [Space::middle($from), Space::middle($to)];
        $first = self::rarest($from, $middle);
        $second = self::fromLine($from, $middle, $first);
        $base = self::frame($middle, $first, $second);
        $back = $base?->inverse();
        if ($back === null) {
            return [];
        }
        $ways = [];
        foreach (self::apart($to, $there, Space::length(Space::way($middle, $first))) as $p) {
            foreach (self::apart($to, $there, Space::length(Space::way($middle, $second))) as $q) {
                if (abs(Space::length(Space::way($p, $q)) - Space::length(Space::way($first, $second))) > 2 * self::FIT) {
                    continue;
                }
                $frame = self::frame($there, $p, $q);
                foreach ($frame === null ? [] : [$frame, self::mirrored($frame)] as $onto) {
                    $way = $onto->after($back);
                    if (self::holds($way, $from, $to, $one, $other)) {
                        $ways[self::said($way)] = $way;
                    }
                    if (count($ways) > self::MOST_WAYS) {
                        return array_values($ways);
                    }
                }
            }
        }

        return array_values($ways);
    }

    /**
     * @param  list<array{float, float, float}>  $from
     * @param  list<array{float, float, float}>  $to
     */
    private static function holds(Frame $way, array $from, array $to, Parts $one, Parts $other): bool
    {
        foreach ($from as $corner) {
            if (! self::among($way->point(...$corner), $to)) {
                return false;
            }
        }
        foreach ($one->axes as $axis) {
            $found = false;
            foreach ($other->axes as $there) {
                $found = $found || ($axis->hollow === $there->hollow && abs($axis->radius - $there->radius) <= self::FIT
                    && self::ends([$way->point(...$axis->from), $way->point(...$axis->to)], [$there->from, $there->to]) !== null);
            }
            if (! $found) {
                return false;
            }
        }

        return true;
    }

    /**
     * Whether two lines have the same ends: false for as they are, true for the other way round, null if not at all.
     *
     * @param  array{array{float, float, float}, array{float, float, float}}  $one
     * @param  array{array{float, float, float}, array{float, float, float}}  $other
     */
    public static function ends(array $one, array $other): ?bool
    {
        return match (true) {
            self::near($one[0], $other[0]) && self::near($one[1], $other[1]) => false,
            self::near($one[0], $other[1]) && self::near($one[1], $other[0]) => true,
            default => null,
        };
    }

    /**
     * @param  array{float, float, float}  $p
     * @param  array{float, float, float}  $q
     */
    public static function near(array $p, array $q): bool
    {
        return Space::length(Space::way($p, $q)) <= 2 * self::FIT;
    }

    /**
     * @param  array{float, float, float}  $p
     * @param  list<array{float, float, float}>  $corners
     */
    private static function among(array $p, array $corners): bool
    {
        foreach ($corners as $c) {
            if (abs($c[0] - $p[0]) <= self::FIT && abs($c[1] - $p[1]) <= self::FIT && abs($c[2] - $p[2]) <= self::FIT) {
                return true;
            }
        }

        return false;
    }

    /**
     * Of the corners with the fewest others as far from the middle the farthest.
     *
     * @param  non-empty-list<array{float, float, float}>  $corners
     * @param  array{float, float, float}  $middle
     * @return array{float, float, float}
     */
    private static function rarest(array $corners, array $middle): array
    {
        $far = array_map(static fn (array $c): float => Space::length(Space::way($middle, $c)), $corners);
        $alike = array_count_values(array_map(static fn (float $d): int => (int) round($d / (4 * self::FIT)), $far));
        // Near the middle a corner says a direction badly.
        $enough = 0.3 * max($far);
        $best = null;
        foreach ($far as $k => $d) {
            $rank = [-$alike[(int) round($d / (4 * self::FIT))], $d];
            if ($d >= $enough && ($best === null || $rank > $best[0])) {
                $best = [$rank, $corners[$k]];
            }
        }

        return $best[1] ?? $corners[0];
    }

    /**
     * @param  non-empty-list<array{float, float, float}>  $corners
     * @param  array{float, float, float}  $middle
     * @param  array{float, float, float}  $first
     * @return array{float, float, float} the corner farthest off the line through the middle and the first
     */
    private static function fromLine(array $corners, array $middle, array $first): array
    {
        $way = Space::way($middle, $first);
        $off = array_map(static fn (array $c): float => Space::length(Space::cross($way, Space::way($middle, $c))), $corners);

        return $corners[(int) array_search(max($off), $off, true)];
    }

    /**
     * @param  list<array{float, float, float}>  $corners
     * @param  array{float, float, float}  $middle
     * @return list<array{float, float, float}> those so far from it
     */
    private static function apart(array $corners, array $middle, float $far): array
    {
        return array_values(array_filter($corners, static fn (array $c): bool => abs(Space::length(Space::way($middle, $c)) - $far) <= 2 * self::FIT));
    }

    /**
     * @param  array{float, float, float}  $o
     * @param  array{float, float, float}  $p
     * @param  array{float, float, float}  $q
     */
    private static function frame(array $o, array $p, array $q): ?Frame
    {
        $u = Space::unit(Space::way($o, $p));
        $w = $u === null ? null : Space::unit(Space::cross($u, Space::way($o, $q)));

        return $u === null || $w === null ? null : Frame::ofAxes($u, Space::cross($w, $u), $w, $o);
    }

    private static function mirrored(Frame $f): Frame
    {
        return new Frame($f->a, $f->b, -$f->c, $f->x, $f->d, $f->e, -$f->f, $f->y, $f->g, $f->h, -$f->i, $f->z);
    }

    /** The same of ways that differ by rounding. */
    private static function said(Frame $f): string
    {
        return implode(' ', array_map(static fn (float $v): string => (string) (round($v, 2) + 0.0), [$f->a, $f->b, $f->c, $f->d, $f->e, $f->f, $f->g, $f->h, $f->i]));
    }
}
