<?php

declare(strict_types=1);

namespace Parlay\Words\Tests;

use Parlay\Core\Control\ElevationDoubt;
use Parlay\Core\Units\LengthStyle;
use Parlay\Words\ElevationDoubts;
use PHPUnit\Framework\TestCase;

final class ElevationDoubtsTest extends TestCase
{
    public function test_it_is_said_in_the_units_of_the_project(): void
    {
        $low = ElevationDoubt::of(0.0, [98.2, 101.0]) ?? self::fail('It is far.');
        $high = ElevationDoubt::of(500.0, [98.2]) ?? self::fail('It is far.');
        self::assertStringStartsWith('Its elevation, 0.000 m, lies 98.200 m below the lowest control: ', ElevationDoubts::sentence($low, LengthStyle::Metres));
        self::assertStringStartsWith('Its elevation, 500.000 m, lies 401.800 m above the highest control: ', ElevationDoubts::sentence($high, LengthStyle::Metres));
        self::assertStringContainsString(LengthStyle::FeetInches8->format(98.2).' below', ElevationDoubts::sentence($low, LengthStyle::FeetInches8));
    }
}
