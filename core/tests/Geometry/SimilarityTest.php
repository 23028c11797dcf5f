<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Geometry;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Geometry\Similarity;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Placing by one point that is held and the direction to another; by hand, on Pythagoras' 3, 4, 5. */
final class SimilarityTest extends TestCase
{
    /** @return \Generator<string, array{float, float}> northing and easting of the site's origin */
    public static function origins(): \Generator
    {
        yield 'near' => [100.0, 200.0];
        yield 'in millions' => [5_400_000.0, 3_456_789.0];
    }

    #[DataProvider('origins')]
    public function test_the_held_point_is_exact_and_the_other_lies_in_its_direction_with_what_is_too_long_left_there(float $n, float $e): void
    {
        // In the drawing ten metres north; on site 9.98 m toward 4 north, 3 east.
        $held = [new Position(1.0, 2.0), new Position($n, $e)];
        $toward = [new Position(11.0, 2.0), new Position($n + 0.8 * 9.98, $e + 0.6 * 9.98)];
        $placed = Similarity::holding($held, $toward);
        self::assertNotNull($placed);
        $at = $placed->apply($held[0]);
        self::assertEqualsWithDelta([$n, $e], [$at->northing, $at->easting], 1e-9);
        $other = $placed->apply($toward[0]);
        self::assertEqualsWithDelta([8.0, 6.0], [$other->northing - $n, $other->easting - $e], 1e-8);
        self::assertEqualsWithDelta(0.02, $other->distanceTo($toward[1]), 1e-8);
        self::assertEqualsWithDelta([1.0, atan2(3, 4)], [$placed->scale(), $placed->rotation()], 1e-9);
    }

    public function test_one_place_gives_no_direction(): void
    {
        $a = new Position(1.0, 2.0);
        self::assertNull(Similarity::holding([$a, $a], [$a, new Position(5.0, 5.0)]));
        self::assertNull(Similarity::holding([$a, $a], [new Position(5.0, 5.0), $a]));
    }
}
