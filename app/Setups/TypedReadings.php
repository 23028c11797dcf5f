<?php

declare(strict_types=1);

namespace App\Setups;

use Parlay\Core\ListOf;

final readonly class TypedReadings
{
    /** @param  list<TypedReading>  $readings */
    public function __construct(
        public string $key,
        #[ListOf(TypedReading::class)]
        public array $readings,
    ) {}
}
