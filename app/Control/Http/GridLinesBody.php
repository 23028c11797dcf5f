<?php

declare(strict_types=1);

namespace App\Control\Http;

use App\Control\TypedGridLine;
use Parlay\Core\ListOf;

/** Lines to be kept; those of the same name take the place of the earlier ones. */
final readonly class GridLinesBody
{
    /** @param  list<TypedGridLine>  $lines */
    public function __construct(
        #[ListOf(TypedGridLine::class)]
        public array $lines,
    ) {}
}
