<?php

declare(strict_types=1);

namespace App\Reports;

/** How many marks of a report count, by how they are called. */
final readonly class IssueCounts
{
    public function __construct(public int $in, public int $out, public int $close, public int $undecided) {}

    public static function of(Report $report): self
    {
        $all = array_count_values(array_map(static fn (ReportRow $r): string => $r->called(), $report->counting()));

        return new self($all['in'] ?? 0, $all['out'] ?? 0, $all['close'] ?? 0, $all['undecided'] ?? 0);
    }
}
