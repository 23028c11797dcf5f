<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Reports;

use Parlay\Core\Reports\Trend;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\TestCase;

final class TrendTest extends TestCase
{
    public function test_rates_are_those_of_numpy_and_the_limit_that_of_scipy(): void
    {
        $cases = Reference::python(<<<'PY'
            import numpy as np
            from scipy.stats import f
            r=np.random.default_rng(4); out=[]
            for n in [4,5,12,60]:
                for size in [0.0,0.02,0.1,1.0]:
                    for kind in ['turn','drift']:
                        x=r.uniform(0,50,(n,2))+[5e6,4e5]; t=r.uniform(0,8,n)+1.8e9/3600; d=r.normal(0,2,(n,2))
                        c=x-x.mean(0)
                        if kind=='turn':
                            d=d+size*np.c_[0.3*c[:,0]-c[:,1], 0.3*c[:,1]+c[:,0]]
                            A=np.zeros((2*n,4)); A[:n,0]=1; A[n:,1]=1; A[:n,2]=c[:,0]; A[n:,2]=c[:,1]; A[:n,3]=-c[:,1]; A[n:,3]=c[:,0]
                        else:
                            s=t-t.mean(); d=d+size*np.c_[4*s,-3*s]
                            A=np.zeros((2*n,4)); A[:n,0]=1; A[n:,1]=1; A[:n,2]=s; A[n:,3]=s
                        y=np.r_[d[:,0],d[:,1]]; p,res,_,_=np.linalg.lstsq(A,y,rcond=None); v=((y-A@p)**2).sum()/(2*n-4)
                        A0=A[:,:2]; v0=((y-A0@np.linalg.lstsq(A0,y,rcond=None)[0])**2).sum()
                        F=(v0-v*(2*n-4))/2/v
                        rows=np.c_[x,d] if kind=='turn' else np.c_[t,d]
                        out.append([kind,rows.tolist(),p[2:].tolist(),bool(F>f.ppf(0.99,2,2*n-4))])
            print(json.dumps(out))
            PY, null);
        foreach ($cases as $k => [$kind, $rows, [$real, $imaginary], $isMore]) {
            $t = $kind === 'turn' ? Trend::turnAndScale($rows) : Trend::drift($rows);
            self::assertEqualsWithDelta([$real, $imaginary], [$t?->real, $t?->imaginary], 1e-7, "case $k");
            self::assertSame($isMore, $t?->isMore, "case $k");
        }
        self::assertContains(true, array_column($cases, 3));
        self::assertContains(false, array_column($cases, 3));
    }

    /** Of 2,000 times ten marks that have nothing in common, about twenty are said to. */
    public function test_chance_is_taken_for_a_trend_once_in_a_hundred(): void
    {
        $all = Reference::python('import numpy as np;r=np.random.default_rng(6);print(json.dumps(np.concatenate([r.uniform(0,30,(2000,10,2)),r.normal(0,1,(2000,10,2))],axis=2).tolist()))', null);
        $said = count(array_filter($all, static fn (array $d): bool => Trend::turnAndScale($d)?->isMore === true));
        self::assertGreaterThan(8, $said);
        self::assertLessThan(36, $said);
    }

    public function test_a_turn_is_told_clockwise_and_a_scale_by_what_is_too_far_apart(): void
    {
        // A square about 100, 200, turned clockwise by a thousandth: what lies north goes east.
        $square = static fn (float $turn, float $scale): array => array_map(
            static fn (array $p): array => [100.0 + $p[0], 200.0 + $p[1], $scale * $p[0] - $turn * $p[1] + 0.001 * $p[2], $scale * $p[1] + $turn * $p[0]],
            [[10.0, 0.0, 1], [0.0, 10.0, -1], [-10.0, 0.0, 1], [0.0, -10.0, -1]],
        );
        $turned = Trend::turnAndScale($square(0.001, 0.0));
        self::assertEqualsWithDelta([0.0, 0.001], [$turned?->real, $turned?->imaginary], 1e-9);
        self::assertTrue($turned?->isMore);
        $larger = Trend::turnAndScale($square(0.0, 0.0005));
        self::assertEqualsWithDelta([0.0005, 0.0], [$larger?->real, $larger?->imaginary], 1e-9);
        self::assertFalse(Trend::turnAndScale($square(0.0, 0.00001))?->isMore);
    }

    public function test_of_few_of_one_time_and_of_one_place_nothing_is_said(): void
    {
        self::assertNull(Trend::drift([[0.0, 1.0, 1.0], [1.0, 2.0, 2.0], [2.0, 3.0, 3.0]]));
        self::assertNull(Trend::drift(array_fill(0, 6, [5.0, 1.0, 2.0])));
        self::assertNull(Trend::turnAndScale(array_fill(0, 6, [5e6, 4e5, 1.0, 2.0])));
        self::assertFalse(Trend::drift(array_map(static fn (int $i): array => [$i, 0.0, 0.0], range(0, 9)))?->isMore);
    }
}
