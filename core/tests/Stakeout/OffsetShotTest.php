<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Stakeout;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Setups\ShotSpread;
use Parlay\Core\Stakeout\OffsetShot;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class OffsetShotTest extends TestCase
{
    /** @return list<array{list<float>, list<float>}> where the prism stands seen from 100, 200, and where 0.3 behind, 0.2 right and 0.1 above lies then */
    public static function ways(): array
    {
        return [
            [[10.0, 0.0], [10.3, 0.2]], [[0.0, 10.0], [-0.2, 10.3]], [[-10.0, 0.0], [-10.3, -0.2]], [[0.0, -10.0], [0.2, -10.3]],
            // Just either side of north.
            [[10.0, -1e-9], [10.3, 0.2]], [[6.0, 8.0], [6.0 + 0.3 * 0.6 - 0.2 * 0.8, 8.0 + 0.3 * 0.8 + 0.2 * 0.6]],
        ];
    }

    /**
     * @param  list<float>  $prism
     * @param  list<float>  $there
     */
    #[DataProvider('ways')]
    public function test_behind_right_and_above_are_as_seen_from_the_instrument(array $prism, array $there): void
    {
        $station = new Station(new Position(100.0, 200.0, 5.0), 4.0, 1.6);
        $at = (new OffsetShot(0.3, 0.2, 0.1))->from($station, new Position(100.0 + $prism[0], 200.0 + $prism[1], 7.0));
        self::assertEqualsWithDelta([100.0 + $there[0], 200.0 + $there[1], 7.1], [$at->northing, $at->easting, $at->elevation], 1e-8);
        $back = (new OffsetShot(-0.3, -0.2, -0.1))->from($station, new Position(100.0 + $prism[0], 200.0 + $prism[1], 7.0));
        self::assertEqualsWithDelta([2 * (100.0 + $prism[0]), 2 * (200.0 + $prism[1]), 14.0], [$at->northing + $back->northing, $at->easting + $back->easting, $at->elevation + $back->elevation], 1e-8);
    }

    public function test_what_has_no_height_gets_none_by_an_offset(): void
    {
        self::assertNull((new OffsetShot(0.3, 0.0, 0.5))->from(new Station(new Position(0.0, 0.0), 0.0, 0.0), new Position(5.0, 0.0))->elevation);
    }

    /** 40,000 tapes and eyes by numpy, each part for itself. */
    public function test_its_spread_is_that_of_simulated_tapes_and_eyes(): void
    {
        $station = new Station(new Position(0.0, 0.0, 0.0), 0.0, 1.5);
        $prism = new Position(30.0, 40.0, 2.0);
        $shot = new ShotSpread(9e-6, 1e-6, 0.0, 4e-6, 0.0, 2e-6);
        foreach ([[0.6, 0.0, 0.0], [0.3, -0.8, 0.2], [0.0, 0.0, 1.2]] as [$behind, $right, $up]) {
            $wide = (new OffsetShot($behind, $right, $up))->widen($shot, $station, $prism);
            $cov = Reference::python(<<<'PY'
                import numpy as np
                b,r,u=input; g=np.random.default_rng(2); n=40000; L=np.hypot(b,r)
                way=np.array([0.6,0.8]); side=np.array([-0.8,0.6])
                d=(b*way+r*side)/(L or 1)
                t=g.normal(0,0.002,n) if L else np.zeros(n)
                a=g.normal(0,np.pi/180,n)
                plan=g.multivariate_normal([0,0],[[9e-6,1e-6],[1e-6,4e-6]],n)+np.outer(t,d)+np.outer(L*a,[-d[1],d[0]])
                h=g.normal(0,np.sqrt(2e-6),n)+(g.normal(0,0.002,n) if u else 0)+L*g.normal(0,np.pi/180,n)
                print(json.dumps([np.cov(plan.T).tolist(),float(h.var())]))
                PY, [$behind, $right, $up]);
            self::assertEqualsWithDelta([1.0, 1.0, 1.0], [$wide->nn / $cov[0][0][0], $wide->ee / $cov[0][1][1], $wide->hh / $cov[1]], 0.03);
            self::assertEqualsWithDelta($cov[0][0][1], $wide->ne, 0.03 * sqrt($cov[0][0][0] * $cov[0][1][1]));
        }
        // In the weaker direction it is the larger root of what was added.
        [$offset, $zero] = [new OffsetShot(0.3, -0.8, 0.2), new ShotSpread(0.0, 0.0, 0.0, 0.0, 0.0, 0.0)];
        $added = $offset->widen($zero, $station, $prism);
        self::assertEqualsWithDelta(max(Reference::python('import numpy as np;print(json.dumps(np.linalg.eigvalsh(np.array(input)).tolist()))', [[$added->nn, $added->ne], [$added->ne, $added->ee]])), $offset->variance(), 1e-15);
        self::assertSame(0.0, (new OffsetShot(up: 1.2))->variance(), 'what is above is no farther off in plan');
        self::assertSame($shot, (new OffsetShot)->widen($shot, $station, $prism), 'on the prism nothing is taped');
    }

    public function test_what_nobody_tapes_is_refused(): void
    {
        foreach ([NAN, INF, 20.1, -20.1] as $length) {
            foreach (['behind', 'right', 'up'] as $part) {
                try {
                    new OffsetShot(...[$part => $length]);
                    self::fail("$part $length");
                } catch (\DomainException $e) {
                    self::assertStringContainsString('20 m', $e->getMessage());
                }
            }
        }
        self::assertFalse((new OffsetShot(up: -20.0))->isNone());
    }
}
