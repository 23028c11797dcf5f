<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Setups;

use Parlay\Core\Setups\FreeScale;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** A scale differs from the one in use beyond 1.96 of its deviation, to either side. */
final class FreeScaleTest extends TestCase
{
    #[TestWith([39.3, 20.0, true])]
    #[TestWith([39.1, 20.0, false])]
    #[TestWith([-39.3, 20.0, true])]
    #[TestWith([-39.1, 20.0, false])]
    #[TestWith([0.0, 20.0, false])]
    public function test_too_long_and_too_short_alike(float $ppm, float $deviation, bool $differs): void
    {
        self::assertSame($differs, (new FreeScale($ppm, $deviation))->differs());
    }
}
