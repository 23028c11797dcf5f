<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Units;

use Parlay\Core\Units\AngleStyle;
use Parlay\Core\Units\DirectionStyle;
use Parlay\Core\Units\LengthStyle;
use Parlay\Core\Units\LengthUnit;
use Parlay\Core\Units\Side;
use Parlay\Core\Units\StationStyle;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The browser is held to the same table. */
final class FiguresTest extends TestCase
{
    #[DataProvider('figures')]
    public function test_a_figure_is_written_as_the_table_says(string $kind, array $example): void
    {
        $written = match ($kind) {
            'lengths' => LengthStyle::from($example['style'])->format($example['metres']),
            'deviations' => LengthStyle::from($example['style'])->formatDeviation($example['metres']),
            'judged' => LengthStyle::from($example['style'])->formatJudged($example['metres'], $example['tolerance'], $example['out']),
            'angles' => AngleStyle::from($example['style'])->format($example['radians']),
            'smallAngles' => AngleStyle::from($example['style'])->formatSmall($example['radians']),
            'sidedLengths' => Side::from($example['side'])->length($example['metres'], LengthStyle::from($example['style'])),
            'sidedAngles' => Side::from($example['side'])->angle($example['radians'], AngleStyle::from($example['style'])),
            'directions' => DirectionStyle::from($example['direction'])->format($example['azimuth'], AngleStyle::from($example['angle'])),
        };
        self::assertSame($example['text'], $written);
    }

    public function test_what_was_judged_has_its_side_in_a_word_and_no_sign(): void
    {
        self::assertSame('5.0 mm left of it', Side::Line->judged(-0.005, 0.01, false, LengthStyle::Metres));
        self::assertSame('5.0 mm right of it', Side::Line->judged(0.005, 0.01, false, LengthStyle::Metres));
    }

    public static function figures(): iterable
    {
        foreach (json_decode((string) file_get_contents(__DIR__.'/../tables/figures.json'), true) as $kind => $examples) {
            foreach ($examples as $i => $example) {
                yield "$kind $i: {$example['text']}" => [$kind, $example];
            }
        }
    }

    /** NIST SP 811, appendix B.6: the international foot is 0.3048 m exactly, the US survey foot 1200/3937 m. */
    public function test_feet_are_those_of_the_standard(): void
    {
        self::assertSame(0.3048, LengthUnit::Foot->metres());
        self::assertSame(1200 / 3937, LengthUnit::UsFoot->metres());
        // Two parts per million: 2 ft in a coordinate of a million.
        self::assertEqualsWithDelta(2.0, 1e6 * (LengthUnit::UsFoot->metres() / LengthUnit::Foot->metres() - 1), 1e-5);
    }

    public function test_stations_are_written_in_both_ways(): void
    {
        self::assertSame('1+234.567', StationStyle::Thousands->format(1234.567, LengthUnit::Metre));
        self::assertSame('0+005.000', StationStyle::Thousands->format(5.0, LengthUnit::Metre));
        self::assertSame('12+34.56', StationStyle::Hundreds->format(1234.56 * 0.3048, LengthUnit::Foot));
        self::assertSame('-0+05.00', StationStyle::Hundreds->format(-5 * 0.3048, LengthUnit::Foot));
        self::assertSame('1+000.000', StationStyle::Thousands->format(999.9999, LengthUnit::Metre));
        self::assertSame(['0+000.000', '0+000.000', '-0+000.001', '-1+000.500', '0+000.500', '-0+000.500'], array_map(
            static fn (float $m) => StationStyle::Thousands->format($m, LengthUnit::Metre), [0.0, -0.0004, -0.0006, -1000.5, 0.5, -0.5],
        ), 'what rounds to nothing is not below it');
    }
}
