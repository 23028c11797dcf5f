<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Civil;

use Parlay\Core\Civil\Surfaces\GrowingMesh;
use Parlay\Core\Civil\Volumes\VolumeSpread;
use Parlay\Core\Geometry\Position;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** How far a volume of shots may be wrong, against simulated grounds whose true volume is known. */
final class VolumeSpreadTest extends TestCase
{
    private static function chance(float $a = 0.0, float $b = 1.0): float
    {
        return $a + ($b - $a) * mt_rand() / mt_getrandmax();
    }

    private static function normal(): float
    {
        return sqrt(-2 * log(max(1e-12, self::chance()))) * cos(2 * M_PI * self::chance());
    }

    /** @return \Closure(float, float): float a ground of ten waves between two lengths, some 0.1 m high, on a bowl */
    private static function ground(float $shortest, float $longest, float $bowl): \Closure
    {
        $waves = array_map(static function () use ($shortest, $longest): array {
            $k = 2 * M_PI / exp(self::chance(log($shortest), log($longest)));
            $turn = self::chance(0, M_PI);

            return [$k * cos($turn), $k * sin($turn), self::chance(0, 2 * M_PI), 0.1 * self::normal() / sqrt(10)];
        }, range(1, 10));

        return static fn (float $n, float $e): float => 5.0 + $bowl * (($n - 30) ** 2 + ($e - 30) ** 2)
            + array_sum(array_map(static fn (array $w): float => $w[3] * cos($w[0] * $n + $w[1] * $e + $w[2]), $waves));
    }

    /** Smooth, rolling and rough grounds, shot every six metres or so with three millimetres each and two of the setup: how many of 150 volumes lie within what is stated. */
    #[TestWith([25.0, 60.0, 0.0])]
    #[TestWith([8.0, 20.0, 0.0])]
    #[TestWith([2.0, 6.0, 0.0])]
    #[TestWith([25.0, 60.0, 0.001])]
    #[TestWith([8.0, 20.0, -0.002])]
    public function test_the_true_volume_lies_within_what_is_stated(float $shortest, float $longest, float $bowl): void
    {
        mt_srand(12);
        $held = 0;
        $shares = [];
        for ($site = 0; $site < 150; $site++) {
            $ground = self::ground($shortest, $longest, $bowl);
            [$shot, $setup] = [0.003, 0.002];
            $shared = $setup * self::normal();
            $places = [];
            for ($i = 0; $i < 110; $i++) {
                [$n, $e] = [self::chance(0, 60), self::chance(0, 60)];
                $places[] = new Position($n, $e, $ground($n, $e) + $shared + $shot * self::normal());
            }
            $corners = GrowingMesh::of(array_map(static fn (Position $p): float => $p->northing, $places), array_map(static fn (Position $p): float => $p->easting, $places))->corners();
            $error = self::error($places, $corners, $ground);
            $spread = VolumeSpread::of($places, $corners, $shot, $setup) ?? self::fail('no volume');
            self::assertNotNull($spread->ground);
            $held += abs($error) <= $spread->all() ? 1 : 0;
            $shares[] = abs($error) / $spread->all();
        }
        self::assertGreaterThanOrEqual(138, $held, "held $held of 150");
        self::assertGreaterThan(0.05, array_sum($shares) / 150, 'and it is not stated so wide that it says nothing');
    }

    /**
     * What the triangles have too much, metres³: by fifteen places in each.
     *
     * @param  list<Position>  $places
     * @param  list<int>  $corners
     * @param  \Closure(float, float): float  $ground
     */
    private static function error(array $places, array $corners, \Closure $ground): float
    {
        $sum = 0.0;
        for ($t = 0; $t < count($corners); $t += 3) {
            [$a, $b, $c] = [$places[$corners[$t]], $places[$corners[$t + 1]], $places[$corners[$t + 2]]];
            $area = abs(($b->northing - $a->northing) * ($c->easting - $a->easting) - ($b->easting - $a->easting) * ($c->northing - $a->northing)) / 2;
            $mean = 0.0;
            for ($i = 0; $i < 5; $i++) {
                for ($j = 0; $j < 5 - $i; $j++) {
                    [$u, $v] = [($i + 1 / 3) / 5, ($j + 1 / 3) / 5];
                    $w = 1 - $u - $v;
                    $mean += $u * (float) $a->elevation + $v * (float) $b->elevation + $w * (float) $c->elevation
                        - $ground($u * $a->northing + $v * $b->northing + $w * $c->northing, $u * $a->easting + $v * $b->easting + $w * $c->easting);
                }
            }
            $sum += $area * $mean / 15;
        }

        return $sum;
    }

    public function test_shots_and_setup_follow_by_propagation(): void
    {
        // A square of 10 m from four corners: two triangles of 50 m².
        $places = [new Position(0, 0, 1), new Position(0, 10, 1), new Position(10, 10, 1), new Position(10, 0, 1)];
        $spread = VolumeSpread::of($places, [0, 1, 2, 0, 2, 3], 0.01, 0.005) ?? self::fail('no volume');
        $third = 50 / 3;
        self::assertEqualsWithDelta(1.96 * 0.01 * sqrt(2 * (2 * $third) ** 2 + 2 * $third ** 2), $spread->shots, 1e-9);
        self::assertEqualsWithDelta(1.96 * 0.005 * 100, $spread->setup, 1e-9);
        self::assertNull($spread->ground, 'four shots tell nothing of what lies between them');
        self::assertEqualsWithDelta(hypot($spread->shots, $spread->setup), $spread->all(), 1e-12);
        self::assertNull(VolumeSpread::of($places, [], 0.01, 0.005));
        self::assertNull(VolumeSpread::of([], [], 0.01, 0.005));
    }
}
