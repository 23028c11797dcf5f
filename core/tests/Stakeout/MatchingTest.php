<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Stakeout;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\MatchDoubt;
use Parlay\Core\Stakeout\Matching;
use Parlay\Core\Stakeout\ShotMatch;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\TestCase;

/** Which design a shot is of: against scipy's tree of nearest neighbours, and by the cases where it is not plain. */
final class MatchingTest extends TestCase
{
    public function test_the_nearest_are_those_of_scipy_wherever_the_site_lies(): void
    {
        mt_srand(7);
        $between = static fn (float $a, float $b): float => $a + ($b - $a) * mt_rand() / mt_getrandmax();
        foreach ([[0.0, 0.0], [-3.0, -5.0], [5_412_345.0, -3_512_345.0]] as [$n, $e]) {
            $some = static fn (int $count): array => array_map(static fn (): Position => new Position($n + $between(-6, 6), $e + $between(-6, 6), $between(10, 12)), range(1, $count));
            [$shots, $designs] = [$some(150), $some(400)];
            $triple = static fn (Position $p): array => [$p->northing, $p->easting, $p->elevation];
            $there = Reference::python(
                'from scipy.spatial import cKDTree;d,i=cKDTree(input[1]).query(input[0],k=3,distance_upper_bound=0.8);print(json.dumps([[[int(k),float(x)] for x,k in zip(a,b) if x<1e9] for a,b in zip(d,i)]))',
                [array_map($triple, $shots), array_map($triple, $designs)],
            );
            foreach (Matching::nearest($shots, $designs, 0.8) as $k => $match) {
                self::assertSame($k, $match->shot);
                self::assertSame(array_column($there[$k], 0), array_column($match->candidates, 'design'));
                self::assertEqualsWithDelta(array_column($there[$k], 1), array_column($match->candidates, 'distance'), 1e-8);
            }
        }
    }

    /**
     * @param  array<int|string, Position>  $shots
     * @param  array<int|string, Position>  $designs
     * @return array<int|string, string|null> doubt of each shot
     */
    private static function doubts(array $shots, array $designs): array
    {
        return array_column(array_map(static fn (ShotMatch $m): array => [$m->shot, $m->doubt?->value], Matching::nearest($shots, $designs, 0.1)), 1, 0);
    }

    public function test_what_is_not_plain_is_told(): void
    {
        $p = static fn (float $n, ?float $z = null): Position => new Position($n, 0.0, $z);
        $second = MatchDoubt::Second->value;
        $shared = MatchDoubt::Shared->value;
        self::assertSame(['s' => null], self::doubts(['s' => $p(0.004)], ['a' => $p(0.0), 'b' => $p(0.05)]));
        self::assertSame(['s' => $second], self::doubts(['s' => $p(0.02)], ['a' => $p(0.0), 'b' => $p(0.05)]));
        self::assertSame(['s' => $second], self::doubts(['s' => $p(0.0)], ['a' => $p(0.0), 'b' => $p(0.0)]), 'two designs at one place');
        self::assertSame(['s' => $shared, 't' => $shared, 'u' => null], self::doubts(['s' => $p(0.001), 't' => $p(-0.02), 'u' => $p(9.0)], ['a' => $p(0.0), 'b' => $p(9.01)]));
        // One floor above another: told apart by height, where both have one.
        self::assertSame(['s' => null], self::doubts(['s' => $p(0.0, 4.01)], ['a' => $p(0.0, 0.0), 'b' => $p(0.0, 4.0)]));
        self::assertSame(['s' => $second], self::doubts(['s' => $p(0.0, 4.01)], ['a' => $p(0.01), 'b' => $p(0.01)]));
    }

    public function test_nothing_within_reach_is_nothing_and_the_reach_itself_is_within(): void
    {
        self::assertSame([], Matching::nearest([], ['a' => new Position(0, 0)], 0.1));
        [$none] = Matching::nearest(['s' => new Position(0, 0)], [], 0.1);
        self::assertSame([[], null], [$none->candidates, $none->doubt]);
        [$at] = Matching::nearest(['s' => new Position(0.0, 0.0)], [7 => new Position(0.0, 0.125)], 0.125);
        self::assertSame([['design' => 7, 'distance' => 0.125]], $at->candidates);
        self::assertSame([], Matching::nearest(['s' => new Position(0, 0, 0)], [7 => new Position(0, 0, 0.2)], 0.125)[0]->candidates, 'too high');
        $this->expectException(\DomainException::class);
        Matching::nearest([], [], 0.0);
    }
}
