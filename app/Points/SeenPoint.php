<?php

declare(strict_types=1);

namespace App\Points;

/** A point as it was when its change was begun; where it is otherwise now, the change is refused. */
final readonly class SeenPoint
{
    public function __construct(
        public string $name,
        public float $northing,
        public float $easting,
        public ?float $elevation,
        public string $code,
        public string $description,
    ) {}
}
