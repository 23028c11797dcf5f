<?php

declare(strict_types=1);

namespace App\Stakeout;

final readonly class ProvableResource
{
    /** best: null where nothing is set up, nothing is judged, or no pole is seen that a line or a face is staked by. */
    public function __construct(public ?ProvableEntry $best) {}
}
