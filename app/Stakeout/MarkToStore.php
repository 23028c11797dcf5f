<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Instrument\Purpose;

final readonly class MarkToStore
{
    /** evenOut and withoutCheck: the person was asked and said yes. */
    public function __construct(
        public string $key,
        public int $observationId,
        public Purpose $kind,
        public ?int $pointId = null,
        public ?int $controlId = null,
        public string $name = '',
        public string $code = '',
        public bool $evenOut = false,
        public bool $withoutCheck = false,
    ) {}
}
