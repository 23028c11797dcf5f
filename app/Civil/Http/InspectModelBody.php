<?php

declare(strict_types=1);

namespace App\Civil\Http;

final readonly class InspectModelBody
{
    public function __construct(public string $upload) {}
}
