<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Stakeout;

use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Atmosphere;
use Parlay\Core\Instrument\RawReading;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Instrument\Target;
use Parlay\Core\Setups\Precision;
use Parlay\Core\Stakeout\HiddenMethod;
use Parlay\Core\Stakeout\HiddenShot;
use Parlay\Core\Stakeout\NoHiddenPlace;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Places that are found from several shots: where they lie, by scipy and by hand, and how far they may be wrong, by simulated days. */
final class HiddenShotTest extends TestCase
{
    private static function station(float $orientation = 0.9): Station
    {
        return new Station(new Position(5_412_000.0, 3_512_000.0, 50.0), $orientation, 1.6);
    }

    /** A reading that leads to a place that far north, east and above the station's mark. */
    private static function sight(Station $s, float $n, float $e, float $h, float $turned = 0.0, float $longer = 0.0, float $raised = 0.0): Sight
    {
        $place = new Position($s->mark->northing + $n, $s->mark->easting + $e, (float) $s->mark->elevation + $h);
        $aim = $s->aimAt($place, 1.3);

        return Sight::reduce(
            new RawReading($aim['circle'] + $turned, $aim['zenith'] + $raised, hypot($n, $e) / sin($aim['zenith']) + $longer), (new Atmosphere)->given(0.0), new Target(1.3, 0.0),
        );
    }

    /** @return array{float, float, float|null} north, east and up of the station's mark */
    private static function beside(Station $s, Position $p): array
    {
        return [$p->northing - $s->mark->northing, $p->easting - $s->mark->easting, $p->elevation === null ? null : $p->elevation - (float) $s->mark->elevation];
    }

    /** @return iterable<string, array{HiddenShot, list<array{float, float, float}>, array{float, float, float|null}}> */
    public static function cases(): iterable
    {
        // The 3-4-5 triangle, from either side; north, east and height of each shot from the station's mark.
        yield 'two tapes, right' => [new HiddenShot(HiddenMethod::TwoTapes, 3.0, 4.0), [[20.0, 10.0, 1.0], [25.0, 10.0, 1.2]], [21.8, 12.4, null]];
        yield 'two tapes, left' => [new HiddenShot(HiddenMethod::TwoTapes, 3.0, 4.0, false), [[20.0, 10.0, 1.0], [25.0, 10.0, 1.2]], [21.8, 7.6, null]];
        yield 'a corner of two walls' => [new HiddenShot(HiddenMethod::WallCorner), [[12.0, -3.0, 1.0], [12.0, -1.0, 1.0], [9.0, 4.0, 0.5], [10.0, 3.5, 1.4]], [12.0, 2.5, null]];
        yield 'a round column by three' => [
            new HiddenShot(HiddenMethod::RoundColumn), [[15.0 - 0.4 * cos(0.9), 6.0 + 0.4 * sin(0.9), 1.0], [14.6, 6.0, 1.1], [15.0 - 0.4 * cos(0.8), 6.0 - 0.4 * sin(0.8), 0.9]], [15.0, 6.0, null],
        ];
        $half = asin(0.4 / 20.0);
        yield 'a round column by its edges' => [
            new HiddenShot(HiddenMethod::ColumnEdges), [[18.0 * cos(-$half), 18.0 * sin(-$half), 1.0], [25.0 * cos($half), 25.0 * sin($half), 1.0], [19.6, 0.0, 1.0]], [20.0, 0.0, null],
        ];
        // Edges either side of north-west, told the other way round.
        $turn = -0.7;
        yield 'its right edge first' => [
            new HiddenShot(HiddenMethod::ColumnEdges),
            [[20.0 * cos($turn + $half), 20.0 * sin($turn + $half), 0.0], [20.0 * cos($turn - $half), 20.0 * sin($turn - $half), 0.0], [19.6 * cos($turn), 19.6 * sin($turn), 0.0]],
            [20.0 * cos($turn), 20.0 * sin($turn), null],
        ];
        yield 'a rod' => [new HiddenShot(HiddenMethod::Rod, 0.9, 0.6), [[30.0, 5.0, 1.0], [30.0, 5.36, 0.52]], [30.0, 5.9, -0.2]];
    }

