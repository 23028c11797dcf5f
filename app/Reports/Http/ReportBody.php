<?php

declare(strict_types=1);

namespace App\Reports\Http;

final readonly class ReportBody
{
    public function __construct(public string $author = '') {}
}
