<?php

declare(strict_types=1);

namespace App\Buildings\Http;

final readonly class KeptCutResource
{
    public function __construct(public int $designId) {}
}
