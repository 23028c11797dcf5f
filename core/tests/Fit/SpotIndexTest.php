<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Fit;

use Parlay\Core\Fit\FitKind;
use Parlay\Core\Fit\PointFit;
use Parlay\Core\Fit\Spot;
use Parlay\Core\Fit\SpotIndex;
use Parlay\Core\Geometry\Position;
use PHPUnit\Framework\TestCase;

/** The index against a search of all spots, and a fit's figures against those worked by hand. */
final class SpotIndexTest extends TestCase
{
    public function test_the_nearest_within_reach_is_found_as_by_looking_at_all(): void
    {
        mt_srand(71);
        $found = 0;
        foreach ([0.5, 2.0, 7.0] as $reach) {
            $spots = array_map(static fn (int $i) => new Spot(
                mt_rand(-20_000, 20_000) / 1000, mt_rand(-20_000, 20_000) / 1000, 'point', $i % 5 === 0 ? 'A' : '',
            ), range(1, 300));
            $index = new SpotIndex($spots, $reach);
            for ($i = 0; $i < 400; $i++) {
                [$x, $y] = [mt_rand(-21_000, 21_000) / 1000, mt_rand(-21_000, 21_000) / 1000];
                foreach (['', 'A'] as $label) {
                    $near = array_filter($spots, static fn (Spot $s) => hypot($s->x - $x, $s->y - $y) <= $reach);
                    // One with the label wanted comes before any other within reach.
                    usort($near, static fn (Spot $a, Spot $b) => [
                        $label !== '' && $a->label !== $label, hypot($a->x - $x, $a->y - $y),
                    ] <=> [$label !== '' && $b->label !== $label, hypot($b->x - $x, $b->y - $y)]);
                    self::assertSame($near[0] ?? null, $index->near($x, $y, $label));
                    $found += $near === [] ? 0 : 1;
                }
            }
        }
        self::assertGreaterThan(500, $found);
        self::assertNull((new SpotIndex([], 1.0))->near(0.0, 0.0));
    }

    /** Four corners of a square of 10 m, one of them 40 mm off: the shift is a quarter of it, and the rest is left. */
    public function test_a_shift_and_turn_leaves_what_is_worked_by_hand(): void
    {
        $square = [[0.0, 0.0], [10.0, 0.0], [10.0, 10.0], [0.0, 10.0]];
        $pairs = array_map(static fn (array $p) => [new Position(...$p), new Position($p[0] + 100.0, $p[1] + 200.0)], $square);
        $exact = PointFit::of($pairs, [true, true, true, true], FitKind::ShiftAndRotation);
        self::assertEqualsWithDelta(
            [0.0, 0.0, 1.0, 0.0], [$exact->deviation, max($exact->residuals), $exact->scale, sin((float) $exact->rotation)], 1e-9,
        );
        self::assertNull($exact->outlier);
        // Every second corner farther out by the same: neither shift, turn nor scale explains it, and all of it is left at each.
        $saddle = $pairs;
        foreach ([0.02, -0.02, 0.02, -0.02] as $i => $out) {
            $saddle[$i][1] = new Position($saddle[$i][1]->northing + $out, $saddle[$i][1]->easting);
        }
        $left = PointFit::of($saddle, [true, true, true, true], FitKind::WithScale);
        self::assertEqualsWithDelta([0.02, 0.02, 0.02, 0.02], $left->residuals, 1e-9);
        // Eight coordinates and four unknowns: four to spare; without a scale, five.
        self::assertEqualsWithDelta(sqrt(4 * 0.02 ** 2 / 4), $left->deviation, 1e-9);
        self::assertEqualsWithDelta(
            sqrt(4 * 0.02 ** 2 / 5), PointFit::of($saddle, [true, true, true, true], FitKind::ShiftAndRotation)->deviation, 1e-9,
        );
        self::assertNull($left->outlier, 'with each as bad as the others none is named');
        // A pair not used is shown with what is left, and counts for nothing.
        $pairs[3][1] = new Position($pairs[3][1]->northing + 0.5, $pairs[3][1]->easting);
        $three = PointFit::of($pairs, [true, true, true, false], FitKind::ShiftAndRotation);
        self::assertEqualsWithDelta([0.0, 0.5], [$three->deviation, $three->residuals[3]], 1e-9);
        self::assertSame(3, PointFit::of($pairs, [true, true, true, true], FitKind::ShiftAndRotation)->outlier);
        self::assertNull(
            PointFit::of(array_slice($pairs, 1), [true, true, true], FitKind::WithScale)->outlier,
            'of three with a scale none can be told',
        );
    }
}
