<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Reports;

use Parlay\Core\Reports\Scatter;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\TestCase;

final class ScatterTest extends TestCase
{
    public function test_mean_and_scatter_are_those_of_numpy_and_the_limit_that_of_scipy(): void
    {
        $cases = Reference::python(<<<'PY'
            import numpy as np
            from scipy.stats import f
            r=np.random.default_rng(3); out=[]
            for n in [3,4,10,60]:
                for shift in [0.0,0.6,1.2,3.0]:
                    d=r.normal(0,2,(n,2))+[shift,-shift/2]
                    m=d.mean(0); v=((d-m)**2).sum()/(2*(n-1))
                    out.append([d.tolist(),m.tolist(),float(np.sqrt(v)),bool(n*(m@m)/2/v>f.ppf(0.99,2,2*(n-1)))])
            print(json.dumps(out))
            PY, null);
        foreach ($cases as $k => [$deviations, [$north, $east], $spread, $shifted]) {
            $s = Scatter::of($deviations);
            self::assertEqualsWithDelta([$north, $east, $spread, hypot($north, $east)], [$s?->north, $s?->east, $s?->spread, $s?->shift()], 1e-12);
            self::assertSame($shifted, $s?->shifted, "case $k");
        }
        self::assertContains(true, array_column($cases, 3));
        self::assertContains(false, array_column($cases, 3));
    }

    /** Of 2,000 times ten marks that have nothing in common, about twenty are said to. */
    public function test_chance_is_taken_for_a_shift_once_in_a_hundred(): void
    {
        $all = Reference::python('import numpy as np;print(json.dumps(np.random.default_rng(8).normal(0,1,(2000,10,2)).tolist()))', null);
        $said = count(array_filter($all, static fn (array $d): bool => Scatter::of($d)?->shifted === true));
        self::assertGreaterThan(8, $said);
        self::assertLessThan(36, $said);
    }

    public function test_of_two_nothing_is_said_and_of_the_same_place_three_times_all_is_shift(): void
    {
        self::assertNull(Scatter::of([[1.0, 0.0], [1.0, 0.0]]));
        self::assertTrue(Scatter::of(array_fill(0, 3, [0.001, 0.0]))?->shifted);
        self::assertFalse(Scatter::of(array_fill(0, 3, [0.0, 0.0]))?->shifted);
    }
}
