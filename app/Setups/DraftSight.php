<?php

declare(strict_types=1);

namespace App\Setups;

use Parlay\Core\ListOf;

final readonly class DraftSight
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
