<?php

declare(strict_types=1);

namespace App\Worklists;

use App\Cogo\GivenPlace;
use App\Points\WalkKind;
use Parlay\Core\ListOf;

/** An order for points: by name, by nearest next, or a short walk from where one stands. */
final readonly class WalkWanted
{
    /** @param  list<int>  $pointIds */
    public function __construct(
        #[ListOf('int')]
        public array $pointIds,
        public WalkKind $kind,
        public ?GivenPlace $from = null,
    ) {}
}
