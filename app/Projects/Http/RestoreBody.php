<?php

declare(strict_types=1);

namespace App\Projects\Http;

final readonly class RestoreBody
{
    public function __construct(public string $upload) {}
}
