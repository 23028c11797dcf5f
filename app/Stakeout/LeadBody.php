<?php

declare(strict_types=1);

namespace App\Stakeout;

final readonly class LeadBody
{
    public function __construct(public LeadDeed $do) {}
}
