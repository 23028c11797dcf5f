<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use OpenApi\Attributes as OA;

/** A shot on a line, or on a mark that is no control. */
#[OA\Schema]
final readonly class DraftShotBody
{
    public function __construct(
        public string $line,
        public int $observationId,
        public bool $used = true,
    ) {}
}
