<?php

declare(strict_types=1);

namespace App\Reports;

final readonly class LayoutQuery
{
    /** layout: by whose columns the table is written; all of them where none is said. */
    public function __construct(public ?int $layout = null) {}
}
