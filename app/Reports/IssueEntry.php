<?php

declare(strict_types=1);

namespace App\Reports;

use App\Reports\Models\ReportIssue;
use App\Typed\Values;

final readonly class IssueEntry
{
    /** counts: marks that count, by how they are called (in, out, close, undecided). checksum: of its figures, in short as it is printed. */
    public function __construct(
        public int $id,
        public int $number,
        public string $name,
        public string $author,
        public string $at,
        public ReportScope $scope,
        public IssueCounts $counts,
        public string $checksum,
        public string $file,
        public string $table,
    ) {}

    public static function of(ReportIssue $i): self
    {
        $at = "/api/v1/projects/{$i->project_id}/report-issues/{$i->number}";

        return new self(
            id: $i->id, number: $i->number, name: $i->name, author: $i->author, at: $i->at, scope: Values::of($i->scope, ReportScope::class),
            counts: Values::of($i->counts, IssueCounts::class), checksum: ReportIssue::short($i->checksum), file: "$at.pdf", table: "$at.csv",
        );
    }
}
