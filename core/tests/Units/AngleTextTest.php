<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Units;

use Parlay\Core\Units\AngleStyle;
use Parlay\Core\Units\AngleText;
use Parlay\Core\Units\DirectionStyle;
use Parlay\Core\Units\UnreadableText;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class AngleTextTest extends TestCase
{
    /** @return iterable<string, array{string, AngleStyle, float}> degrees */
    public static function directions(): iterable
    {
        $dms = AngleStyle::DegreesMinutesSeconds;
        foreach ([
            '45.5' => 45.5, '45,5' => 45.5, '45 30 15' => 45.504166666666667,
            '45-30-15' => 45.504166666666667, '45°30′15″' => 45.504166666666667, '45°30\'15.5"' => 45.504305555555556,
            'N45-30-15E' => 45.504166666666667, 'n 45 30 15 w' => 314.495833333333333,
            'S 10 W' => 190.0, 'S0E' => 180.0, 'N90W' => 270.0, 'E' => 90.0, 'N' => 0.0, 'W + 10' => 280.0,
            '45 30 + 90' => 135.5, '10 - 20' => 350.0, '350 + 20 30' => 10.5, '360' => 0.0, '-10' => 350.0,
            '0' => 0.0, '.5' => 0.5, '100 gon' => 90.0, '50g' => 45.0, 'N45E + 90' => 135.0, '359 59 59.99' => 359.99999722222222,
        ] as $text => $degrees) {
            yield "$text" => [(string) $text, $dms, $degrees];
        }
        yield 'a bare number in gon' => ['100', AngleStyle::Gon, 90.0];
        yield 'a bearing in gon' => ['N50E', AngleStyle::Gon, 45.0];
        yield 'degrees in a gon project' => ['45 30 00', AngleStyle::Gon, 45.5];
        // A mark or a word says what it is, in any project: 45° is no gon, and 30' are no degrees.
        foreach (['45°' => 45.0, '45 deg' => 45.0, 'N 45° E' => 45.0, 'N 45 deg E' => 45.0, '50 + 45°' => 90.0, '30\'' => 0.5, '15"' => 15 / 3600, '45°30' => 45.5, '45° 30.5\'' => 45
            + 30.5 / 60, '12 30\'' => 12.5, '45°-30\'-15"' => 45 + 30 / 60 + 15 / 3600, '45° - 30°' => 15.0, '45° + 30\'' => 45.5,
            '45 deg 30 min 15 sec' => 45 + 30 / 60 + 15 / 3600, '45d30m15s' => 45 + 30 / 60 + 15 / 3600,
            'S0°E' => 180.0, 'N45°30\'E' => 45.5, 'S 12° 30 W' => 192.5, 'W - 10°' => 260.0] as $text => $degrees) {
            yield "marked: $text" => [(string) $text, AngleStyle::Gon, $degrees];
        }
    }

    #[DataProvider('directions')]
    public function test_a_direction_is_read_as_it_is_written_in_the_trade(string $text, AngleStyle $style, float $degrees): void
    {
        self::assertEqualsWithDelta(deg2rad($degrees), AngleText::direction($text, $style), 1e-12);
    }

    /** @return iterable<string, array{string}> */
    public static function nonsense(): iterable
    {
        foreach ([
            '', 'north', '45 60 00', '45 30 60', '45.5 30', '1 2 3 4', 'N100E', 'N-5E', '5 5 gon', '45 30 +', '1e5', 'NE', '45..5',
            '45°60\'', '45°30\'60"', '45\'30°', '45°15"', '10°20°', '45°30\'15"7', '7 45°', '7\'45°30',
        ] as $text) {
            yield "“{$text}”" => [$text];
        }
    }

    #[DataProvider('nonsense')]
    public function test_what_is_no_direction_is_refused(string $text): void
    {
        $this->expectException(UnreadableText::class);
        AngleText::direction($text, AngleStyle::DegreesMinutesSeconds);
    }

    public function test_what_is_written_is_read_back(): void
    {
        mt_srand(4);
        foreach (AngleStyle::cases() as $angle) {
            foreach (DirectionStyle::cases() as $direction) {
                for ($i = 0; $i < 300; $i++) {
                    $azimuth = deg2rad(round(mt_rand(0, 1_295_999)) / 3600);
                    $text = $direction->format($azimuth, $angle);
                    self::assertEqualsWithDelta(0.0, sin(AngleText::direction($text, $angle) - $azimuth), 1.1e-6, $text);
                }
            }
        }
    }

    public function test_an_angle_keeps_its_sign(): void
    {
        self::assertEqualsWithDelta(-M_PI_2, AngleText::angle('-90', AngleStyle::DecimalDegrees), 1e-15);
        self::assertEqualsWithDelta(M_PI, AngleText::angle('90 + 90', AngleStyle::DecimalDegrees), 1e-15);
    }
}