    /**
     * @param  list<array{float, float, float}>  $shots
     * @param  array{float, float, float|null}  $there
     */
    #[DataProvider('cases')]
    public function test_the_place_is_where_it_was_put(HiddenShot $hidden, array $shots, array $there): void
    {
        foreach ([0.0, 0.9, 6.2] as $orientation) {
            $s = self::station($orientation);
            $found = self::beside($s, $hidden->from($s, array_map(static fn (array $p): Sight => self::sight($s, ...$p), $shots)));
            // Half a millimetre: by refraction and the earth's curve a reading to there is not read from a plane.
            self::assertEqualsWithDelta(array_slice($there, 0, 2), array_slice($found, 0, 2), 5e-4);
            self::assertSame($there[2] === null, $found[2] === null);
            self::assertEqualsWithDelta((float) $there[2], (float) $found[2], 1e-3);
        }
    }

    /**
     * 6,000 days: each shot read and its pole held with what is stated for it, and the tapes; what the places scatter by is what is stated.
     *
     * @param  list<array{float, float, float}>  $shots
     */
    #[DataProvider('cases')]
    public function test_what_is_stated_is_what_simulated_days_scatter_by(HiddenShot $hidden, array $shots): void
    {
        mt_srand(31);
        $s = self::station();
        $accuracy = new Accuracy(2e-5, 0.0012, 1.5, 0.0008, 0.001, 3e-5);
        $sure = new Precision([[0.0, 0.0, 0.0], [0.0, 0.0, 0.0], [0.0, 0.0, 0.0]], 0.0);
        $sights = array_map(static fn (array $p): Sight => self::sight($s, ...$p), $shots);
        $stated = $hidden->spread($s, $sure, $sights, array_fill(0, count($shots), $accuracy));
        $found = [];
        for ($day = 0; $day < 6000; $day++) {
            $tape = static fn (float $metres, float $deviation): float => $metres > 0.0 ? $metres + $deviation * self::normal() : 0.0;
            $held = match ($hidden->method) {
                HiddenMethod::TwoTapes => new HiddenShot($hidden->method, $tape($hidden->first, 0.003), $tape($hidden->second, 0.003), $hidden->right),
                HiddenMethod::Rod => new HiddenShot($hidden->method, $tape($hidden->first, 0.0005)),
                default => $hidden,
            };
            $found[] = self::beside($s, $held->from($s, array_map(static function (array $p) use ($s): Sight {
                $long = hypot(hypot($p[0], $p[1]), $p[2]);

                return self::sight(
                    $s, $p[0] + 0.0008 * self::normal(), $p[1] + 0.0008 * self::normal(), $p[2] + 0.001 * self::normal(), 2e-5 * self::normal(), hypot(0.0012, 1.5e-6 * $long) * self::normal(), 3e-5 * self::normal(),
                );
            }, $shots)));
        }
        $cov = Reference::python(
            'import numpy as np;a=np.array([[x or 0 for x in r] for r in input]);print(json.dumps(np.cov(a.T).tolist()))', $found,
        );
        self::assertEqualsWithDelta([1.0, 1.0], [$stated->nn / $cov[0][0], $stated->ee / $cov[1][1]], 0.08);
        self::assertEqualsWithDelta($cov[0][1], $stated->ne, 0.08 * sqrt($cov[0][0] * $cov[1][1]));
        if ($hidden->method === HiddenMethod::Rod) {
            self::assertEqualsWithDelta(1.0, $stated->hh / $cov[2][2], 0.08);
        }
    }

    private static function normal(): float
    {
        return sqrt(-2 * log(max(1e-12, mt_rand() / mt_getrandmax()))) * cos(2 * M_PI * mt_rand() / mt_getrandmax());
    }

