<?php

declare(strict_types=1);

namespace App\Cogo\Http;

use App\Cogo\GivenPlace;

final readonly class InverseBody
{
    /** @param  GivenPlace|null  $next  a third place: then the angle at the second is told */
    public function __construct(
        public GivenPlace $from,
        public GivenPlace $to,
        public ?GivenPlace $next = null,
    ) {}
}
