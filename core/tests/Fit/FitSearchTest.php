<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Fit;

use Parlay\Core\Fit\ControlFit;
use Parlay\Core\Fit\FitSearch;
use Parlay\Core\Fit\Mark;
use Parlay\Core\Fit\Spot;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Units\LengthUnit;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class FitSearchTest extends TestCase
{
    /** A drawing of some hundred spots in which five of seven control points are drawn, a few millimetres off. */
    #[DataProvider('drawings')]
    public function test_the_way_in_which_a_drawing_fits_is_found(
        LengthUnit $unit,
        bool $exchanged,
        float $turn,
        float $east,
        float $north,
    ): void {
        foreach ([3, 17, 99] as $seed) {
            mt_srand($seed);
            $control = self::control();
            $fits = FitSearch::of($control, self::drawn($control, $unit, $exchanged, $turn, $east, $north));
            self::assertCount(1, $fits);
            self::assertSame([$unit, $exchanged, 5], [$fits[0]->unit, $fits[0]->exchanged, count($fits[0]->matches)]);
            self::assertLessThan(0.01, $fits[0]->rms());
            self::assertLessThan(0.05, $fits[0]->chance);
            self::assertEqualsWithDelta(
                [cos($turn), sin($turn)], [cos($fits[0]->placement->rotation()), sin($fits[0]->placement->rotation())], 1e-3,
            );
            self::assertTrue($fits[0]->holds());
            foreach ($fits[0]->matches as $m) {
                self::assertEqualsWithDelta(sqrt($m->dNorthing ** 2 + $m->dEasting ** 2), $m->residual, 1e-12);
            }
        }
    }

    public static function drawings(): array
    {
        return [
            'as drawn, metres' => [LengthUnit::Metre, false, 0.0, 0.0, 0.0],
            'millimetres' => [LengthUnit::Millimetre, false, 0.0, 0.0, 0.0],
            'US feet and not international ones' => [LengthUnit::UsFoot, false, 0.0, 0.0, 0.0],
            'international feet' => [LengthUnit::Foot, false, 0.0, 0.0, 0.0],
            'exchanged' => [LengthUnit::Metre, true, 0.0, 0.0, 0.0],
            'shifted' => [LengthUnit::Metre, false, 0.0, 41_000.0, 78_000.0],
            'shifted and turned, millimetres' => [LengthUnit::Millimetre, false, 0.7, 41_000.0, 78_000.0],
            'turned to and fro' => [LengthUnit::Metre, false, -2.9, -500.0, 300.0],
        ];
    }

    public function test_a_regular_grid_that_fits_in_several_ways_is_named_in_all_of_them(): void
    {
        $spots = [];
        for ($i = 0; $i < 5; $i++) {
            for ($k = 0; $k < 5; $k++) {
                $spots[] = new Spot(9.0 * $i, 9.0 * $k, 'circle');
            }
        }
        $control = [
            new Mark('A', new Position(5000.0, 2000.0)), new Mark('B', new Position(5000.0, 2018.0)),
            new Mark('C', new Position(5018.0, 2000.0)),
        ];
        $fits = FitSearch::of($control, $spots);
        self::assertGreaterThan(3, count($fits));
        self::assertSame([3], array_values(array_unique(array_map(static fn (ControlFit $f) => count($f->matches), $fits))));
    }

    public function test_names_decide_where_two_points_alone_would_not(): void
    {
        $control = [new Mark('CP1', new Position(10.0, 20.0)), new Mark('CP2', new Position(60.0, 90.0))];
        $named = [new Spot(20_000.0, 10_000.0, 'point', 'CP1'), new Spot(90_000.0, 60_000.0, 'point', 'CP2'), new Spot(5.0, 5.0, 'point')];
        self::assertSame(LengthUnit::Millimetre, FitSearch::of($control, $named)[0]->unit);
        $nameless = array_map(static fn (Spot $s) => new Spot($s->x, $s->y, $s->what), $named);
        self::assertSame([], FitSearch::of($control, $nameless), 'two without names prove nothing');
    }

    /** By hand: of so many ways to choose the marks, each spot hits each of them by the share of the area that lies within its reach. */
    public function test_how_many_such_fits_chance_would_give_is_counted(): void
    {
        mt_srand(5);
        $control = self::control();
        foreach ([[0.0, 0.0], [0.7, 41_000.0]] as [$turn, $shift]) {
            $spots = self::drawn($control, LengthUnit::Metre, false, $turn, $shift, $shift);
            $fit = FitSearch::of($control, $spots)[0];
            [$x, $y] = [array_column($spots, 'x'), array_column($spots, 'y')];
            $hit = count($spots) * M_PI * FitSearch::REACH ** 2 / ((max($x) - min($x)) ** 2 + (max($y) - min($y)) ** 2);
            // Of seven marks five fit; two of them are given where it is turned, by two of the spots.
            $expected = $turn === 0.0 ? 2 * count(LengthUnit::cases()) * 21 * $hit ** 5 : count($spots) ** 2 * 35 * $hit ** 3;
            self::assertEqualsWithDelta($expected, $fit->chance, 1e-9 * $expected);
        }
    }

    public function test_what_does_not_fit_is_not_made_to(): void
    {
        foreach (range(1, 20) as $seed) {
            mt_srand($seed);
            $spots = [];
            for ($i = 0; $i < 300; $i++) {
                $spots[] = new Spot(mt_rand(0, 200_000) / 1000, mt_rand(0, 200_000) / 1000, 'point');
            }
            foreach (FitSearch::of(self::control(), $spots) as $fit) {
                self::assertGreaterThan(0.05, $fit->chance, 'what chance would give is called so');
            }
        }
        self::assertSame([], FitSearch::of([], [new Spot(1, 2, 'point')]));
        self::assertSame([], FitSearch::of(self::control(), []));
    }

    /** @return list<Mark> */
    private static function control(): array
    {
        return array_map(
            static fn (int $i) => new Mark("CP$i", new Position(78_600 + mt_rand(0, 120_000) / 1000, 41_200 + mt_rand(0, 120_000) / 1000)),
            range(1, 7),
        );
    }

    /**
     * @param  list<Mark>  $control
     * @return list<Spot>
     */
    private static function drawn(array $control, LengthUnit $unit, bool $exchanged, float $turn, float $east, float $north): array
    {
        $spots = [];
        $put = static function (float $e, float $n) use (&$spots, $unit, $exchanged, $turn, $east, $north): void {
            // From the site back into the drawing: the shift taken off, then turned back.
            [$x, $y] = [$e - $east, $n - $north];
            [$x, $y] = [$x * cos($turn) - $y * sin($turn), $x * sin($turn) + $y * cos($turn)];
            $u = $unit->metres();
            $spots[] = $exchanged ? new Spot($y / $u, $x / $u, 'point') : new Spot($x / $u, $y / $u, 'point');
        };
        foreach (array_slice($control, 0, 5) as $mark) {
            $put($mark->at->easting + mt_rand(-4, 4) / 1000, $mark->at->northing + mt_rand(-4, 4) / 1000);
        }
        for ($i = 0; $i < 150; $i++) {
            $put(41_200 + mt_rand(0, 120_000) / 1000, 78_600 + mt_rand(0, 120_000) / 1000);
        }

        return $spots;
    }
}
