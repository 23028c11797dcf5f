<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Stakeout;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Setups\ShotSpread;
use Parlay\Core\Stakeout\TwiceMeasured;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\TestCase;

/** One place from two setups, against weighted least squares by numpy and against simulated days. */
final class TwiceMeasuredTest extends TestCase
{
    public function test_the_mean_and_its_uncertainty_are_those_of_least_squares(): void
    {
        $a = new ShotSpread(9e-6, 2e-6, 1e-6, 4e-6, -5e-7, 2e-6);
        $b = new ShotSpread(2e-6, -1e-6, 2e-7, 1.6e-5, 1e-6, 6e-6);
        foreach ([[10.0, 10.0031], [null, 10.0]] as [$h1, $h2]) {
            $both = TwiceMeasured::of(new Position(5e6, 3e6, $h1), $a, new Position(5e6 + 0.004, 3e6 - 0.002, $h2), $b);
            [$mean, $cov] = Reference::python(<<<'PY'
                import numpy as np
                n = 3 if input[0] else 2
                f = lambda s: np.array([[s[0],s[1],s[2]],[s[1],s[3],s[4]],[s[2],s[4],s[5]]])[:n,:n]
                A, B = np.linalg.inv(f([9e-6,2e-6,1e-6,4e-6,-5e-7,2e-6])), np.linalg.inv(f([2e-6,-1e-6,2e-7,1.6e-5,1e-6,6e-6]))
                x, y = np.array([0,0,0.0])[:n], np.array([0.004,-0.002,0.0031])[:n]
                print(json.dumps([np.linalg.solve(A+B, A@x+B@y).tolist(), np.linalg.inv(A+B).tolist()]))
                PY, [$h1 !== null]);
            self::assertEqualsWithDelta(array_slice($mean, 0, 2), [$both->mean->northing - 5e6, $both->mean->easting - 3e6], 1e-8);
            self::assertEqualsWithDelta([$cov[0][0], $cov[0][1], $cov[1][1]], [$both->meanSpread->nn, $both->meanSpread->ne, $both->meanSpread->ee], 1e-15);
            self::assertSame($h1 === null, $both->mean->elevation === null);
            self::assertSame($h1 === null, $both->expectedHeight === null);
            if ($h1 !== null) {
                self::assertEqualsWithDelta($mean[2], $both->mean->elevation - 10.0, 1e-9);
                self::assertEqualsWithDelta(1.96 * sqrt(8e-6), $both->expectedHeight, 1e-6);
            }
        }
    }

    public function test_what_both_let_expect_is_said_not_to_agree_once_in_a_hundred_days_and_a_moved_mark_is_seen(): void
    {
        mt_srand(8);
        $normal = static fn (): float => sqrt(-2 * log(max(1e-12, mt_rand() / mt_getrandmax()))) * cos(2 * M_PI * mt_rand() / mt_getrandmax());
        $a = new ShotSpread(9e-6, 0.0, 0.0, 4e-6, 0.0, 2e-6);
        $b = new ShotSpread(2e-6, 0.0, 0.0, 1.6e-5, 0.0, 6e-6);
        $day = static function (float $moved) use ($normal, $a, $b): bool {
            $shot = static fn (ShotSpread $s, float $n): Position => new Position($n + sqrt($s->nn) * $normal(), sqrt($s->ee) * $normal(), sqrt($s->hh) * $normal());

            return TwiceMeasured::of($shot($a, 0.0), $a, $shot($b, $moved), $b)->agrees;
        };
        $disagree = static fn (float $moved): int => count(array_filter(range(1, 4000), static fn (): bool => ! $day($moved)));
        self::assertEqualsWithDelta(40, $disagree(0.0), 19, 'of 4,000');
        self::assertGreaterThan(3900, $disagree(0.02));
    }
}
