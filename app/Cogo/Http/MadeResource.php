<?php

declare(strict_types=1);

namespace App\Cogo\Http;

use Parlay\Core\ListOf;

/** What a construction gives; nothing of it is stored. */
final readonly class MadeResource
{
    /**
     * @param  list<MadeSolution>  $solutions
     */
    public function __construct(
        public string $description,
        #[ListOf(MadeSolution::class)]
        public array $solutions,
    ) {}
}
