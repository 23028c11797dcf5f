<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Stakeout;

use Parlay\Core\Stakeout\Flatness;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class FlatnessTest extends TestCase
{
    /** 2,000 flat faces: no more than 5 of 100 are called bowed; fewer, where the plane that is fitted takes the more of few shots. */
    #[TestWith([5])]
    #[TestWith([12])]
    #[TestWith([40])]
    public function test_a_flat_face_is_called_bowed_in_five_of_a_hundred_at_most(int $count): void
    {
        mt_srand(17);
        $chance = static fn (): float => mt_rand() / mt_getrandmax();
        $normal = static fn (): float => sqrt(-2 * log(max(1e-12, $chance()))) * cos(2 * M_PI * $chance());
        $most = Flatness::byChance($count, 0.002);
        $bowed = 0;
        for ($k = 0; $k < 2000; $k++) {
            $shots = array_map(static fn (): array => [5 * $chance(), 3 * $chance(), 0.002 * $normal()], range(1, $count));
            $bowed += Flatness::of($shots)?->bow > $most ? 1 : 0;
        }
        self::assertLessThanOrEqual(120, $bowed);
        self::assertGreaterThan(4, $bowed);
    }
}
