<?php

declare(strict_types=1);

namespace App\Cogo;

/** One place of one solution; without a name it gets one by the way of naming. */
final readonly class PlaceToKeep
{
    public function __construct(
        public string $letter,
        public int $index,
        public ?string $name = null,
    ) {}
}
