<?php

declare(strict_types=1);

namespace App\Setups\Http;

use Parlay\Core\ListOf;

final readonly class StandMapResource
{
    /** @param  list<float>  $values  precision of the worst point from each place, metres, row by row; −1 where too little can be seen */
    public function __construct(
        #[ListOf('float')]
        public array $values,
    ) {}
}
