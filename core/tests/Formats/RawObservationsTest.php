<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Formats;

use Parlay\Core\Formats\RawText\RawObservations;
use Parlay\Core\Units\AngleStyle;
use Parlay\Core\Units\LengthStyle;
use PHPUnit\Framework\TestCase;

final class RawObservationsTest extends TestCase
{
    public function test_headings_stand_in_any_order_and_decimal_commas_are_read(): void
    {
        $read = self::read("\xEF\xBB\xBFV;Point;SD;Hz;TH\r\n90 15 00;„Süd 1“;12,345;359 59 59;1,8\r\n\r\n# a remark\r\n89,5;A;;10,5;\r\n");
        self::assertSame([], $read->problems);
        self::assertSame(['„Süd 1“', 'A'], array_map(static fn ($r) => $r->name, $read->rows));
        self::assertEqualsWithDelta([deg2rad(359 + 59 / 60 + 59 / 3600), deg2rad(90.25), 12.345, 1.8], [
            $read->rows[0]->reading->circle, $read->rows[0]->reading->zenith, $read->rows[0]->reading->slope,
            $read->rows[0]->targetHeight,
        ], 1e-9);
        self::assertSame([0.0, null, 5], [$read->rows[1]->reading->slope, $read->rows[1]->targetHeight, $read->rows[1]->line]);
    }

    public function test_without_headings_the_usual_order_counts(): void
    {
        $read = self::read("A,10.5,90.0,50.0\nB\t20.5\t91.0\t60.0\t2.0");
        self::assertSame([], $read->problems);
        self::assertSame([50.0, 60.0], array_map(static fn ($r) => $r->reading->slope, $read->rows));
    }

    public function test_what_cannot_be_read_is_told_with_its_line_and_the_rest_is_kept(): void
    {
        $read = self::read("A;10;90;5\nB;x;90;5\nC;10;0;5\n;10;90;5\nD;10;90;-5\nE;10;90\nF;10;270;5");
        self::assertSame(['A', 'E', 'F'], array_map(static fn ($r) => $r->name, $read->rows));
        foreach (['Line 2: ', 'Line 3: “0” can’t be a zenith angle', 'Line 4: a name', 'Line 5: '] as $i => $begins) {
            self::assertStringStartsWith($begins, $read->problems[$i]);
        }
    }

    public function test_an_endless_file_is_read_no_farther_than_its_first_lines(): void
    {
        $read = self::read(str_repeat("A;10;90;5\n", 5000));
        self::assertCount(2000, $read->rows);
        self::assertStringContainsString('only the first 2,000', $read->problems[0]);
        self::assertSame([], self::read('')->rows);
    }

    private static function read(string $text): RawObservations
    {
        return RawObservations::read($text, AngleStyle::DegreesMinutesSeconds, LengthStyle::Metres);
    }
}
