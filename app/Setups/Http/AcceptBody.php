<?php

declare(strict_types=1);

namespace App\Setups\Http;

use Parlay\Core\ListOf;

final readonly class AcceptBody
{
    /**
     * @param  list<int>|null  $seenReadings  all readings of the draft that were looked at; with others in it, nothing is accepted
     *     unseen
     */
    public function __construct(
        public string $key,
        #[ListOf('int')]
        public ?array $seenReadings = null,
    ) {}
}
