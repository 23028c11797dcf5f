<?php

declare(strict_types=1);

namespace App\Reports;

/** What stands on each page of an issued report, so that paper can be held against what is kept. */
final readonly class Stamp
{
    public function __construct(public int $number, public string $checksum, public string $at) {}

    /** As a picture to be read by a phone. */
    public function coded(): string
    {
        return "Parlay report {$this->number} sha-256 {$this->checksum}";
    }

    public function words(): string
    {
        return "report {$this->number} · ".Models\ReportIssue::short($this->checksum);
    }
}
