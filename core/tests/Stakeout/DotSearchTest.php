<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Stakeout;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\DotSearch;
use Parlay\Core\Stakeout\MarkedOn;
use Parlay\Core\Stakeout\OnWall;
use Parlay\Core\Stakeout\Tolerance;
use PHPUnit\Framework\TestCase;

/** The surface is a plane, so where a beam hits it is solved exactly, and where the search must end as well. */
final class DotSearchTest extends TestCase
{
    private const FINE = 1e-6;

    public function test_on_a_sloping_slab_it_ends_exactly_over_the_design(): void
    {
        $axis = new Position(0, 0, 6.2);
        // A slab that falls by 1 in 50 to the north and rises by 1 in 80 to the east, 40 mm under the design.
        $slab = static fn (float $n, float $e): float => 4.56 - $n / 50 + $e / 80;
        $hit = fn (Position $aim) => self::onPlane($axis, $aim, -1 / 50, 1 / 80, 4.56);
        foreach ([[12.0, 3.0], [-20.0, 15.0], [2.0, -2.0], [25.0, 0.0]] as [$n, $e]) {
            $found = self::searched(DotSearch::begin(new Position($n, $e, 4.6), MarkedOn::Slab, $axis, new Tolerance(self::FINE, 1.0), 60), $hit);
            self::assertTrue($found->isThere(), "$n $e");
            self::assertEqualsWithDelta([$n, $e, $slab($n, $e)], [$found->hit?->northing, $found->hit?->easting, $found->hit?->elevation], 2e-5);
        }
    }

    public function test_within_two_millimetres_on_a_slab_uneven_by_centimetres_within_a_few_tries(): void
    {
        $axis = new Position(0, 0, 6.2);
        $hit = fn (Position $aim) => self::onPlane($axis, $aim, -1 / 100, 1 / 100, 4.63);
        $found = self::searched(DotSearch::begin(new Position(18, 9, 4.6), MarkedOn::Slab, $axis, new Tolerance(0.002, 1.0)), $hit);
        self::assertTrue($found->isThere());
        self::assertLessThanOrEqual(5, $found->tries);
        self::assertNull($found->miss()?->height, 'the height of a slab does not count');
    }

    /** Of a wall the design has the place along it and the height; how far off it stands, and that it leans, is found. */
    public function test_on_a_leaning_wall_it_ends_at_the_designed_place_along_and_height(): void
    {
        $axis = new Position(0, 0, 1.6);
        // The wall runs east at north = 20.1, leaning out by 3 in 100: north = 20.1 + 0.03 (z - 1).
        $hit = static function (Position $aim) use ($axis): Position {
            [$dn, $de, $dz] = [$aim->northing, $aim->easting, $aim->elevation - $axis->elevation];
            $t = (20.1 + 0.03 * ($axis->elevation - 1)) / ($dn - 0.03 * $dz);

            return new Position($t * $dn, $t * $de, $axis->elevation + $t * $dz);
        };
        $design = new Position(20.0, 11.0, 3.4);
        $found = self::searched(DotSearch::begin($design, MarkedOn::Wall, $axis, new Tolerance(self::FINE, self::FINE), 40, M_PI_2), $hit);
        self::assertTrue($found->isThere());
        self::assertEqualsWithDelta([20.1 + 0.03 * 2.4, 11.0, 3.4], [$found->hit?->northing, $found->hit?->easting, $found->hit?->elevation], 2e-5);
        self::assertGreaterThan(0.1, $found->miss()?->depth);
        self::assertEqualsWithDelta(0.1 + 0.03 * 2.4, $found->miss()->moved, 1e-5);
    }

    /** Nobody said how the wall runs: two hits tell it, however aslant the beam meets it, and the mark lies square to the wall from its design. */
    public function test_a_wall_seen_aslant_is_found_by_two_hits(): void
    {
        $axis = new Position(520.0, 1005.0, 101.5);
        // The wall runs north at easting 999.8, 0.2 m behind the design.
        $hit = static function (Position $aim) use ($axis): Position {
            $t = (999.8 - $axis->easting) / ($aim->easting - $axis->easting);

            return new Position($axis->northing + $t * ($aim->northing - $axis->northing), 999.8, $axis->elevation + $t * ($aim->elevation - $axis->elevation));
        };
        $search = DotSearch::begin(new Position(502.0, 1000.0, 101.2), MarkedOn::Wall, $axis, new Tolerance(0.001, 0.001), 20);
        self::assertFalse($search->hits($hit($search->aim()))->isThere(), 'one hit tells nothing of how the wall runs');
        $found = self::searched($search, $hit);
        self::assertTrue($found->isThere());
        self::assertLessThanOrEqual(8, $found->tries);
        self::assertEqualsWithDelta([502.0, 999.8, 101.2], [$found->hit?->northing, $found->hit?->easting, $found->hit?->elevation], 1.5e-3);
        self::assertEqualsWithDelta([0.2, 0.0], [$found->miss()?->moved, sin((float) $found->miss()?->wall)], 1e-3);
    }

