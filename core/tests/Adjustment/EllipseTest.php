<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Adjustment;

use Parlay\Core\Adjustment\Ellipse;
use Parlay\Core\Adjustment\ObservationGroup;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\TestCase;

final class EllipseTest extends TestCase
{
    /** The determinant of a block's covariance, which tells wider deviations from narrower ones, by numpy. */
    public function test_the_spread_of_a_block_is_its_determinant(): void
    {
        $cases = [[[4.0]], [[4.0, 1.0], [1.0, 2.5]], [[4.0, 1.0, -0.5], [1.0, 2.5, 0.3], [-0.5, 0.3, 1.2]]];
        $theirs = Reference::python('import numpy as np
print(json.dumps([float(np.linalg.det(np.array(c))) for c in input]))', $cases);
        self::assertEqualsWithDelta(
            $theirs, array_map(static fn (array $c): float => (new ObservationGroup([], [], $c))->spread(), $cases), 1e-12,
        );
    }

    /** √(2 F(0.95; 2, r)), F from scipy; F(0.95; 2, 5) = 5.786 stands in the NIST/SEMATECH e-Handbook, 1.3.6.7.3. */
    public function test_with_few_to_spare_an_ellipse_from_residuals_is_wider(): void
    {
        $spare = [1, 2, 3, 5, 10, 120];
        foreach (Reference::python(
            "from scipy.stats import f\nprint(json.dumps([float((2 * f.ppf(0.95, 2, r)) ** 0.5) for r in input]))", $spare,
        ) as $i => $factor) {
            self::assertEqualsWithDelta($factor, Ellipse::afterwards($spare[$i]), 1e-9 * $factor, "{$spare[$i]} to spare");
        }
        self::assertEqualsWithDelta(sqrt(2 * 5.786), Ellipse::afterwards(5), 1e-3);
        $ellipse = Ellipse::ninetyFive(4e-6, 1e-6, 0.0);
        self::assertEqualsWithDelta(
            [2 * $ellipse->major, 2 * $ellipse->minor, $ellipse->azimuth],
            [$ellipse->times(2)->major, $ellipse->times(2)->minor, $ellipse->times(2)->azimuth], 1e-15,
        );
        self::assertEqualsWithDelta([2.4477 * 0.002, 2.4477 * 0.001], [$ellipse->major, $ellipse->minor], 1e-6);
    }
}
