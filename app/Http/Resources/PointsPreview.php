<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\ListOf;
use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class PointsPreview
{
    /**
     * @param  string  $format  text, landxml or geojson
     * @param  list<string>  $firstLines
     * @param  list<RowResource>  $rows
     * @param  int  $strings  how many lines the points are the corners of; 0 for a plain list
     * @param  list<FaultResource>  $faults
     * @param  list<FindingResource>  $findings
     * @param  list<string>  $untestable
     * @param  list<DuplicateResource>  $duplicates  the first of them
     * @param  ComparisonResource|null  $comparison  with the control in use, where some names are the same
     * @param  int|null  $taskId  a long file is read beside the requests: its preview is this task’s result
     */
    public function __construct(
        public string $fileName,
        public string $format,
        public ?LayoutResource $layout,
        public bool $remembered,
        public bool $looksLikeDegrees,
        public ?string $problem,
        #[ListOf('string')]
        public array $firstLines,
        public int $width,
        #[ListOf(RowResource::class)]
        public array $rows,
        public int $good,
        public int $strings,
        #[ListOf(FaultResource::class)]
        public array $faults,
        public int $faulty,
        #[ListOf(FindingResource::class)]
        public array $findings,
        public int $moreFindings,
        #[ListOf('string')]
        public array $untestable,
        #[ListOf(DuplicateResource::class)]
        public array $duplicates,
        public int $duplicateCount,
        public ?ComparisonResource $comparison,
        public ?int $taskId,
    ) {}
}
