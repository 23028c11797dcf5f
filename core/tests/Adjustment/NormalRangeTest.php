<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Adjustment;

use Parlay\Core\Adjustment\NormalRange;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\TestCase;

final class NormalRangeTest extends TestCase
{
    public function test_the_range_of_normal_deviations_is_that_of_scipy(): void
    {
        $counts = [2, 3, 4, 7, 20, 100, 1000];
        $there = Reference::python('from scipy.stats import studentized_range as r;import numpy as np;print(json.dumps([[float(r.ppf(p,n,np.inf)) for p in (0.5,0.95,0.99)] for n in input]))', $counts);
        foreach ($counts as $k => $n) {
            self::assertEqualsWithDelta($there[$k], array_map(static fn (float $p): float => NormalRange::quantile($n, $p), [0.5, 0.95, 0.99]), 2e-5, "of $n");
        }
        self::assertSame(0.0, NormalRange::below(5, 0.0));
        self::assertEqualsWithDelta(1.0, NormalRange::below(5, 30.0), 1e-9);
    }
}
