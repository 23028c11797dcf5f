<?php

declare(strict_types=1);

namespace App\Designs\Http;

final readonly class InspectDrawingBody
{
    public function __construct(
        public string $upload,
    ) {}
}
