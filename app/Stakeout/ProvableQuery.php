<?php

declare(strict_types=1);

namespace App\Stakeout;

use Parlay\Core\Stakeout\Judged;

final readonly class ProvableQuery
{
    /** target: a prepared point; aim: what was chosen in the field. judged: what counts, where that is not what the target or its code says. */
    public function __construct(public ?int $target = null, public ?int $aim = null, public ?Judged $judged = null) {}
}
