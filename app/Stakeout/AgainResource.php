<?php

declare(strict_types=1);

namespace App\Stakeout;

final readonly class AgainResource
{
    /** Null where the same was measured from no other setup. */
    public function __construct(public ?AgainEntry $again) {}
}
