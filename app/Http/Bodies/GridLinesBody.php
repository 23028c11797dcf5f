<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use App\Http\ListOf;
use OpenApi\Attributes as OA;

/** Lines to be kept; those of the same name take the place of the earlier ones. */
#[OA\Schema]
final readonly class GridLinesBody
{
    /** @param  list<GridLineBody>  $lines */
    public function __construct(
        #[ListOf(GridLineBody::class)]
        public array $lines,
    ) {}
}