    public function test_the_setup_counts_once_for_all_shots(): void
    {
        $s = self::station();
        $accuracy = new Accuracy(2e-5, 0.0012, 1.5, 0.0008);
        $setup = new Precision([[9e-6, 1e-6, 0.0], [1e-6, 4e-6, 0.0], [0.0, 0.0, 1e-10]], 4e-6);
        $sure = new Precision([[0.0, 0.0, 0.0], [0.0, 0.0, 0.0], [0.0, 0.0, 0.0]], 0.0);
        [$hidden, $shots, $there] = iterator_to_array(self::cases())['a rod'];
        $sights = array_map(static fn (array $p): Sight => self::sight($s, ...$p), $shots);
        $both = array_fill(0, 2, $accuracy);
        [$with, $without] = [$hidden->spread($s, $setup, $sights, $both), $hidden->spread($s, $sure, $sights, $both)];
        self::assertEqualsWithDelta(9e-6 + $there[1] ** 2 * 1e-10, $with->nn - $without->nn, 1e-10);
        self::assertEqualsWithDelta([4e-6 + $there[0] ** 2 * 1e-10, 4e-6], [$with->ee - $without->ee, $with->hh - $without->hh], 1e-10);
    }

    /** @return iterable<string, array{\Closure(Station): mixed, string}> */
    public static function nothings(): iterable
    {
        $at = static fn (HiddenShot $h, array $shots): \Closure => static fn (Station $s): Position => $h->from($s, array_map(static fn (array $p): Sight => self::sight($s, ...$p), $shots));
        yield 'a tape of nothing' => [static fn () => new HiddenShot(HiddenMethod::TwoTapes, 0.0, 3.0), 'A taped length'];
        yield 'a tape of no number' => [static fn () => new HiddenShot(HiddenMethod::TwoTapes, NAN, 3.0), 'A taped length'];
        yield 'a rod without a tip' => [static fn () => new HiddenShot(HiddenMethod::Rod), 'A taped length'];
        yield 'too few' => [$at(new HiddenShot(HiddenMethod::WallCorner), [[9.0, 1.0, 0.0], [9.0, 2.0, 0.0]]), 'takes 4 shots; there are 2'];
        yield 'tapes that don’t meet' => [$at(new HiddenShot(HiddenMethod::TwoTapes, 1.0, 1.0), [[9.0, 1.0, 0.0], [9.0, 5.0, 0.0]]), 'they miss by 2.00'];
        yield 'walls alike' => [$at(new HiddenShot(HiddenMethod::WallCorner), [[9.0, 1.0, 0.0], [9.0, 2.0, 0.0], [8.0, 1.0, 0.0], [8.0, 2.0, 0.0]]), 'parallel'];
        yield 'a wall of one place' => [$at(new HiddenShot(HiddenMethod::WallCorner), [[9.0, 1.0, 0.0], [9.0, 1.01, 0.0], [8.0, 1.0, 0.0], [7.0, 1.0, 0.0]]), 'farther apart'];
        yield 'a flat column' => [$at(new HiddenShot(HiddenMethod::RoundColumn), [[9.0, 1.0, 0.0], [9.0, 2.0, 0.0], [9.0, 3.0, 0.0]]), 'straight line'];
        yield 'edges of one direction' => [$at(new HiddenShot(HiddenMethod::ColumnEdges), [[9.0, 1.0, 0.0], [18.0, 2.0, 0.0], [9.0, 1.0, 0.0]]), 'no edges'];
        yield 'a front beside' => [$at(new HiddenShot(HiddenMethod::ColumnEdges), [[20.0, -0.4, 0.0], [20.0, 0.4, 0.0], [19.6, 0.3, 0.0]]), 'half way between its edges'];
        yield 'another rod' => [$at(new HiddenShot(HiddenMethod::Rod, 0.9, 0.5), [[30.0, 5.0, 1.0], [30.0, 5.36, 0.52]]), 'measured 0.600 m from each other, and the rod has 0.500 m'];
        yield 'a rod without heights' => [static fn () => (new HiddenShot(HiddenMethod::Rod, 0.9))->from(
            new Station(new Position(0.0, 0.0), 0.0, 1.6), array_map(static fn (array $p): Sight => self::sight(self::station(), ...$p), [[30.0, 5.0, 1.0], [30.0, 5.36, 0.52]]),
        ), 'elevations'];
    }

    /** @param  \Closure(Station): mixed  $try */
    #[DataProvider('nothings')]
    public function test_what_is_no_such_thing_is_refused_with_what_to_do(\Closure $try, string $says): void
    {
        try {
            $try(self::station());
            self::fail('taken');
        } catch (NoHiddenPlace|NoConstruction $e) {
            self::assertStringContainsString($says, $e->getMessage());
        }
    }
}
