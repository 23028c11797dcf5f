<?php

declare(strict_types=1);

namespace App\Designs\Http;

use App\Designs\DesignRole;

final readonly class DesignBody
{
    public function __construct(
        public string $name,
        public DesignRole $role,
        public bool $active,
        public ?DesignBody $seen = null,
    ) {}
}
