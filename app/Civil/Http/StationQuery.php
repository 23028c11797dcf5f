<?php

declare(strict_types=1);

namespace App\Civil\Http;

final readonly class StationQuery
{
    public function __construct(public string $text) {}
}
