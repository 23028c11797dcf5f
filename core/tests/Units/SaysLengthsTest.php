<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Units;

use Parlay\Core\Civil\Alignments\NoAlignment;
use Parlay\Core\Civil\Surfaces\NoSurface;
use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Instrument\ImplausibleEntry;
use Parlay\Core\Units\LengthStyle;
use Parlay\Core\Units\SaysLengths;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Reasons say their lengths in metres, and in the units of a project where one is known. */
final class SaysLengthsTest extends TestCase
{
    #[DataProvider('reasons')]
    public function test_a_reason_says_its_lengths_as_a_project_writes_them(SaysLengths $why, string $metres, string $feet, string $inches): void
    {
        self::assertSame([$metres, $metres, $feet, $inches], [
            $why->getMessage(), $why->in(LengthStyle::Metres), $why->in(LengthStyle::Feet), $why->in(LengthStyle::FeetInches16),
        ]);
    }

    /** @return iterable<string, array{SaysLengths, string, string, string}> */
    public static function reasons(): iterable
    {
        $of = static fn (string $pattern, string ...$lengths): array => array_map(static fn (string $l): string => str_replace('#', $l, $pattern), array_values($lengths));
        yield 'a construction' => [NoConstruction::lineMisses(0.3048), ...$of('The line passes the circle: it misses by #.', '0.305 m', '1.000 ft', '1\' 0"')];
        yield 'one without a length' => [NoConstruction::parallel(), ...array_fill(0, 3, 'The two lines are parallel: they never meet.')];
        yield 'a corner' => [NoAlignment::cornerTooTight(2, 15.24, 3.048), ...$of('Corner 2 has no room: its curve needs #.', '15.240 m of tangent, and there are 3.048 m',
            '50.000 ft of tangent, and there are 10.000 ft', '50\' 0" of tangent, and there are 10\' 0"')];
        yield 'a slope' => [NoSurface::slopeMeetsNoGround(91.44), ...$of('The slope does not meet the ground within # of the hinge.', '91.440 m', '300.000 ft', '300\' 0"')];
        yield 'a height' => [ImplausibleEntry::height('A target height', 60.96), ...$of('A target height of #. Check the unit it was typed in.', '60.960 m is not between 0 and 6.000 m',
            '200.000 ft is not between 0 and 19.685 ft', '200\' 0" is not between 0 and 19\' 8 1/4"')];
    }
}
