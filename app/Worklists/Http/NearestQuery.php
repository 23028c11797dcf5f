<?php

declare(strict_types=1);

namespace App\Worklists\Http;

final readonly class NearestQuery
{
    /** list: only among the points of this worklist. */
    public function __construct(
        public float $northing,
        public float $easting,
        public ?int $list = null,
    ) {}
}
