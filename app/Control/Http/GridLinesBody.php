<?php

declare(strict_types=1);

namespace App\Control\Http;

use Parlay\Core\ListOf;

/** Lines to be kept; those of the same name take the place of the earlier ones. */
final readonly class GridLinesBody
{
    /** @param  list<GridLineBody>  $lines */
    public function __construct(
        #[ListOf(GridLineBody::class)]
        public array $lines,
    ) {}
}
