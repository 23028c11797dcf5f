<?php

declare(strict_types=1);

namespace App\Setups;

use Parlay\Core\ListOf;

/** A file of raw observations as it is read, before anything is taken. */
final readonly class RawText
{
    /**
     * @param  list<RawSight>  $sights
     * @param  list<string>  $problems  with their lines
     */
    public function __construct(
        #[ListOf(RawSight::class)]
        public array $sights,
        #[ListOf('string')]
        public array $problems,
    ) {}
}
