<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Setup;

use Parlay\Core\Adjustment\Ellipse;
use Parlay\Core\Setup\Resection;
use Parlay\Core\Setup\SightResidual;
use Parlay\Core\Tests\Reference;
use Parlay\Core\Tests\Setup\Why\Setups;
use PHPUnit\Framework\TestCase;

/** What a resection says of its own quality. */
final class QualityTest extends TestCase
{
    public function test_the_ellipse_is_that_of_the_covariance(): void
    {
        mt_srand(81);
        $cases = $ours = [];
        for ($i = 0; $i < 50; $i++) {
            [$a, $b, $t] = [mt_rand(1, 100) / 1e4, mt_rand(1, 100) / 1e4, mt_rand(0, 314) / 100];
            [$nn, $ee, $ne] = [($a * cos($t)) ** 2 + ($b * sin($t)) ** 2, ($a * sin($t)) ** 2 + ($b * cos($t)) ** 2, ($a ** 2 - $b ** 2) * sin($t) * cos($t)];
            $ellipse = Ellipse::ninetyFive($nn, $ee, $ne);
            $cases[] = [$nn, $ee, $ne];
            $ours[] = [$ellipse->major, $ellipse->minor];
            self::assertEqualsWithDelta(0.0, sin($ellipse->azimuth - ($a > $b ? $t : $t + M_PI_2)), $a === $b ? 1.0 : 1e-6);
        }
        $theirs = Reference::python("import numpy as np\nfrom scipy.stats import chi2\nk = np.sqrt(chi2.ppf(.95, 2))\nprint(json.dumps([[float(k * np.sqrt(max(0.0, v))) for v in np.linalg.eigvalsh([[n, c], [c, e]])[::-1]] for n, e, c in input]))", $cases);
        foreach ($theirs as $i => $axes) {
            self::assertEqualsWithDelta($axes, $ours[$i], 1e-6);
        }
    }

    public function test_the_ellipse_holds_the_true_place_in_ninety_five_of_a_hundred_setups(): void
    {
        $held = $passed = 0;
        for ($seed = 1; $seed <= 600; $seed++) {
            $setup = new Setups($seed);
            $solution = Resection::solve($setup->sights, 1.6, Setups::accuracy());
            $held += $solution->ellipse?->holds($setup->axis->northing - $solution->station->mark->northing, $setup->axis->easting - $solution->station->mark->easting) ? 1 : 0;
            $passed += $solution->passes ? 1 : 0;
        }
        self::assertGreaterThan(0.92 * 600, $held);
        self::assertLessThan(0.975 * 600, $held);
        self::assertGreaterThan(0.955 * 600, $passed);
    }

    public function test_redundancy_numbers_and_detectable_errors_are_those_of_numpy(): void
    {
        $setup = new Setups(7, 5);
        $solution = Resection::solve($setup->sights, 1.6, Setups::accuracy());
        $accuracy = Setups::accuracy();
        $rows = [];
        foreach ($setup->sights as $s) {
            $dn = $s->control->northing - $solution->station->mark->northing;
            $de = $s->control->easting - $solution->station->mark->easting;
            $d = hypot($dn, $de);
            $rows[] = [[$de / $d ** 2, -$dn / $d ** 2, -1.0], $accuracy->ofDirection($s->sight->distance)];
            $rows[] = [[-$dn / $d, -$de / $d, 0.0], $accuracy->ofDistance($s->sight->distance)];
        }
        $theirs = Reference::python("import numpy as np\nA = np.array([r[0] for r in input]); s = np.array([r[1] for r in input]); W = A / s[:, None]\nprint(json.dumps((1 - np.diag(W @ np.linalg.inv(W.T @ W) @ W.T)).tolist()))", $rows);
        self::assertEqualsWithDelta(7.0, array_sum($theirs), 1e-9, 'redundancy numbers sum to the redundancy');
        foreach ($solution->residuals as $i => $r) {
            self::assertEqualsWithDelta(min($theirs[2 * $i], $theirs[2 * $i + 1]), $r->checked, 1e-6);
            $known = $setup->sights[$i]->sight->distance;
            self::assertEqualsWithDelta(max(4.13 * $rows[2 * $i][1] / sqrt($theirs[2 * $i]) * $known, 4.13 * $rows[2 * $i + 1][1] / sqrt($theirs[2 * $i + 1])), $r->detectable, 2e-5);
        }
    }

    public function test_nothing_is_called_checked_that_has_nothing_to_spare(): void
    {
        $setup = new Setups(9, 5);
        $two = Resection::solve(array_slice($setup->sights, 0, 2), 1.6, Setups::accuracy());
        self::assertSame(1, $two->redundancy);
        self::assertLessThan(1.0, $two->residuals[0]->checked, 'one spare observation checks nothing fully');
        self::assertSame([null, null], array_map(static fn (SightResidual $r) => $r->moves, $two->residuals), 'one sight alone gives no place');
        $three = Resection::solve(array_slice($setup->sights, 0, 3), 1.6, Setups::accuracy());
        self::assertNotNull($three->residuals[0]->moves);
        self::assertGreaterThan($three->reachesTo(10.0), $three->reachesTo(200.0));
    }
}