    /** One end of a line from wall to wall is marked where the wall cuts that line, not square to the wall. */
    public function test_of_a_pair_its_own_line_is_cut_with_the_wall(): void
    {
        $wall = new OnWall(0.0, M_PI_4);
        $moved = $wall->moved(new Position(10.0, 5.0, 2.0), new Position(3.0, 5.3, 0.0));
        self::assertEqualsWithDelta([10.3, 5.3, 2.0], [$moved->northing, $moved->easting, $moved->elevation], 1e-9);
        $square = (new OnWall(0.0, 0.05))->moved(new Position(10.0, 5.0, 2.0), new Position(3.0, 5.3, 0.0));
        self::assertEqualsWithDelta([10.0, 5.3], [$square->northing, $square->easting], 1e-9, 'a line that runs along the wall is not cut with it');
    }

    /** A ramp of 5 or 12 in 100, uneven by millimetres, in every direction, of which nothing is known but where the instrument stands. */
    public function test_the_slope_from_the_last_hits_leads_up_and_down_a_ramp(): void
    {
        mt_srand(7);
        foreach ([0.05, 0.12] as $steep) {
            $there = 0;
            for ($i = 0; $i < 60; $i++) {
                $way = 2 * M_PI * $i / 60;
                [$a, $b] = [$steep * cos($way), $steep * sin($way)];
                $axis = new Position(0.0, 0.0, 101.5);
                $azimuth = 2 * M_PI * mt_rand() / mt_getrandmax();
                $search = DotSearch::begin(new Position(20 * cos($azimuth), 20 * sin($azimuth)), MarkedOn::Slab, $axis, new Tolerance(0.005, 0.01));
                while (! $search->isThere() && ! $search->isUsedUp() && ! $search->isDull() && ! $search->isBlocked() && ! $search->isDoubted()) {
                    $rough = self::onPlane($axis, $search->aim(), $a, $b, 100.0);
                    $hit = self::onPlane($axis, $search->aim(), $a, $b, 100.0 + 0.002 * sin($rough->northing / 0.7) * cos($rough->easting / 0.9));
                    $away = ($hit->northing * $search->aim()->northing + $hit->easting * $search->aim()->easting) / hypot($search->aim()->northing, $search->aim()->easting);
                    // Above the ramp, or too far, nothing comes back.
                    $search = $away <= 0.0 || $away > 120.0 ? $search->noReturn() : $search->hits($hit);
                }
                $there += $search->isThere() ? 1 : 0;
            }
            self::assertGreaterThanOrEqual(57, $there, "$steep");
        }
    }

    /** A wet floor that mirrors gives a hit metres below it: it is no floor, not for this dot nor for the next. */
    public function test_a_hit_where_no_floor_can_be_is_doubted(): void
    {
        $axis = new Position(0.0, 0.0, 101.5);
        $design = new Position(8.0, 3.0, 100.0);
        $mirrored = new Position(8.0, 3.0, 97.4);
        $search = DotSearch::begin($design, MarkedOn::Slab, $axis, new Tolerance(0.005, 0.01));
        foreach ([false, false, true] as $doubted) {
            $search = $search->hits($mirrored);
            self::assertFalse($search->isThere());
            self::assertSame($doubted, $search->isDoubted());
        }
        self::assertEqualsWithDelta(-2.6, $search->leap, 1e-9);
        // Beside it the floor itself comes back.
        $again = DotSearch::begin($design, MarkedOn::Slab, $axis, new Tolerance(0.005, 0.01))->hits($mirrored);
        self::assertTrue(self::searched($again, static fn (Position $aim) => self::onPlane($axis, $aim, 0.0, 0.0, 100.0))->isThere());
        // The floor was hit four metres away: no step of 1.2 m is expected here, a ramp is.
        $next = DotSearch::begin($design->at(null), MarkedOn::Slab, $axis, new Tolerance(0.005, 0.01), hitBefore: new Position(8.0, 7.0, 100.02));
        self::assertNull($next->hits(new Position(8.0, 3.0, 98.8))->hit);
        self::assertNotNull($next->hits(new Position(8.0, 3.0, 99.6))->hit);
    }

    public function test_on_the_ray_whatever_is_hit_first_is_marked(): void
    {
        $axis = new Position(10, 10, 2.0);
        $design = new Position(40, 50, 7.0);
        $part = static fn (float $t) => new Position(10 + 30 * $t, 10 + 40 * $t, 2 + 5 * $t);
        $found = DotSearch::begin($design, MarkedOn::Ray, $axis, new Tolerance(0.002, 0.002))->hits($part(0.6));
        self::assertTrue($found->isThere());
        self::assertEqualsWithDelta(-20.0, $found->miss()?->depth, 1e-9);
        $beside = $found->hits(new Position(28 - 0.008, 34 + 0.006, 5.03));
        self::assertEqualsWithDelta([0.01, 0.03], [$beside->miss()?->plan, $beside->miss()?->height], 1e-6);
        self::assertFalse($beside->isThere());
    }

