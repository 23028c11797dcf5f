<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use App\Http\ListOf;
use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class DraftSightBody
{
    /**
     * plan, height: whether it is used for them. direction, distance: whether these of its observations are.
     *
     * @param  list<int>  $more  observations of further rounds, averaged with the first
     */
    public function __construct(
        public int $controlId,
        public int $observationId,
        public bool $plan = true,
        public bool $height = true,
        public bool $direction = true,
        public bool $distance = true,
        #[ListOf('int')]
        public array $more = [],
    ) {}
}
