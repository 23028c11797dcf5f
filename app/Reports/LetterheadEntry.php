<?php

declare(strict_types=1);

namespace App\Reports;

use App\Reports\Models\Letterhead;

final readonly class LetterheadEntry
{
    /** logo: as a data address, to be shown; empty where there is none. */
    public function __construct(public string $firm, public string $address, public Paper $paper, public string $logo) {}

    public static function of(Letterhead $l): self
    {
        return new self($l->firm, $l->address, $l->paper, $l->picture());
    }
}
