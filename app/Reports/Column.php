<?php

declare(strict_types=1);

namespace App\Reports;

/** A column of a printed table. */
final readonly class Column
{
    /**
     * @param  list<string>  $heading  a line each
     * @param  float  $share  of the width of the sheet
     * @param  bool  $figures  stand to the right, and are made smaller rather than broken
     */
    public function __construct(
        public array $heading,
        public float $share,
        public bool $figures = false,
        public bool $bold = false,
    ) {}
}