    public function test_an_anchor_of_the_ceiling_marked_on_the_floor_is_looked_for_on_the_floor(): void
    {
        $axis = new Position(0, 0, 6.2);
        $high = DotSearch::begin(new Position(5, 5, 12.0), MarkedOn::Slab, $axis, new Tolerance(0.002, 0.002), surface: 4.6);
        self::assertSame(4.6, $high->aim()->elevation);
        self::assertSame(4.62, $high->hits(new Position(5.1, 5.0, 4.62))->aim()->elevation);
        // Where neither is known, a man's height under the instrument.
        self::assertEqualsWithDelta(4.7, DotSearch::begin(new Position(5, 5), MarkedOn::Slab, $axis, new Tolerance(0.002, 0.002))->aim()->elevation, 1e-9);
    }

    public function test_tries_are_counted_and_used_up_and_a_wall_needs_a_height(): void
    {
        $search = DotSearch::begin(new Position(5, 5, 1), MarkedOn::Slab, new Position(0, 0, 2), new Tolerance(0.001, 0.001), 2);
        self::assertNull($search->miss());
        self::assertFalse($search->isThere());
        $search = $search->hits(new Position(5.2, 5, 1));
        self::assertFalse($search->isUsedUp());
        self::assertTrue($search->hits(new Position(5.1, 5, 1))->isUsedUp());
        $this->expectException(\DomainException::class);
        $this->expectExceptionMessage('needs a height');
        DotSearch::begin(new Position(5, 5), MarkedOn::Wall, new Position(0, 0, 2), new Tolerance(0.001, 0.001));
    }

    public function test_a_wall_in_the_way_is_told_from_a_floor_that_is_hard_to_meet(): void
    {
        $axis = new Position(0, 0, 6.2);
        // Behind a wall at north = 8, whatever is aimed at.
        $wall = static fn (Position $aim) => new Position(8.0, 8.0 * $aim->easting / $aim->northing, 5.2);
        $search = DotSearch::begin(new Position(20, 4, 4.6), MarkedOn::Slab, $axis, new Tolerance(0.002, 0.002));
        foreach ([false, false, true] as $blocked) {
            $search = $search->hits($wall($search->aim()));
            self::assertSame($blocked, $search->isBlocked());
        }
        $floor = fn (Position $aim) => self::onPlane($axis, $aim, -1 / 25, 0.0, 4.3);
        $search = DotSearch::begin(new Position(24, 4, 4.6), MarkedOn::Slab, $axis, new Tolerance(0.002, 0.002));
        for ($i = 0; $i < 8; $i++) {
            $search = $search->hits($floor($search->aim()));
            self::assertFalse($search->isBlocked(), "try $i");
        }
    }

    public function test_a_puddle_beside_the_design_is_looked_past_and_one_on_it_is_given_up(): void
    {
        $axis = new Position(0, 0, 6.2);
        $design = new Position(15.0, 0.0, 4.75);
        // The floor lies 150 mm under the design: the first beam lands beyond it, in a puddle.
        $floor = static fn (DotSearch $s): Position => self::onPlane($axis, $s->aim(), 0.0, 0.0, 4.6);
        $played = static function (float $puddle) use ($axis, $design, $floor): DotSearch {
            $search = DotSearch::begin($design, MarkedOn::Slab, $axis, new Tolerance(0.002, 0.002));
            while (! $search->isThere() && ! $search->isDull() && ! $search->isUsedUp()) {
                $hit = $floor($search);
                $search = abs($hit->northing - $puddle) < 0.15 ? $search->noReturn() : $search->hits($hit);
            }

            return $search;
        };
        $beyond = $floor(DotSearch::begin($design, MarkedOn::Slab, $axis, new Tolerance(0.002, 0.002)))->northing;
        self::assertGreaterThan(15.5, $beyond);
        self::assertTrue($played($beyond)->isThere());
        $dull = $played(15.0);
        self::assertTrue($dull->isDull());
        self::assertFalse($dull->isThere());
    }

    /** @param  callable(Position): Position  $hit */
    private static function searched(DotSearch $search, callable $hit): DotSearch
    {
        while (! $search->isThere() && ! $search->isUsedUp()) {
            $search = $search->hits($hit($search->aim()));
        }

        return $search;
    }

    /** Where the beam meets the plane z = z0 + a n + b e. */
    private static function onPlane(Position $axis, Position $aim, float $a, float $b, float $z0): Position
    {
        [$dn, $de, $dz] = [$aim->northing - $axis->northing, $aim->easting - $axis->easting, $aim->elevation - $axis->elevation];
        $t = ($z0 + $a * $axis->northing + $b * $axis->easting - $axis->elevation) / ($dz - $a * $dn - $b * $de);

        return new Position($axis->northing + $t * $dn, $axis->easting + $t * $de, $axis->elevation + $t * $dz);
    }
}
