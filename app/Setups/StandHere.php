<?php

declare(strict_types=1);

namespace App\Setups;

use Parlay\Core\ListOf;

/** What a place to stand would give. */
final readonly class StandHere
{
    /**
     * worst: precision of the worst point with all that is seen, metres; bestWorst: with the sights proposed; weakness: what is weak
     * though all of it is sighted. Null where too little is seen.
     *
     * @param  list<string>  $seen  control
     * @param  list<string>  $hidden
     * @param  list<string>  $best  sights that serve the work best
     * @param  list<PointPrecision>  $points  the first five hundred
     */
    public function __construct(
        #[ListOf('string')]
        public array $seen,
        #[ListOf('string')]
        public array $hidden,
        #[ListOf('string')]
        public array $best,
        public ?float $bestWorst,
        public ?float $worst,
        public ?string $worstName,
        #[ListOf(PointPrecision::class)]
        public array $points,
        public ?string $weakness,
    ) {}
}
