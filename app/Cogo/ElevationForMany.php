<?php

declare(strict_types=1);

namespace App\Cogo;

use Parlay\Core\ListOf;

final readonly class ElevationForMany
{
    /** @param  list<int>  $ids */
    public function __construct(
        #[ListOf('int')]
        public array $ids,
        public ElevationWanted $elevation,
    ) {}
}
