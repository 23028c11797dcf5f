<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\ListOf;
use OpenApi\Attributes as OA;

/** A reissued list of control beside the one in use. */
#[OA\Schema]
final readonly class ComparisonResource
{
    /**
     * @param  list<MovedControl>  $moved
     * @param  list<string>  $new
     * @param  list<string>  $gone
     */
    public function __construct(
        #[ListOf(MovedControl::class)]
        public array $moved,
        #[ListOf('string')]
        public array $new,
        #[ListOf('string')]
        public array $gone,
        public int $same,
    ) {}
}
