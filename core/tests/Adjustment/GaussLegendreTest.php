<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Adjustment;

use Parlay\Core\Adjustment\GaussLegendre;
use PHPUnit\Framework\TestCase;

final class GaussLegendreTest extends TestCase
{
    public function test_spans_of_known_size(): void
    {
        self::assertEqualsWithDelta(2.0, GaussLegendre::sum(sin(...), 0.0, M_PI), 1e-14);
        self::assertEqualsWithDelta(M_E - 1, GaussLegendre::sum(exp(...), 0.0, 1.0), 1e-14);
        self::assertEqualsWithDelta(2 ** 64 / 64, GaussLegendre::sum(static fn (float $x): float => $x ** 63, 0.0, 2.0), 1e3, 'the degree up to which it is exact');
        self::assertEqualsWithDelta(-0.5, GaussLegendre::sum(static fn (float $x): float => $x, 1.0, 0.0), 1e-15, 'backward it is less than nothing');
        self::assertSame(0.0, GaussLegendre::sum(exp(...), 3.0, 3.0));
    }
}
