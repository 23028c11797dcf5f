<?php

declare(strict_types=1);

namespace App\Reports;

/** What sheets are printed on, upright. */
enum Paper: string
{
    case A4 = 'a4';
    case Letter = 'letter';

    /** Points. */
    public function width(): float
    {
        return $this === self::A4 ? 595.276 : 612.0;
    }

    /** Points. */
    public function height(): float
    {
        return $this === self::A4 ? 841.89 : 792.0;
    }
}
