<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Points;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Points\Findings\FindingKind;
use Parlay\Core\Points\Findings\Surroundings;
use Parlay\Core\Points\Findings\TypedMark;
use Parlay\Core\Points\PointRow;
use Parlay\Core\Units\LengthUnit;
use PHPUnit\Framework\TestCase;

/** Control that is typed is looked over as a list is. */
final class TypedMarkTest extends TestCase
{
    /** @return list<PointRow> */
    private static function others(): array
    {
        return array_map(static fn (int $i) => new PointRow(
            $i + 1, "CP$i", new Position(61_180.0 + 40 * $i, 41_250.0 + 25 * ($i % 3), 4.0 + $i / 10), '', '', (string) (61_180 + 40 * $i), (string) (41_250 + 25 * ($i % 3)),
        ), range(0, 5));
    }

    private static function typed(float $n, float $e, ?float $z): TypedMark
    {
        return TypedMark::examine('CP9', new Position($n, $e, $z), self::others(), new Surroundings, LengthUnit::Metre);
    }

    public function test_among_the_others_nothing_is_doubted(): void
    {
        self::assertFalse(self::typed(61_300.0, 41_290.0, 4.2)->isDoubtful());
        self::assertFalse(TypedMark::examine('A', new Position(0, 0), [], new Surroundings, LengthUnit::Metre)->isDoubtful(), 'the first of a project');
    }

    public function test_far_off_without_an_elevation_exchanged_or_with_a_slipped_digit_is_doubted(): void
    {
        self::assertEqualsWithDelta(60_000.0, self::typed(121_380.0, 41_260.0, 4.2)->away ?? 0.0, 60.0);
        self::assertTrue(self::typed(61_300.0, 41_290.0, null)->noElevation);
        self::assertSame(FindingKind::RowExchanged, self::typed(41_260.0, 61_300.0, 4.2)->findings[0]->kind ?? null);
        self::assertSame(FindingKind::Digit, self::typed(613_000.0, 41_260.0, 4.2)->findings[0]->kind ?? null);
        self::assertSame(FindingKind::TwoNamesOnePlace, self::typed(61_220.0, 41_275.0, 4.1)->findings[0]->kind ?? null);
    }
}
