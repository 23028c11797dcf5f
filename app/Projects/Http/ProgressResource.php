<?php

declare(strict_types=1);

namespace App\Projects\Http;

final readonly class ProgressResource
{
    public function __construct(
        public int $control,
        public int $designs,
        public int $points,
        public int $staked,
        public int $checks,
        public int $asBuilt,
        public int $out,
    ) {}
}
