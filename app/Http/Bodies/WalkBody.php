<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use App\Http\ListOf;
use App\Points\WalkKind;
use OpenApi\Attributes as OA;

/** An order for points: by name, by nearest next, or a short walk from where one stands. */
#[OA\Schema]
final readonly class WalkBody
{
    /** @param  list<int>  $pointIds */
    public function __construct(
        #[ListOf('int')]
        public array $pointIds,
        public WalkKind $kind,
        public ?GivenPlace $from = null,
    ) {}
}
