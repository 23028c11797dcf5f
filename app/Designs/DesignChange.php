<?php

declare(strict_types=1);

namespace App\Designs;

final readonly class DesignChange
{
    public function __construct(
        public string $name,
        public DesignRole $role,
        public bool $active,
        public ?DesignChange $seen = null,
    ) {}
}
