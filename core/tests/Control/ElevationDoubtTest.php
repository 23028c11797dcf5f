<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Control;

use Parlay\Core\Control\ElevationDoubt;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ElevationDoubtTest extends TestCase
{
    /** @return \Generator<string, array{float|null, list<float>, float|null}> */
    public static function elevations(): \Generator
    {
        yield 'drawn without heights, on a site at 98 to 101' => [0.0, [98.2, 101.0], -98.2];
        yield 'drawn without heights, on a site below the sea' => [0.0, [-4.0, -2.5], 2.5];
        yield 'at 0, on a site about 0' => [0.0, [-1.0, 2.0], null];
        yield 'at 0, two metres below the control' => [0.0, [2.0], null];
        yield 'a little more than two' => [0.0, [2.001], -2.001];
        yield 'a cellar' => [90.0, [98.2], null];
        yield 'the deepest shaft' => [48.2, [98.2], null];
        yield 'below the deepest' => [48.1, [98.2], -50.1];
        yield 'the top of a mast' => [298.0, [98.2, 98.0], null];
        yield 'above it' => [298.3, [98.2, 98.0], 200.1];
        yield 'no elevation' => [null, [98.2], null];
        yield 'no control with one' => [0.0, [], null];
    }

    /** @param  list<float>  $control */
    #[DataProvider('elevations')]
    public function test_an_elevation_far_from_the_control_is_doubted(?float $elevation, array $control, ?float $beyond): void
    {
        $doubt = ElevationDoubt::of($elevation, $control);
        $beyond === null ? self::assertNull($doubt) : self::assertEqualsWithDelta($beyond, $doubt?->beyond, 1e-9);
    }
}
