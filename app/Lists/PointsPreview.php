<?php

declare(strict_types=1);

namespace App\Lists;

use Parlay\Core\ListOf;
use Parlay\Core\Points\RowFault;

final readonly class PointsPreview
{
    /**
     * @param  string  $format  text, landxml, geojson or shapefile
     * @param  list<string>  $firstLines
     * @param  list<RowEntry>  $rows
     * @param  int  $strings  how many lines the points are the corners of; 0 for a plain list
     * @param  list<RowFault>  $faults
     * @param  list<FindingEntry>  $findings
     * @param  list<string>  $untestable
     * @param  list<DuplicateName>  $duplicates  the first of them
     * @param  ListReissued|null  $comparison  with what is in use, where some names are the same
     * @param  int|null  $taskId  a long file is read beside the requests: its preview is this task’s result
     */
    public function __construct(
        public string $fileName,
        public string $format,
        public ?ColumnLayout $layout,
        public bool $remembered,
        public bool $looksLikeDegrees,
        public ?string $problem,
        #[ListOf('string')]
        public array $firstLines,
        public int $width,
        #[ListOf(RowEntry::class)]
        public array $rows,
        public int $good,
        public int $strings,
        #[ListOf(RowFault::class)]
        public array $faults,
        public int $faulty,
        #[ListOf(FindingEntry::class)]
        public array $findings,
        public int $moreFindings,
        #[ListOf('string')]
        public array $untestable,
        #[ListOf(DuplicateName::class)]
        public array $duplicates,
        public int $duplicateCount,
        public ?ListReissued $comparison,
        public ?int $taskId,
    ) {}

    /**
     * Of a file of which no row was read: it could not be, or a task reads it.
     *
     * @param  list<string>  $firstLines
     */
    public static function unread(
        string $fileName,
        string $format = '',
        ?ColumnLayout $layout = null,
        ?string $problem = null,
        array $firstLines = [],
        ?int $taskId = null,
    ): self {
        return new self(
            fileName: $fileName, format: $format, layout: $layout, remembered: false, looksLikeDegrees: false, problem: $problem,
            firstLines: $firstLines, width: $layout === null ? 0 : count($layout->columns), rows: [], good: 0, strings: 0, faults: [],
            faulty: 0, findings: [], moreFindings: 0, untestable: [], duplicates: [], duplicateCount: 0, comparison: null, taskId: $taskId,
        );
    }
}
