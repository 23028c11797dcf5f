<?php

declare(strict_types=1);

namespace App\Points;

/** Something known of a point beside its usual figures. */
final readonly class PointAttribute
{
    public function __construct(
        public string $name,
        public string $value,
    ) {}
}
